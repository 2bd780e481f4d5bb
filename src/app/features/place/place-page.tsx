import { Box, Flex, Stack } from '@chakra-ui/react'
import { Suspense, useEffect, useMemo, useRef, useState } from 'react'
import type { Board } from '~/core/boards/board'
import type { ParticipantView } from '~/core/live/views'
import { asFacilitator } from '~/core/live/visits/visitor'
import { BoardView } from '../../board-view/board-view'
import { CommentsHere } from '../../live/comments/comments-here'
import { NotMe } from '../../live/door/not-me'
import type { SendFromPlace } from '../../live/live-view'
import { Messages } from '../../live/messages/messages'
import { OwnRole } from '../../live/roles/own-role'
import { Warnings } from '../../live/rounds/warnings'
import { BesideMe } from '../../live/without-device/beside-me'
import { ask } from '../../live-client/ask'
import type { BoardStatus } from '../../live-client/board-connection'
import { forgetSoon } from '../../live-client/kept/kept-page'
import { useKeptHere } from '../../live-client/kept/use-kept-here'
import { useKeptView } from '../../live-client/kept/use-kept-view'
import { LastTold } from '../../live-client/last-told'
import { useLiveStore, useSnapshot } from '../../live-client/use-live'
import { whenMet } from '../../prompts/when-met'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'
import { useSwitch } from '../../ui/use-kept'
import { useSameActs } from '../../ui/use-same'
import { WhatIsKept } from '../../ui/what-is-kept'
import { CameLate } from './came-late'
import { PlaceFoot } from './place-foot'
import { PlaceHead } from './place-head'

const Ended = whenMet(() => import('../../live/session/ended'))
const GivenMaterial = whenMet(() => import('../../live/material/given-material'))
const MovesInRoom = whenMet(() => import('../../live/moves/moves-in-room'))
const PutUpOnPage = whenMet(() => import('../../live/put-up/put-up-on-page'))
const QuestionAsked = whenMet(() => import('../../live/questions/question-asked'))
const ReportingOnPage = whenMet(() => import('../../live/report/reporting-on-page'))
const RoomCall = whenMet(() => import('../../live/call/room-call'))
const SaidAloud = whenMet(() => import('./said-aloud'))
const TakenOffNotice = whenMet(() => import('../../live/taken-off/taken-off-notice'))
const WholeGroup = whenMet(() => import('./whole-group'))
const WritingInRoom = whenMet(() => import('../../live/rights/writing-here'))

interface PlacePageProps {
  sessionId: string
  join: { code: string; address: string }
  view: ParticipantView
  ownLink: string
  now: number
}

/** A participant's page: where am I, with whom, how long is left; what to do; and help at the bottom. */
export function PlacePage({ sessionId, join, view: first, ownLink, now }: PlacePageProps) {
  const store = useLiveStore(`/events/${sessionId}/participant`, first)
  useKeptView(store, { sessionId, participantId: first.me.id, madeAt: now, isKept })
  const { view, line, putUp } = useSnapshot(store)
  const [problem, setProblem] = useState<string | null>(null)
  const [saved] = useState(() => new LastTold<BoardStatus['saved']>('stored'))
  const send: SendFromPlace = async request => {
    const answer = await ask(`/s/${sessionId}/commands`, request)
    setProblem(answer.ok ? null : answer.message)
    return answer.ok
  }
  const { comments } = view
  const acts = useSameActs({
    onAnswer: (commentId: string, text: string) => send({ type: 'answer-comment', commentId, text }),
    onSettle: (commentId: string, settled: boolean) => send({ type: 'settle-comment', commentId, settled }),
  })
  const commentsHere = useMemo(() => ({ comments, onComment: null, ...acts }), [comments, acts])
  const [aloud, setAloud] = useSwitch('warnings-aloud', false)
  // What the page opens with is read as it stands: only what comes after is said by itself.
  const [isOpen, setIsOpen] = useState(false)
  useEffect(() => {
    const opened = setTimeout(() => setIsOpen(true), 1_000)
    return () => clearTimeout(opened)
  }, [])
  const gaveBack = useRef(false)
  const door = `/join/${join.code}`
  useEffect(() => {
    // Whoever gave the name back goes to choose another, and leaves nothing here; whose name was freed is told first.
    if (view.me.released && gaveBack.current)
      forgetSoon(sessionId)
        .catch(() => undefined)
        .finally(() => location.assign(door))
  }, [view.me.released, door, sessionId])
  const { whereabouts } = view
  const kept = useKeptHere({
    sessionId,
    participantId: view.me.id,
    copyId: whereabouts.where === 'room' ? whereabouts.copyId : null,
    line,
    ended: view.session.phase === 'ended',
    left: view.me.released,
  })
  return (
    <Flex direction="column" minH="100dvh" maxW="760px" mx="auto">
      <PlaceHead
        view={view}
        pageMadeAt={now}
        line={line}
        opensWithoutLine={kept.opensWithoutLine}
        saved={whereabouts.where === 'room' && view.board?.prompts.length ? saved : null}
      >
        {view.session.phase === 'open' && !view.me.released && (
          <NotMe
            me={view.me}
            onNotMe={() => {
              gaveBack.current = true
              send({ type: 'not-me' })
            }}
          />
        )}
      </PlaceHead>
      {isOpen && (
        <Suspense fallback={null}>
          <SaidAloud view={view} saved={saved} />
        </Suspense>
      )}
      <Box as="main" flex="1" px="16px" py="16px">
        {problem && (
          <Box mb="12px">
            <Message kind="problem">{problem}</Message>
          </Box>
        )}
        <CameLate late={kept.late} onPutAway={kept.putAway} />
        {view.session.phase === 'ended' ? (
          <Suspense fallback={null}>
            <Ended ownLink={ownLink} />
          </Suspense>
        ) : view.me.released ? (
          <Message kind="problem">
            The facilitator has freed the name {view.me.shownName}. If it is yours,{' '}
            <a href={door}>join again</a>.
          </Message>
        ) : (
          // What has nothing to say takes no room either.
          <Stack gap="16px" css={{ '& > :empty': { marginBottom: '-16px' } }}>
            {view.nameHidden && (
              <Message>
                The facilitator has taken the name you typed off all screens. Here you are {view.me.shownName}
                .
              </Message>
            )}
            {view.takenOff.length > 0 && (
              <Suspense fallback={null}>
                <TakenOffNotice takenOff={view.takenOff} />
              </Suspense>
            )}
            <Warnings clock={whereabouts.where === 'room' ? view.clock : null} aloud={aloud} />
            <Messages
              messages={view.messages}
              putAway={view.putAway}
              ownAnswers={view.ownAnswers}
              saidAgain={view.saidAgain}
              aloud={aloud}
              send={send}
            />
            {view.given.length > 0 && (
              <Suspense fallback={null}>
                <GivenMaterial given={view.given} />
              </Suspense>
            )}
            {view.reporting && (
              <Suspense fallback={null}>
                <ReportingOnPage reporting={view.reporting} pageMadeAt={now} />
              </Suspense>
            )}
            {view.putUp && (
              <Suspense fallback={null}>
                <PutUpOnPage
                  putUp={view.putUp}
                  told={putUp}
                  inRoom={whereabouts.where === 'room'}
                  join={join}
                  pageMadeAt={now}
                />
              </Suspense>
            )}
            {whereabouts.where === 'room' && (view.call || whereabouts.link !== '') && (
              <Suspense fallback={null}>
                <RoomCall
                  key={whereabouts.copyId}
                  sessionId={sessionId}
                  call={view.call}
                  link={whereabouts.link}
                />
              </Suspense>
            )}
            {view.question && (
              <Suspense fallback={null}>
                <QuestionAsked
                  key={view.question.id}
                  question={view.question}
                  myAnswer={view.myAnswer}
                  room={ownRoomOf(whereabouts)}
                  pageMadeAt={now}
                  send={send}
                />
              </Suspense>
            )}
            <OwnRole view={view} send={send} />
            {view.writing && (
              <Suspense fallback={null}>
                <WritingInRoom view={view} send={send} />
              </Suspense>
            )}
            {whereabouts.where === 'room' && view.board ? (
              <CommentsHere.Provider value={commentsHere}>
                <BoardView
                  key={whereabouts.copyId}
                  copyId={whereabouts.copyId}
                  board={view.board}
                  me={view.writing?.mayWrite === false ? null : { id: view.me.id }}
                  keptFor={sessionId}
                  names={namesHere(whereabouts.members, view.visits)}
                  onStatus={saved.tell}
                  parts={{
                    shut: view.partsShut,
                    done: view.partsDone,
                    onDone: (partId, done) => send({ type: 'say-part-done', partId, done }),
                  }}
                  hidden={{
                    openedBy: view.hiddenOpened,
                    onOpen: promptId => send({ type: 'open-hidden-text-here', promptId }),
                  }}
                />
              </CommentsHere.Provider>
            ) : (
              <Suspense fallback={null}>
                <WholeGroup view={view} ownLink={ownLink} pageMadeAt={now} send={send} />
              </Suspense>
            )}
            {whereabouts.where === 'room' &&
              view.board &&
              whereabouts.alsoReads.map(other => (
                <AlsoReads key={other.copyId} {...other} board={view.board as Board} />
              ))}
            {whereabouts.where === 'room' && (view.moves?.mayReturn || view.roomsToChoose) && (
              <Suspense fallback={null}>
                <MovesInRoom view={view} send={send} />
              </Suspense>
            )}
            {whereabouts.where !== 'waiting' && (
              <BesideMe
                beside={view.beside}
                ownRoom={ownRoomOf(whereabouts)}
                joinCode={join.code}
                fixed={view.session.phase !== 'open'}
                send={send}
              />
            )}
          </Stack>
        )}
        <Box mt="24px">
          <WhatIsKept opensWithoutLine={kept.opensWithoutLine === 'yes'} />
        </Box>
      </Box>
      {(whereabouts.where === 'room' || whereabouts.where === 'whole') && view.session.phase === 'open' && (
        <PlaceFoot
          help={view.help}
          visits={view.visits}
          signal={view.signal}
          minutesSaid={view.minutesSaid}
          talk={view.talk}
          talkOpen={view.talkOpen}
          copyId={whereabouts.where === 'room' ? whereabouts.copyId : null}
          canSay={!view.writing?.muted}
          aloud={aloud}
          onAloud={setAloud}
          onSend={send}
        />
      )}
    </Flex>
  )
}

/** After the end, and once the name is given back, nothing is kept in the browser. */
const isKept = ({ session, me }: ParticipantView) => session.phase === 'open' && !me.released

/** The room somebody is in, or will be. */
function ownRoomOf(whereabouts: ParticipantView['whereabouts']): string | null {
  if (whereabouts.where === 'room') return whereabouts.name
  return whereabouts.where === 'whole' ? (whereabouts.next?.name ?? null) : null
}

/** What a room had made whose people came into this one: to be read, opened when somebody wants to. */
function AlsoReads({ copyId, name, board }: { copyId: string; name: string; board: Board }) {
  const [open, setOpen] = useState(false)
  if (board.prompts.length === 0) return null
  return (
    <Box borderTopWidth="1px" pt="12px">
      <Button aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Hide' : 'Read'} what {name} has made
      </Button>
      {open && (
        <Box mt="12px">
          <BoardView copyId={copyId} board={board} me={null} names={{}} />
        </Box>
      )}
    </Box>
  )
}

/** Whose cursors may stand on the board. */
const namesHere = (
  members: readonly { id: string; shownName: string }[],
  visits: ParticipantView['visits'],
): Record<string, string> =>
  Object.fromEntries([
    ...members.map(({ id, shownName }) => [id, shownName]),
    ...visits.flatMap(({ name, writesAs }) => (writesAs === null ? [] : [[writesAs, asFacilitator(name)]])),
  ])
