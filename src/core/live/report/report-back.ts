import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { idSchema, momentSchema } from '../ids'
import type { PutUpEvent } from '../put-up/put-up'
import { roomsWith } from '../put-up/work'
import { MOST_ROOMS, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import type { SessionEvent } from '../session/session'
import { textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { mergedLines } from './merged-lines'
import {
  LONGEST_POINTS,
  LONGEST_REPORT,
  MOST_REPORTS,
  type ReportBack,
  type ReportingRoom,
  SHORTEST_REPORT,
} from './report'
import { ownReport, reportingNow, reportShown } from './shown'
import { nextOf, type ReadForReport, type ReportState, reportingOf } from './state'

export type ReportProblem =
  | { code: 'no-report' }
  | { code: 'nobody-to-hear' }
  | { code: 'points-too-long'; most: number }
  | { code: 'too-many-reports' }

const rooms = z
  .array(z.object({ roomId: idSchema, reporterId: idSchema.nullable() }))
  .min(1)
  .max(MOST_ROOMS)
const how = {
  secondsEach: z.number().int().min(SHORTEST_REPORT).max(LONGEST_REPORT),
  onPages: z.boolean(),
}
const events = {
  'report-begun': { ...how, rooms },
  /** Null when the last one was heard. */
  'room-called': { roomId: idSchema.nullable(), endsAt: momentSchema },
  /** Who reported, where that is known; `heard` is false where it was ticked off by mistake. */
  'room-heard': {
    roomId: idSchema,
    heard: z.boolean(),
    participantId: idSchema.nullable(),
    /** Of the cohort's list, for whoever asks over the weeks. */
    personId: idSchema.nullable(),
  },
  'reporter-set': { roomId: idSchema, participantId: idSchema.nullable() },
  'points-taken': { roomId: idSchema, text: z.string() },
  'report-ended': {},
}
export type ReportEvent = EventsOf<typeof events>

/** The report back: rooms one after the other, each with its board put up and its time; heard, ticked off, points taken down. */
export const reportBack = topic<{
  state: ReportState
  needs: Omit<ReadForReport, keyof ReportState>
  hears: SessionEvent | PutUpEvent
  problem: ReportProblem
  borrows: RoomsProblem | DoorProblem
  mark: 'reports'
}>()(
  {
    initial: { report: null, pastReports: [] },
    commands: {
      'begin-report': { by: ['facilitator'], asks: { ...how, rooms } },
      /** Which room reports now; the one before is not ticked off by it. */
      'call-room': { by: ['facilitator'], asks: { roomId: idSchema } },
      /** Ticks off which reports now, and calls the next that was not heard; nothing once another reports than `afterId`. */
      'next-room': { by: ['facilitator'], asks: { afterId: idSchema.nullable() } },
      'hear-room': { by: ['facilitator'], asks: { roomId: idSchema, heard: z.boolean() } },
      'set-reporter': { by: ['facilitator'], asks: { roomId: idSchema, participantId: idSchema.nullable() } },
      /** `was` is what stood there when whoever typed began: what others have taken down since stays. */
      'take-points': {
        by: ['facilitator'],
        asks: { roomId: idSchema, text: textSchema, was: textSchema },
        // Another may end the report back, or all of it, while somebody still writes.
        alsoAfterEnd: true,
      },
      'end-report': { by: ['facilitator'], asks: {} },
    },
    events,
  },
  {
    decide: {
      'begin-report'(state, { secondsEach, onPages, rooms: wanted }) {
        if (state.report) return nothing
        if (state.pastReports.length >= MOST_REPORTS) return refuse({ code: 'too-many-reports' })
        const seen = new Set<string>()
        const all = wanted.filter(({ roomId }) => !seen.has(roomId) && seen.add(roomId))
        if (all.some(({ roomId }) => !roomOf(state, roomId))) return refuse({ code: 'no-such-room' })
        if (all.some(({ reporterId }) => reporterId !== null && !presentOf(state, reporterId)))
          return refuse({ code: 'no-such-participant' })
        return happens({ type: 'report-begun', secondsEach, onPages, rooms: all })
      },
      'call-room'(state, { roomId }, _by, now) {
        if (!reportingOf(state, roomId)) return refuse({ code: 'no-report' })
        return state.report?.now?.roomId === roomId ? nothing : happens(...calling(state, roomId, now))
      },
      'next-room'(state, { afterId }, _by, now) {
        const { report } = state
        if (!report) return refuse({ code: 'no-report' })
        // Of two who press at the same moment, or one who presses twice, one is too late.
        if ((report.now?.roomId ?? null) !== afterId) return nothing
        const current = report.now && reportingOf(state, report.now.roomId)
        const heard = current && current.heardAt === null ? [hearing(state, current, true)] : []
        const next = nextOf(report)
        if (next) return happens(...heard, ...calling(state, next.roomId, now))
        return heard.length > 0 || report.now
          ? happens(...heard, ...takingDown(state), {
              type: 'room-called' as const,
              roomId: null,
              endsAt: now,
            })
          : refuse({ code: 'nobody-to-hear' })
      },
      'hear-room'(state, { roomId, heard }) {
        const room = reportingOf(state, roomId)
        if (!room) return refuse({ code: 'no-report' })
        return (room.heardAt !== null) === heard ? nothing : happens(hearing(state, room, heard))
      },
      'set-reporter'(state, { roomId, participantId }) {
        const room = reportingOf(state, roomId)
        if (!room) return refuse({ code: 'no-report' })
        if (participantId !== null && !presentOf(state, participantId))
          return refuse({ code: 'no-such-participant' })
        return room.reporterId === participantId
          ? nothing
          : happens({ type: 'reporter-set', roomId, participantId })
      },
      'take-points'(state, { roomId, text: typed, was }) {
        const room = pointsOf(state)?.rooms.find(each => each.roomId === roomId)
        if (!room) return refuse({ code: 'no-report' })
        const text = mergedLines(was, typed, room.points)
        if (text.length > LONGEST_POINTS) return refuse({ code: 'points-too-long', most: LONGEST_POINTS })
        return room.points === text ? nothing : happens({ type: 'points-taken', roomId, text })
      },
      'end-report': state =>
        state.report ? happens(...takingDown(state), { type: 'report-ended' as const }) : nothing,
    },
    evolve: {
      'report-begun': (_state, { secondsEach, onPages, rooms: all }) => ({
        report: {
          secondsEach,
          onPages,
          rooms: all.map(room => ({ ...room, heardAt: null, points: '' })),
          now: null,
        },
      }),
      'room-called': (state, { roomId, endsAt }) =>
        changeReport(state, { now: roomId === null ? null : { roomId, endsAt } }),
      'room-heard': (state, { roomId, heard }, at) =>
        changeRoom(state, roomId, { heardAt: heard ? at : null }),
      'reporter-set': (state, { roomId, participantId }) =>
        changeRoom(state, roomId, { reporterId: participantId }),
      'points-taken': (state, { roomId, text: points }) => {
        const noted = (report: ReportBack) => withRoom(report, roomId, { points })
        return state.report
          ? { report: noted(state.report) }
          : { pastReports: [...state.pastReports.slice(0, -1), ...state.pastReports.slice(-1).map(noted)] }
      },
      'report-ended': over,
      ended: over,
    },
    views: {
      facilitator: state => ({ report: reportShown(state) }),
      projector: state => ({ reporting: reportingNow(state) }),
      participant: (state, me) => ({ reporting: me.admitted && !me.released ? ownReport(state, me) : null }),
    },
    marks: {
      'room-called': (before, { roomId }) => {
        const reporterId = reportingOf(before, roomId ?? '')?.reporterId
        const what = before.participants.get(reporterId ?? '')?.shownName ?? ''
        return roomId === null ? [] : [{ roomId, kind: 'reports', what }]
      },
    },
    words: {
      'no-report': () => 'No report back is going on, or this room is not part of it.',
      'nobody-to-hear': () => 'All rooms were heard.',
      'points-too-long': ({ most }) => `Points of one room have at most ${most} letters.`,
      'too-many-reports': () => `A session has at most ${MOST_REPORTS} report backs.`,
    },
  },
)

const hearing = ({ participants }: DoorState, { roomId, reporterId }: ReportingRoom, heard: boolean) => {
  const personId = participants.get(reporterId ?? '')?.personId ?? null
  return { type: 'room-heard', roomId, heard, participantId: reporterId, personId } as const
}

/** A room is called: its board is put up, and its time begins. */
function calling(state: ReadForReport, roomId: string, now: number) {
  const { report } = state
  const called = { type: 'room-called' as const, roomId, endsAt: now + (report?.secondsEach ?? 0) * 1000 }
  const hasWork = roomsWith(state, { roomId, promptId: null }).length > 0
  if (!hasWork) return [...takingDown(state), called]
  return [{ type: 'put-up' as const, roomId, promptId: null, onPages: report?.onPages ?? false }, called]
}

/** What was put up for the room that reports; anything else stays. */
function takingDown({ report, putUp }: ReadForReport) {
  const isIts = report?.now && putUp?.is === 'work' && putUp.roomId === report.now.roomId
  return isIts ? [{ type: 'taken-down' as const }] : []
}

const changeReport = ({ report }: ReportState, change: Partial<ReportBack>): Partial<ReportState> => ({
  report: report && { ...report, ...change },
})
const changeRoom = (
  { report }: ReportState,
  roomId: string,
  change: Partial<ReportingRoom>,
): Partial<ReportState> => ({ report: report && withRoom(report, roomId, change) })
const withRoom = (report: ReportBack, roomId: string, change: Partial<ReportingRoom>): ReportBack => ({
  ...report,
  rooms: report.rooms.map(room => (room.roomId === roomId ? { ...room, ...change } : room)),
})
/** The report back that points are taken down of: the one that goes on, or the last. */
const pointsOf = ({ report, pastReports }: ReportState) => report ?? pastReports.at(-1)
function over({ report, pastReports }: ReportState): Partial<ReportState> {
  return report ? { report: null, pastReports: [...pastReports, { ...report, now: null }] } : {}
}
