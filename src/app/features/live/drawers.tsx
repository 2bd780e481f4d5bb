import type { LiveView } from '../../live/live-view'
import { laneButtonId } from '../../live/rooms/lane-button'
import type { LiveSnapshot } from '../../live-client/live-store'
import { ASK_FOR_GROUPS } from './ask-for-groups'
import { BROADCASTS, Broadcasts } from './broadcasts/broadcasts'
import { ClosedRoom } from './closed-room'
import type { DraftRooms } from './draft-rooms'
import { Everybody, FIND_SOMEBODY } from './everybody'
import { MakeGroups } from './make-groups'
import { PersonDrawer } from './person-drawer'
import { RoomDrawer } from './room-drawer'
import type { DrawersNow } from './use-drawers'

interface DrawersProps {
  drawers: DrawersNow
  sessionId: string
  live: LiveSnapshot<LiveView>
  accountId: string
  timeZone: string
  draft: DraftRooms
  pageMadeAt: number
  onStep: (by: 1 | -1) => void
}

/** The one drawer that stands beside the lanes, if any; what was closed gives the focus back to what opened it. */
export function Drawers({
  drawers,
  sessionId,
  live: { view, work, calls },
  accountId,
  timeZone,
  draft,
  pageMadeAt,
  onStep,
}: DrawersProps) {
  const { over, send } = drawers
  const ended = view.session.phase === 'ended'
  const closing = (close: () => void, focusId: string) => () => {
    close()
    requestAnimationFrame(() => document.getElementById(focusId)?.focus())
  }
  if (over?.kind === 'everybody')
    return (
      <Everybody
        view={view}
        work={work}
        pageMadeAt={pageMadeAt}
        onOpenRoom={drawers.show}
        onWrite={drawers.writeTo}
        onClose={closing(drawers.back, FIND_SOMEBODY)}
      />
    )
  if (over?.kind === 'broadcasts' && !ended)
    return (
      <Broadcasts
        sessionId={sessionId}
        view={view}
        timeZone={timeZone}
        onClose={closing(drawers.back, BROADCASTS)}
        send={send}
      />
    )
  const person = over?.kind === 'person' && view.people.find(({ id }) => id === over.id)
  if (person && !ended)
    return (
      <PersonDrawer
        key={person.id}
        sessionId={sessionId}
        person={person}
        view={view}
        timeZone={timeZone}
        onClose={drawers.back}
        send={send}
      />
    )
  if (drawers.making && !ended && view.clock === null)
    return (
      <MakeGroups
        sessionId={sessionId}
        view={view}
        byQuestion={drawers.byQuestion}
        draft={draft}
        onClose={closing(drawers.stopMaking, ASK_FOR_GROUPS)}
        send={send}
      />
    )
  if (drawers.making) return null
  if (drawers.closedRoom !== null)
    return (
      <ClosedRoom
        sessionId={sessionId}
        roomId={drawers.openRoomId}
        name={drawers.closedRoom}
        onClose={closing(() => drawers.show(''), FIND_SOMEBODY)}
      />
    )
  const room = view.rooms.find(({ id }) => id === drawers.openRoomId)
  if (!room) return null
  return (
    <RoomDrawer
      key={room.id}
      sessionId={sessionId}
      room={room}
      index={view.rooms.indexOf(room)}
      view={view}
      work={work[room.id]}
      inCall={calls[room.id]}
      accountId={accountId}
      timeZone={timeZone}
      onStep={onStep}
      onClose={closing(() => drawers.show(''), laneButtonId(room.id))}
      send={send}
    />
  )
}
