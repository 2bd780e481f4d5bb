import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { memo, useCallback, useDeferredValue, useEffect, useState } from 'react'
import { Legend } from '../../lanes/legend'
import { CallRule } from '../../live/call/call-rule'
import type { CohortsToAttach } from '../../live/cohort/cohort-dialog'
import { Doubts } from '../../live/door/doubts'
import { useHelpCalls } from '../../live/help/use-help-calls'
import type { LiveView } from '../../live/live-view'
import { NOTE_FIELD } from '../../live/messages/note-form'
import { ChoosingNow } from '../../live/moves/choosing-now'
import { PutUpNow } from '../../live/put-up/put-up'
import { AskQuestion } from '../../live/questions/ask-question'
import { QuestionNow } from '../../live/questions/question-now'
import { RoomSet } from '../../live/room-set/room-set'
import { ChosenBar } from '../../live/rooms/chosen-bar'
import { ChosenContext, ChosenPeople } from '../../live/rooms/chosen-people'
import { DragPeople, WHOLE } from '../../live/rooms/drag-people'
import { laneButtonId } from '../../live/rooms/lane-button'
import { OutsideRooms } from '../../live/rooms/outside-rooms'
import { usePlacing } from '../../live/rooms/use-placing'
import { WriteTo } from '../../live/rooms/write-to'
import { SessionRibbon } from '../../live/rounds/session-ribbon'
import { OrderNow } from '../../live/segments/order-now'
import { ClassSignals } from '../../live/signals/class-signals'
import { tellDoing, useToldDoing } from '../../live-client/doing'
import type { LiveSnapshot } from '../../live-client/live-store'
import { serverTime } from '../../live-client/server-clock'
import { useLive } from '../../live-client/use-live'
import { useSend } from '../../live-client/use-send'
import { useIsPhone } from '../../ui/is-phone'
import { Message } from '../../ui/layout'
import { useKeptText, useSwitch } from '../../ui/use-kept'
import { ASK_FOR_GROUPS, AskForGroups } from './ask-for-groups'
import { BROADCASTS, Broadcasts } from './broadcasts/broadcasts'
import { Corrections } from './corrections'
import { DraftLanes } from './draft-lanes'
import { DraftRooms } from './draft-rooms'
import { Everybody, FIND_SOMEBODY } from './everybody'
import { GiveBoard } from './give-board'
import { GiveMaterial } from './give-material'
import { KeepGroups } from './keep-groups'
import { type LaneOrder, orderedRooms } from './lanes/lane-order'
import { LiveBar } from './live-bar'
import { LiveHead } from './live-head'
import { MakeGroups } from './make-groups'
import type { Answer } from './needs/answers'
import { RoomsByNeed } from './needs/rooms-by-need'
import { needsAt, useReasonsOff } from './needs/use-needs'
import { PersonDrawer } from './person-drawer'
import { PutUpPanel } from './put-up-panel'
import { ReportBack } from './report/report-back'
import { RoomDrawer } from './room-drawer'
import { RoomsTools } from './rooms-tools'

interface LivePageProps {
  sessionId: string
  view: LiveView
  joinCode: string
  joinAddress: string
  joinImage: string
  /** Whether the join address was guessed because this page was opened on the server's own machine. */
  reach: { guessed: boolean; others: string[] }
  /** Cohorts that can be attached. */
  cohorts: CohortsToAttach
  accountId: string
  timeZone: string
  now: number
}

/** From so many people on, drawing all that happens at once would hold the page up. */
const MANY_PEOPLE = 60

/** What happens in a large session is drawn in parts, so that the page answers meanwhile; in others at once. */
export function LivePage(props: LivePageProps) {
  const live = useLive<LiveView>(`/events/${props.sessionId}/facilitator`, props.view)
  const inParts = useDeferredValue(live)
  return <Drawn {...props} live={live.view.people.length < MANY_PEOPLE ? live : inParts} />
}

const Drawn = memo(function Drawn({
  sessionId,
  live,
  joinCode,
  joinAddress,
  joinImage,
  reach,
  cohorts,
  accountId,
  timeZone,
  now,
}: LivePageProps & { live: LiveSnapshot<LiveView> }) {
  const { view, work, calls: inCalls, doing, line } = live
  const { send, problem } = useSend(sessionId)
  const [chosenOrder, setOrder] = useKeptText(`live-order-${sessionId}`)
  // Who walks about with a phone wants to know where to go.
  const isPhone = useIsPhone()
  const order = chosenOrder || (isPhone ? 'need' : 'rooms')
  const [isWall, showWall] = useSwitch(`live-wall-${sessionId}`, false)
  const [reasonsOff, switchReason] = useReasonsOff()
  const [openRoomId, setOpenRoomId] = useKeptText(`live-room-${sessionId}`)
  const [making, setMaking] = useState(false)
  const [finding, setFinding] = useState(false)
  const [saying, setSaying] = useState(false)
  const [personId, setPersonId] = useState<string | null>(null)
  const person = view.people.find(({ id }) => id === personId)
  const [byQuestion, setByQuestion] = useState<string | null>(null)
  const isOut = view.clock !== null
  useEffect(() => {
    if (isOut) setMaking(false)
  }, [isOut])
  const [draft] = useState(() => new DraftRooms())
  const { rooms } = view
  // Rooms that came of it, or anything else that happened to the rooms, take the place of what was only found so far.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is about when the rooms change.
  useEffect(() => draft.set(null), [draft, rooms, making])
  const openRoom = view.rooms.find(room => room.id === openRoomId)
  const ended = view.session.phase === 'ended'
  const visited = view.visits.find(visit => visit.accountId === accountId)?.roomId
  /** A visit lasts as long as the room's drawer is open: whoever closes it listens no more. */
  const show = useCallback(
    (roomId: string, goesAlong = false) => {
      if (visited !== undefined && visited !== roomId && !goesAlong) send({ type: 'leave-room' })
      setOpenRoomId(roomId)
      if (roomId !== '') setMaking(false)
      setFinding(false)
      setSaying(false)
      setPersonId(null)
    },
    [visited, send, setOpenRoomId],
  )
  const writeTo = useCallback((participantId: string) => {
    setFinding(false)
    setSaying(false)
    setPersonId(participantId)
  }, [])
  const close = () => {
    show('')
    requestAnimationFrame(() => document.getElementById(laneButtonId(openRoomId))?.focus())
  }
  const answer = useCallback(
    (roomId: string, how: Answer) => {
      show(roomId)
      if (how === 'visit') send({ type: 'visit', roomId })
      if (how === 'write') requestAnimationFrame(() => document.getElementById(NOTE_FIELD)?.focus())
    },
    [show, send],
  )
  const goToNeed = () => {
    const [first] = needsAt(view, work, serverTime(), { off: reasonsOff, accountId }).filter(
      ({ roomId }) => roomId !== openRoomId,
    )
    if (first) show(first.roomId)
  }
  const step = (by: 1 | -1) => {
    const ids = orderedRooms(
      view,
      needsAt(view, work, serverTime(), { off: reasonsOff, accountId }),
      order as LaneOrder,
    )
    const next = ids[(ids.indexOf(openRoomId) + by + ids.length) % ids.length]
    if (!next) return
    // Whoever is in a room goes on to the next one: a visit goes along.
    if (visited === openRoomId) send({ type: 'visit', roomId: next })
    show(next, visited === openRoomId)
  }
  const everybodyIn = isOut && view.people.every(({ admitted, inRoom }) => admitted && inRoom)
  useEffect(() => {
    tellDoing({ roomId: openRoomId === '' ? null : openRoomId, makes: making })
  }, [openRoomId, making])
  useToldDoing(
    sessionId,
    view.facilitators.some(one => one.here && one.accountId !== accountId),
  )
  const makeGroups = (questionId: string | null) => {
    setByQuestion(questionId)
    setMaking(true)
  }
  const calls = useHelpCalls(view, accountId, show)
  const [chosen] = useState(() => new ChosenPeople())
  const { place, moved } = usePlacing(view, send)
  const placeName = (id: string) =>
    id === WHOLE ? 'whole group' : (view.rooms.find(room => room.id === id)?.name ?? '')
  return (
    <Flex direction="column" minH="calc(100vh - 120px)">
      <LiveHead
        sessionId={sessionId}
        view={view}
        accountId={accountId}
        doing={doing}
        making={making}
        line={line}
        join={{ code: joinCode, address: joinAddress, image: joinImage, ...reach }}
        sound={{ on: calls.sound, set: calls.setSound }}
        send={send}
      />
      <SessionRibbon view={view} pageMadeAt={now} />
      {!ended && <OrderNow view={view} pageMadeAt={now} timeZone={timeZone} send={send} />}
      {problem && (
        <Box my="10px">
          <Message kind="problem">{problem}</Message>
        </Box>
      )}
      <Flex gap="16px" align="flex-start" flex="1" pb="16px">
        <Stack flex="1" minW="0" gap="8px">
          <WriteTo.Provider value={writeTo}>
            <ChosenContext.Provider value={chosen}>
              <DragPeople people={view.people} placeName={placeName} onPlace={place}>
                {!ended && <Doubts view={view} send={send} />}
                {!ended && !(isWall && everybodyIn) && (
                  <OutsideRooms view={view} cohorts={cohorts} send={send} />
                )}
                {!ended && <ChoosingNow view={view} send={send} />}
                {!ended && <Corrections sessionId={sessionId} boards={view.boards} />}
                {!ended && (
                  <QuestionNow
                    sessionId={sessionId}
                    view={view}
                    canGroup={!isOut}
                    onGroup={makeGroups}
                    pageMadeAt={now}
                    send={send}
                  />
                )}
                {!ended && <PutUpNow view={view} send={send} />}
                {!ended && view.report.now && (
                  <ReportBack sessionId={sessionId} view={view} work={work} pageMadeAt={now} send={send} />
                )}
                {!ended && <ClassSignals view={view} send={send} />}
                <chakra.h2 srOnly>Rooms</chakra.h2>
                {!ended && (
                  <Flex gap="8px" align="flex-start" wrap="wrap">
                    {!isOut && !making && (
                      <AskForGroups hasRooms={view.rooms.length > 0} onAsk={() => makeGroups(null)} />
                    )}
                    <AskQuestion sessionId={sessionId} view={view} send={send} />
                    <PutUpPanel sessionId={sessionId} view={view} send={send} />
                    {!isOut && !view.report.now && (
                      <ReportBack
                        sessionId={sessionId}
                        view={view}
                        work={work}
                        pageMadeAt={now}
                        send={send}
                      />
                    )}
                    <RoomsTools
                      order={order as LaneOrder}
                      onOrder={setOrder}
                      isWall={isWall}
                      onWall={showWall}
                      onFind={() => setFinding(true)}
                      rooms={view.rooms.length}
                      view={view}
                      send={send}
                    />
                  </Flex>
                )}
                <DraftLanes draft={draft}>
                  <RoomsByNeed
                    sessionId={sessionId}
                    accountId={accountId}
                    isWall={isWall}
                    view={view}
                    work={work}
                    off={reasonsOff}
                    onSwitch={switchReason}
                    order={order as LaneOrder}
                    narrow={openRoom !== undefined || making || finding || saying || person !== undefined}
                    pageMadeAt={now}
                    onOpen={show}
                    onAnswer={answer}
                    send={send}
                  />
                </DraftLanes>
                {!ended && view.rooms.length > 0 && (
                  <ChosenBar view={view} place={place} moved={moved} send={send} />
                )}
              </DragPeople>
            </ChosenContext.Provider>
          </WriteTo.Provider>
          {!ended && !making && (view.rooms.length > 0 || view.closedRooms.length > 0) && (
            <RoomSet view={view} send={send}>
              {!view.rooms.some(({ used }) => used) && (
                <GiveBoard sessionId={sessionId} roomId={null} label="A board for all rooms" />
              )}
              <GiveMaterial sessionId={sessionId} view={view} send={send} />
              <CallRule view={view} send={send} />
              {view.door.hasList && !view.session.isRehearsal && (
                <KeepGroups sessionId={sessionId} title={view.session.title} />
              )}
            </RoomSet>
          )}
          {view.rounds.begun > 0 && <Legend />}
        </Stack>
        {making && !ended && !isOut && !finding && !saying && !person && (
          <MakeGroups
            sessionId={sessionId}
            view={view}
            byQuestion={byQuestion}
            draft={draft}
            onClose={() => {
              setMaking(false)
              requestAnimationFrame(() => document.getElementById(ASK_FOR_GROUPS)?.focus())
            }}
            send={send}
          />
        )}
        {finding && (
          <Everybody
            view={view}
            work={work}
            pageMadeAt={now}
            onOpenRoom={show}
            onWrite={writeTo}
            onClose={() => {
              setFinding(false)
              requestAnimationFrame(() => document.getElementById(FIND_SOMEBODY)?.focus())
            }}
          />
        )}
        {saying && !finding && !ended && (
          <Broadcasts
            sessionId={sessionId}
            view={view}
            timeZone={timeZone}
            onClose={() => {
              setSaying(false)
              requestAnimationFrame(() => document.getElementById(BROADCASTS)?.focus())
            }}
            send={send}
          />
        )}
        {person && !saying && !finding && !ended && (
          <PersonDrawer
            key={person.id}
            sessionId={sessionId}
            person={person}
            view={view}
            timeZone={timeZone}
            onClose={() => setPersonId(null)}
            send={send}
          />
        )}
        {openRoom && !making && !finding && !saying && !person && (
          <RoomDrawer
            key={openRoom.id}
            sessionId={sessionId}
            room={openRoom}
            index={view.rooms.indexOf(openRoom)}
            view={view}
            work={work[openRoom.id]}
            inCall={inCalls[openRoom.id]}
            accountId={accountId}
            timeZone={timeZone}
            onStep={step}
            onClose={close}
            send={send}
          />
        )}
      </Flex>
      {!ended && (
        <LiveBar
          sessionId={sessionId}
          view={view}
          calls={calls}
          onNeed={goToNeed}
          onWall={() => showWall(!isWall)}
          onFind={() => setFinding(true)}
          onBroadcasts={() => setSaying(!saying)}
          showsBroadcasts={saying}
          send={send}
        />
      )}
    </Flex>
  )
})
