import type { DoorState } from '../door/door-facts'
import type { PutUpState } from '../put-up/things'
import type { ReadForWork } from '../put-up/work'
import type { RoundsState } from '../rounds/rounds'
import type { ReportBack, ReportingRoom } from './report'

export interface ReportState {
  report: ReportBack | null
  /** Those that are over, in order. */
  pastReports: readonly ReportBack[]
}

/** All that a report back reads. */
export type ReadForReport = ReportState &
  DoorState &
  ReadForWork &
  PutUpState &
  Pick<RoundsState, 'pastRounds'>

export const reportingOf = ({ report }: ReportState, roomId: string): ReportingRoom | undefined =>
  report?.rooms.find(room => room.roomId === roomId)

/** The first that was not heard, after the one that reports now. */
export function nextOf({ rooms: all, now }: ReportBack): ReportingRoom | undefined {
  const at = all.findIndex(({ roomId }) => roomId === now?.roomId)
  const later = [...all.slice(at + 1), ...all.slice(0, Math.max(0, at))]
  return later.find(({ heardAt }) => heardAt === null)
}

/** Every report back of the session, also one that goes on. */
export const allReports = ({ report, pastReports }: ReportState): readonly ReportBack[] =>
  report ? [...pastReports, report] : pastReports

/** How often each has reported in this session, by participant id, and each room was heard. */
export function timesHeard(state: ReportState): {
  people: Record<string, number>
  rooms: Record<string, number>
} {
  const [people, heardRooms]: [Record<string, number>, Record<string, number>] = [{}, {}]
  for (const { roomId, reporterId, heardAt } of allReports(state).flatMap(({ rooms: all }) => all)) {
    if (heardAt === null) continue
    heardRooms[roomId] = (heardRooms[roomId] ?? 0) + 1
    if (reporterId !== null) people[reporterId] = (people[reporterId] ?? 0) + 1
  }
  return { people, rooms: heardRooms }
}
