import { chakra, Flex, Grid, Stack } from '@chakra-ui/react'
import { Suspense, useState } from 'react'
import { useNavigation, useRevalidator, useSearchParams } from 'react-router'
import type { Board } from '~/core/boards/board'
import type { ReadAnswer } from '~/core/boards/prompts/kinds'
import { CameLate } from '../../live/late-contributions/came-late'
import { TakesOff } from '../../live/taken-off/takes-off'
import { TalkThen } from '../../live/talk/talk-then'
import { ask } from '../../live-client/ask'
import { AnswerView, TogetherView } from '../../prompts/answer-view'
import { whenMet } from '../../prompts/when-met'
import { Button } from '../../ui/button'
import { Message, Section } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'
import type { Review } from './review'

const TakeOffPieces = whenMet(() => import('../../live/taken-off/take-off-pieces'))

interface SideBySideProps {
  sessionId: string
  board: Board
  rooms: Review['rooms']
}

/** One prompt, all rooms' answers. Which one stands in the address, so that it can be shown to others. */
export function SideBySide({ sessionId, board, rooms: all }: SideBySideProps) {
  const [search, setSearch] = useSearchParams()
  const { state } = useNavigation()
  const shown = Number(search.get('prompt') ?? 1) - 1
  const prompt = board.prompts[shown]
  // Rounds may have had boards of their own.
  const rooms = all.filter(room => !prompt || room.asks.includes(prompt.id))
  const show = (index: number) =>
    setSearch({ prompt: String(index + 1) }, { replace: true, preventScrollReset: true })
  const read = rooms.flatMap(room => (prompt ? (room.answers[prompt.id] ?? []) : []))
  return (
    <Section title="Side by side">
      <Flex gap="8px" wrap="wrap" mb="12px" role="group" aria-label="Prompt">
        {board.prompts.map((each, index) => (
          <Button
            key={each.id}
            aria-pressed={index === shown}
            kind={index === shown ? 'main' : 'plain'}
            whiteSpace="normal"
            textAlign="left"
            maxW="100%"
            flexShrink="1"
            onClick={() => show(index)}
          >
            {index + 1}. {each.text}
          </Button>
        ))}
      </Flex>
      <chakra.p color="quiet" fontSize="s" mb="8px" role="status">
        {state === 'loading'
          ? 'Reading…'
          : `Begun in ${read.filter(one => one.begun).length} of ${rooms.length} rooms, done in ${read.filter(one => one.done).length}.`}
      </chakra.p>
      <TogetherView key={prompt?.id} reads={read} />
      <Grid
        templateColumns="repeat(auto-fit, minmax(220px, 1fr))"
        gap="12px"
        aria-label={prompt?.text}
        role="group"
      >
        {rooms.map(room => (
          <chakra.article
            key={room.id}
            bg="panel"
            borderWidth="1px"
            borderRadius="8px"
            p="12px"
            aria-label={room.name}
          >
            <Flex gap="8px" align="center">
              <RoomMark index={all.indexOf(room)} />
              <chakra.h3 fontSize="m">{room.name}</chakra.h3>
            </Flex>
            <chakra.p color="quiet" fontSize="s" mb="8px">
              {room.members.join(', ') || 'Nobody was here.'}
            </chakra.p>
            {prompt && <Answered read={room.answers[prompt.id]} />}
            {prompt && <Written sessionId={sessionId} room={room} promptId={prompt.id} />}
            <Late sessionId={sessionId} room={room} promptId={prompt?.id} />
            <Removed pieces={room.removed.filter(piece => piece.promptId === prompt?.id)} />
            <TalkThen lines={room.talk.map(({ by, text, takenOff }) => ({ by, text, takenOff }))} />
            <TakenOff
              sessionId={sessionId}
              pieces={room.takenOff.filter(piece => piece.promptId === prompt?.id)}
            />
          </chakra.article>
        ))}
      </Grid>
    </Section>
  )
}

function Answered({ read }: { read: ReadAnswer | undefined }) {
  return (
    <>
      {read?.begun && (
        <chakra.p fontSize="s" color="quiet" mb="4px">
          {read.summary}
        </chakra.p>
      )}
      <AnswerView read={read} />
    </>
  )
}

/** What was taken off the board: nothing that somebody wrote is gone without a trace. */
function Removed({ pieces }: { pieces: Review['rooms'][number]['removed'] }) {
  if (pieces.length === 0) return null
  return (
    <chakra.details mt="8px" fontSize="s">
      <chakra.summary cursor="pointer" color="quiet">
        {pieces.length === 1 ? '1 card removed' : `${pieces.length} cards removed`}
      </chakra.summary>
      <Stack as="ul" gap="4px" listStyleType="none" mt="4px">
        {pieces.map((piece, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two removed pieces may say the same, and none ever moves.
          <chakra.li key={index} overflowWrap="anywhere">
            <chakra.s>{piece.text}</chakra.s>
            {piece.by && <chakra.span color="quiet"> (removed by {piece.by})</chakra.span>}
          </chakra.li>
        ))}
      </Stack>
    </chakra.details>
  )
}

interface WrittenProps {
  sessionId: string
  room: Review['rooms'][number]
  promptId: string
}

/** Who wrote what, piece by piece; what hurts can be taken off, and is then nowhere any more but here. */
function Written({ sessionId, room, promptId }: WrittenProps) {
  const { tell, problem } = useTaking(sessionId)
  const read = room.answers[promptId]
  if (!read?.begun) return null
  return (
    <TakesOff.Provider value={piece => tell({ roomId: room.id, ...piece })}>
      <Suspense fallback={null}>
        <TakeOffPieces
          promptId={promptId}
          answer={read.answer}
          authors={room.writers}
          summary="Who wrote what"
          label="Who wrote what"
        />
      </Suspense>
      {problem && <Message kind="problem">{problem}</Message>}
    </TakesOff.Provider>
  )
}

/** What came late, and can be put on the board. */
function Late({
  sessionId,
  room: { late },
  promptId,
}: Omit<WrittenProps, 'promptId'> & { promptId: string | undefined }) {
  const { tell, problem } = useTelling(`/sessions/${sessionId}/late`)
  return (
    <>
      <CameLate
        late={late}
        promptId={promptId}
        onPutIn={({ copyId, participantId, id }) => tell({ copyId, participantId, id })}
      />
      {problem && <Message kind="problem">{problem}</Message>}
    </>
  )
}

/** What facilitators took off the screens: nobody else reads it. */
function TakenOff({ sessionId, pieces }: { sessionId: string; pieces: Review['rooms'][number]['takenOff'] }) {
  const { tell, problem } = useTaking(sessionId)
  if (pieces.length === 0) return null
  return (
    <chakra.details mt="8px" fontSize="s">
      <chakra.summary cursor="pointer" color="quiet">
        {pieces.length} taken off the screens
      </chakra.summary>
      <Stack as="ul" gap="4px" listStyleType="none" mt="4px" aria-label="Taken off the screens">
        {pieces.map(piece => (
          <Flex as="li" key={piece.id} gap="8px" align="baseline" justify="space-between">
            <chakra.span overflowWrap="anywhere">
              {piece.text}{' '}
              <chakra.span color="quiet">
                ({[piece.writtenBy, `taken off by ${piece.by}`].filter(Boolean).join(', ')})
              </chakra.span>
            </chakra.span>
            <Button size="small" flexShrink="0" onClick={() => tell({ takenId: piece.id })}>
              Give back
            </Button>
          </Flex>
        ))}
      </Stack>
      {problem && <Message kind="problem">{problem}</Message>}
    </chakra.details>
  )
}

/** Takes a piece off, or gives it back. */
const useTaking = (sessionId: string) => useTelling(`/sessions/${sessionId}/taken-off`)

/** Asks for something that changes what the groups made, and reads the review anew. */
function useTelling(address: string) {
  const { revalidate } = useRevalidator()
  const [problem, setProblem] = useState<string | null>(null)
  const tell = async (request: object) => {
    const answer = await ask(address, request)
    setProblem(answer.ok ? null : answer.message)
    if (answer.ok) await revalidate()
  }
  return { tell, problem }
}
