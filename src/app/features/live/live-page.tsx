import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { Legend } from '../../lanes/legend'
import type { CohortsToAttach } from '../../live/cohort/cohort-dialog'
import { Doubts } from '../../live/door/doubts'
import { useHelpCalls } from '../../live/help/use-help-calls'
import type { LiveView } from '../../live/live-view'
import { NOTE_FIELD } from '../../live/messages/note-form'
import { ChoosingNow } from '../../live/moves/choosing-now'
import { PutUpNow } from '../../live/put-up/put-up'
import { AskQuestion } from '../../live/questions/ask-question'
import { QuestionNow } from '../../live/questions/question-now'
import { ChosenBar } from '../../live/rooms/chosen-bar'
import { ChosenContext, ChosenPeople } from '../../live/rooms/chosen-people'
import { DragPeople, WHOLE } from '../../live/rooms/drag-people'
import { OutsideRooms } from '../../live/rooms/outside-rooms'
import { usePlacing } from '../../live/rooms/use-placing'
import { WriteTo } from '../../live/rooms/write-to'
import { SessionRibbon } from '../../live/rounds/session-ribbon'
import { OrderNow } from '../../live/segments/order-now'
import { ClassSignals } from '../../live/signals/class-signals'
import { useToldDoing } from '../../live-client/doing'
import type { LiveSnapshot } from '../../live-client/live-store'
import { serverTime } from '../../live-client/server-clock'
import { useLive } from '../../live-client/use-live'
import { useSend } from '../../live-client/use-send'
import { useIsPhone } from '../../ui/is-phone'
import { Message } from '../../ui/layout'
import { useKeptText, useSwitch } from '../../ui/use-kept'
import { AskForGroups } from './ask-for-groups'
import { BelowLanes } from './below-lanes'
import { Corrections } from './corrections'
import { DraftLanes } from './draft-lanes'
import { DraftRooms } from './draft-rooms'
import { Drawers } from './drawers'
import { type LaneOrder, orderedRooms } from './lanes/lane-order'
import { LiveBar } from './live-bar'
import { LiveHead } from './live-head'
import type { Answer } from './needs/answers'
import { RoomsByNeed } from './needs/rooms-by-need'
import { needsAt, useReasonsOff } from './needs/use-needs'
import { PutUpPanel } from './put-up-panel'
import { ReportBack } from './report/report-back'
import { RoomsTools } from './rooms-tools'
import { useDrawers } from './use-drawers'

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
  const { view, work, doing, line } = live
  const { send: sendCommand, problem } = useSend(sessionId)
  const [chosenOrder, setOrder] = useKeptText(`live-order-${sessionId}`)
  // Who walks about with a phone wants to know where to go.
  const isPhone = useIsPhone()
  const order = chosenOrder || (isPhone ? 'need' : 'rooms')
  const [isWall, showWall] = useSwitch(`live-wall-${sessionId}`, false)
  const [reasonsOff, switchReason] = useReasonsOff()
  const isOut = view.clock !== null
  const drawers = useDrawers(sessionId, view, accountId, sendCommand)
  const { openRoomId, making, show, goesAlong, send } = drawers
  const [draft] = useState(() => new DraftRooms())
  const { rooms } = view
  // Rooms that came of it, or anything else that happened to the rooms, take the place of what was only found so far.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is about when the rooms change.
  useEffect(() => draft.set(null), [draft, rooms, making])
  const ended = view.session.phase === 'ended'
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
    goesAlong(next)
  }
  const everybodyIn = isOut && view.people.every(({ admitted, inRoom }) => admitted && inRoom)
  useToldDoing(
    sessionId,
    view.facilitators.some(one => one.here && one.accountId !== accountId),
  )
  const calls = useHelpCalls(view, accountId, show)
  const join = useMemo(
    () => ({ code: joinCode, address: joinAddress, image: joinImage, ...reach }),
    [joinCode, joinAddress, joinImage, reach],
  )
  const sound = useMemo(() => ({ on: calls.sound, set: calls.setSound }), [calls.sound, calls.setSound])
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
        join={join}
        sound={sound}
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
          <WriteTo.Provider value={drawers.writeTo}>
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
                    onGroup={drawers.makeGroups}
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
                      <AskForGroups hasRooms={view.rooms.length > 0} onAsk={() => drawers.makeGroups(null)} />
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
                      onFind={drawers.find}
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
                    narrow={drawers.isOpen}
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
          {!ended && !making && <BelowLanes sessionId={sessionId} view={view} send={send} />}
          {view.rounds.begun > 0 && <Legend />}
        </Stack>
        <Drawers
          drawers={drawers}
          sessionId={sessionId}
          live={live}
          accountId={accountId}
          timeZone={timeZone}
          draft={draft}
          pageMadeAt={now}
          onStep={step}
        />
      </Flex>
      {!ended && (
        <LiveBar
          sessionId={sessionId}
          view={view}
          calls={calls}
          onNeed={goToNeed}
          onWall={() => showWall(!isWall)}
          onFind={drawers.find}
          onBroadcasts={drawers.broadcasts}
          showsBroadcasts={drawers.over?.kind === 'broadcasts'}
          send={send}
        />
      )}
    </Flex>
  )
})
