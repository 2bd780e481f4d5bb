import { Box, chakra, Flex, Grid, Stack, Table } from '@chakra-ui/react'
import { Download } from 'lucide-react'
import { useFetcher, useNavigation, useSearchParams } from 'react-router'
import type { Board } from '~/core/boards/board'
import type { ReadAnswer } from '~/core/boards/prompts/kinds'
import type { Mark } from '~/core/live/marks'
import type { QuestionNow } from '~/core/live/questions/shown'
import type { CommentedThen, ReportedThen } from '~/core/review/asked'
import type { PulseBar } from '~/core/review/pulse'
import type { ObservedThen, SaidThen } from '~/core/review/said'
import { Legend } from '../../lanes/legend'
import { Track } from '../../lanes/track'
import { CameLate, type LateHere } from '../../live/late-contributions/came-late'
import { TalkThen } from '../../live/talk/talk-then'
import { AnswerView, TogetherView } from '../../prompts/answer-view'
import { Button } from '../../ui/button'
import { CopyLink } from '../../ui/copy-link'
import { Message, Section } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'
import { WhatWasAsked, WhatWasCommented } from './what-was-asked'
import { WhatWasReported } from './what-was-reported'
import { WhatWasObserved, WhatWasSaid } from './what-was-said'

export interface Review {
  session: {
    id: string
    title: string
    timeZone: string
    phase: 'planned' | 'open' | 'ended'
    reviewed: boolean
  }
  said: SaidThen[]
  observed: ObservedThen[]
  asked: QuestionNow[]
  commented: CommentedThen[]
  reported: ReportedThen[]
  board: Board
  openedAt: number
  endedAt: number
  rounds: { number: number; startedAt: number; endedAt: number }[]
  rooms: {
    id: string
    name: string
    members: string[]
    asks: string[]
    answers: Record<string, ReadAnswer>
    removed: { promptId: string; text: string; by: string }[]
    talk: { by: string; text: string; takenOff: boolean }[]
    takenOff: { promptId: string; text: string; by: string; writtenBy: string }[]
    late: LateHere[]
    marks: Mark[]
    pulse: PulseBar[]
  }[]
  people: {
    id: string
    shownName: string
    rooms: string[]
    presentMs: number
    inRoomsMs: number
    contributions: number
    reviewToken: string | null
  }[]
}

export function ReviewPage({ review }: { review: Review }) {
  return (
    <>
      {review.session.phase === 'open' && (
        <Box mb="16px">
          <Message>The session is still running; this is how it stands now.</Message>
        </Box>
      )}
      <Flex justify="space-between" align="center" gap="12px" mb="16px" wrap="wrap">
        <Flex gap="8px" wrap="wrap" align="center">
          <Files sessionId={review.session.id} />
        </Flex>
        {review.session.phase === 'ended' && <Reviewed reviewed={review.session.reviewed} />}
      </Flex>
      <SideBySide board={review.board} rooms={review.rooms} />
      <WholeLanes review={review} />
      <WhatWasObserved observed={review.observed} timeZone={review.session.timeZone} />
      <WhatWasReported reported={review.reported} />
      <WhatWasAsked asked={review.asked} />
      <WhatWasCommented commented={review.commented} timeZone={review.session.timeZone} />
      <WhatWasSaid said={review.said} timeZone={review.session.timeZone} />
      <TakingPart people={review.people} />
    </>
  )
}

const FILES = [
  { file: 'review.md', name: 'All of it (Markdown)' },
  { file: 'answers.csv', name: 'Answers (CSV)' },
  { file: 'people.csv', name: 'Who took part (CSV)' },
  { file: 'questions.csv', name: 'Questions (CSV)' },
]

function Files({ sessionId }: { sessionId: string }) {
  return FILES.map(({ file, name }) => (
    <chakra.a
      key={file}
      href={`/sessions/${sessionId}/review/${file}`}
      download
      display="inline-flex"
      alignItems="center"
      gap="6px"
      px="8px"
      py="5px"
    >
      <Download size={16} aria-hidden="true" /> {name}
    </chakra.a>
  ))
}

function Reviewed({ reviewed }: { reviewed: boolean }) {
  const fetcher = useFetcher()
  return (
    <fetcher.Form method="post">
      <input type="hidden" name="reviewed" value={reviewed ? 'no' : 'yes'} />
      <Button type="submit" kind={reviewed ? 'plain' : 'main'}>
        {reviewed ? 'Put back among the unfinished' : 'Done with the review'}
      </Button>
    </fetcher.Form>
  )
}

/** One prompt, all rooms' answers. Which one stands in the address, so that it can be shown to others. */
function SideBySide({ board, rooms: all }: { board: Board; rooms: Review['rooms'] }) {
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
            <CameLate late={room.late} promptId={prompt?.id} />
            <Removed pieces={room.removed.filter(piece => piece.promptId === prompt?.id)} />
            <TalkThen lines={room.talk.map(({ by, text, takenOff }) => ({ by, text, takenOff }))} />
            <TakenOff pieces={room.takenOff.filter(piece => piece.promptId === prompt?.id)} />
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

/** What facilitators took off the screens: nobody else reads it. */
function TakenOff({ pieces }: { pieces: Review['rooms'][number]['takenOff'] }) {
  if (pieces.length === 0) return null
  return (
    <chakra.details mt="8px" fontSize="s">
      <chakra.summary cursor="pointer" color="quiet">
        {pieces.length} taken off the screens
      </chakra.summary>
      <Stack as="ul" gap="4px" listStyleType="none" mt="4px">
        {pieces.map((piece, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two pieces may say the same, and none ever moves.
          <chakra.li key={index} overflowWrap="anywhere">
            {piece.text}{' '}
            <chakra.span color="quiet">
              ({[piece.writtenBy, `taken off by ${piece.by}`].filter(Boolean).join(', ')})
            </chakra.span>
          </chakra.li>
        ))}
      </Stack>
    </chakra.details>
  )
}

/** The session's lanes, complete: from its opening to its end, every round with its edge. */
function WholeLanes({ review }: { review: Review }) {
  const first = review.rounds[0]?.startedAt ?? review.openedAt
  const last = review.rounds.at(-1)?.endedAt ?? review.endedAt
  const margin = Math.max(10_000, (last - first) * 0.02)
  const span = {
    from: Math.max(review.openedAt, first - margin),
    to: Math.min(review.endedAt, last + margin),
    edges: review.rounds.map(round => round.endedAt),
  }
  return (
    <Section title="Lanes">
      {review.rounds.length === 0 ? (
        <p>Nobody was sent out in this session.</p>
      ) : (
        <Stack gap="6px">
          {review.rooms.map((room, index) => (
            <Grid key={room.id} templateColumns="180px 1fr" gap="10px" alignItems="center">
              <Flex gap="8px" align="center" minW="0">
                <RoomMark index={index} />
                <chakra.span fontWeight="600">{room.name}</chakra.span>
              </Flex>
              <Track span={span} runningAt={null} pulse={room.pulse} marks={room.marks} />
            </Grid>
          ))}
          <Legend />
        </Stack>
      )}
    </Section>
  )
}

function TakingPart({ people }: { people: Review['people'] }) {
  const minutes = (milliseconds: number) => `${Math.round(milliseconds / 60_000)} min`
  return (
    <Section title="Who took part">
      <chakra.div overflowX="auto" tabIndex={0} role="region" aria-label="Who took part">
        <Table.Root>
          <Table.Header>
            <Table.Row>
              <Table.ColumnHeader>Name</Table.ColumnHeader>
              <Table.ColumnHeader>Rooms</Table.ColumnHeader>
              <Table.ColumnHeader>Present</Table.ColumnHeader>
              <Table.ColumnHeader>In rooms</Table.ColumnHeader>
              <Table.ColumnHeader>Pieces of work</Table.ColumnHeader>
              <Table.ColumnHeader>Own link</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {people.map(person => (
              <Table.Row key={person.id}>
                <Table.Cell fontWeight="600">{person.shownName}</Table.Cell>
                <Table.Cell>
                  {person.rooms.join(', ') || <chakra.span color="quiet">none</chakra.span>}
                </Table.Cell>
                <Table.Cell>
                  {person.presentMs > 0 ? (
                    minutes(person.presentMs)
                  ) : (
                    <chakra.span color="quiet">was not here</chakra.span>
                  )}
                </Table.Cell>
                <Table.Cell>{minutes(person.inRoomsMs)}</Table.Cell>
                <Table.Cell>{person.contributions}</Table.Cell>
                <Table.Cell>
                  {person.reviewToken && <OwnLink token={person.reviewToken} name={person.shownName} />}
                </Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </chakra.div>
    </Section>
  )
}

/** A participant's own link, for whoever has lost theirs: it shows the rooms they were in, and nothing of any other. */
function OwnLink({ token, name }: { token: string; name: string }) {
  const path = `/mine/${token}`
  return (
    <Flex gap="8px" align="center" wrap="wrap">
      <a href={path} aria-label={`What ${name} sees`}>
        Open
      </a>
      <CopyLink path={path} label={`own link of ${name}`} />
    </Flex>
  )
}
