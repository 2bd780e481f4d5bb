import { type Participant, participantList } from '../door/people'
import { remember } from '../remember'
import { openRooms, type Room, roomOf } from '../rooms/room'
import { nextOf, type ReadForReport, reportingOf, timesHeard } from './state'

/** A room that can be heard, with who was in it. */
export interface RoomToHear {
  id: string
  name: string
  peopleIds: string[]
}

/**
 * The rooms of the round that was last. Those of the next may stand ready by then, and the others be closed: then it is those that
 * were closed since that round began.
 */
export function roomsToHear(state: ReadForReport): RoomToHear[] {
  const open = openRooms(state.rooms)
  const used = open.filter(room => room.used)
  const since = state.pastRounds.at(-1)?.startedAt ?? Number.POSITIVE_INFINITY
  const closed = state.rooms.filter(room => room.closed && room.used && (room.closedAt ?? 0) >= since)
  return (used.length > 0 ? used : closed.length > 0 ? closed : open).map(room => toHear(state, room))
}

const toHear = (state: ReadForReport, { id, name }: Room): RoomToHear => ({
  id,
  name,
  peopleIds: participantList(state).flatMap(person => (wasIn(state, person, id) ? [person.id] : [])),
})

/** Whether somebody belongs to a room, or did when it was closed. */
function wasIn(state: ReadForReport, person: Participant, roomId: string): boolean {
  const room = roomOf(state, roomId)
  if (!person.admitted || person.released || !room) return false
  return room.closed ? room.lastIds.includes(person.id) : person.roomId === roomId
}

export const reportShown = remember((state: ReadForReport) => ({
  now: state.report,
  /** Those that report, or could. */
  rooms: state.report
    ? state.report.rooms.flatMap(({ roomId }) => {
        const room = roomOf(state, roomId)
        return room ? [toHear(state, room)] : []
      })
    : roomsToHear(state),
  heard: timesHeard(state),
}))

/** Which room reports, who for it, until when, and which is next: for all to read. */
export interface Reporting {
  room: string
  reporter: string
  endsAt: number
  next: string | null
}

export const reportingNow = remember((state: ReadForReport): Reporting | null => {
  const { report } = state
  const current = report?.now && reportingOf(state, report.now.roomId)
  if (!report?.now || !current) return null
  const nameOf = (roomId: string) => roomOf(state, roomId)?.name ?? ''
  const next = nextOf(report)
  return {
    room: nameOf(current.roomId),
    reporter: state.participants.get(current.reporterId ?? '')?.shownName ?? '',
    endsAt: report.now.endsAt,
    next: next ? nameOf(next.roomId) : null,
  }
})

/** The same for somebody's own page, with when it is their room's turn, and whether they are to report. */
export interface OwnReport {
  now: Reporting | null
  turn: 'now' | 'next' | 'later' | 'heard' | null
  iReport: boolean
}

export function ownReport(state: ReadForReport, me: Participant): OwnReport | null {
  const { report } = state
  if (!report) return null
  const mine = report.rooms.find(({ roomId }) => wasIn(state, me, roomId))
  const isNow = mine !== undefined && report.now?.roomId === mine.roomId
  const turn = !mine
    ? null
    : isNow
      ? 'now'
      : mine.heardAt !== null
        ? 'heard'
        : nextOf(report) === mine
          ? 'next'
          : 'later'
  return { now: reportingNow(state), turn, iReport: mine?.reporterId === me.id }
}
