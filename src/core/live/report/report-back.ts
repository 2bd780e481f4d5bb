import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { type Participant, participantList } from '../door/people'
import { idSchema, momentSchema } from '../ids'
import type { PutUpEvent } from '../put-up/put-up'
import type { PutUpState } from '../put-up/things'
import { type ReadForWork, roomsWith } from '../put-up/work'
import { remember } from '../remember'
import { MOST_ROOMS, openRooms, type Room, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import type { RoundsState } from '../rounds/rounds'
import type { SessionEvent } from '../session/session'
import { textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import {
  LONGEST_POINTS,
  LONGEST_REPORT,
  MOST_REPORTS,
  type ReportBack,
  type ReportingRoom,
  SHORTEST_REPORT,
} from './report'

export interface ReportState {
  report: ReportBack | null
  /** Those that are over, in order. */
  pastReports: readonly ReportBack[]
}

export type ReportProblem =
  | { code: 'no-report' }
  | { code: 'nobody-to-hear' }
  | { code: 'points-too-long'; most: number }
  | { code: 'too-many-reports' }

type Read = ReportState & DoorState & ReadForWork & PutUpState & Pick<RoundsState, 'pastRounds'>

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
  needs: Omit<Read, keyof ReportState>
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
      /** Ticks off which reports now, and calls the next that was not heard. */
      'next-room': { by: ['facilitator'], asks: {} },
      'hear-room': { by: ['facilitator'], asks: { roomId: idSchema, heard: z.boolean() } },
      'set-reporter': { by: ['facilitator'], asks: { roomId: idSchema, participantId: idSchema.nullable() } },
      'take-points': { by: ['facilitator'], asks: { roomId: idSchema, text: textSchema } },
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
      'next-room'(state, _command, _by, now) {
        const { report } = state
        if (!report) return refuse({ code: 'no-report' })
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
      'take-points'(state, { roomId, text }) {
        const room = reportingOf(state, roomId)
        if (!room) return refuse({ code: 'no-report' })
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
      'points-taken': (state, { roomId, text }) => changeRoom(state, roomId, { points: text }),
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

const reportingOf = ({ report }: ReportState, roomId: string): ReportingRoom | undefined =>
  report?.rooms.find(room => room.roomId === roomId)

/** The first that was not heard, after the one that reports now. */
function nextOf({ rooms: all, now }: ReportBack): ReportingRoom | undefined {
  const at = all.findIndex(({ roomId }) => roomId === now?.roomId)
  const later = [...all.slice(at + 1), ...all.slice(0, Math.max(0, at))]
  return later.find(({ heardAt }) => heardAt === null)
}

const hearing = ({ participants }: DoorState, { roomId, reporterId }: ReportingRoom, heard: boolean) => {
  const personId = participants.get(reporterId ?? '')?.personId ?? null
  return { type: 'room-heard', roomId, heard, participantId: reporterId, personId } as const
}

/** A room is called: its board is put up, and its time begins. */
function calling(state: Read, roomId: string, now: number) {
  const { report } = state
  const called = { type: 'room-called' as const, roomId, endsAt: now + (report?.secondsEach ?? 0) * 1000 }
  const hasWork = roomsWith(state, { roomId, promptId: null }).length > 0
  if (!hasWork) return [...takingDown(state), called]
  return [{ type: 'put-up' as const, roomId, promptId: null, onPages: report?.onPages ?? false }, called]
}

/** What was put up for the room that reports; anything else stays. */
function takingDown({ report, putUp }: Read) {
  const isIts = report?.now && putUp?.is === 'work' && putUp.roomId === report.now.roomId
  return isIts ? [{ type: 'taken-down' as const }] : []
}

const changeReport = ({ report }: ReportState, change: Partial<ReportBack>): Partial<ReportState> => ({
  report: report && { ...report, ...change },
})
const changeRoom = (state: ReportState, roomId: string, change: Partial<ReportingRoom>) =>
  changeReport(state, {
    rooms: state.report?.rooms.map(room => (room.roomId === roomId ? { ...room, ...change } : room)) ?? [],
  })
function over({ report, pastReports }: ReportState): Partial<ReportState> {
  return report ? { report: null, pastReports: [...pastReports, { ...report, now: null }] } : {}
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
export function roomsToHear(state: Read): RoomToHear[] {
  const open = openRooms(state.rooms)
  const used = open.filter(room => room.used)
  const since = state.pastRounds.at(-1)?.startedAt ?? Number.POSITIVE_INFINITY
  const closed = state.rooms.filter(room => room.closed && room.used && (room.closedAt ?? 0) >= since)
  return (used.length > 0 ? used : closed.length > 0 ? closed : open).map(room => toHear(state, room))
}

const toHear = (state: Read, { id, name }: Room): RoomToHear => ({
  id,
  name,
  peopleIds: participantList(state).flatMap(person => (wasIn(state, person, id) ? [person.id] : [])),
})

/** Whether somebody belongs to a room, or did when it was closed. */
function wasIn(state: Read, person: Participant, roomId: string): boolean {
  const room = roomOf(state, roomId)
  if (!person.admitted || person.released || !room) return false
  return room.closed ? room.lastIds.includes(person.id) : person.roomId === roomId
}

const reportShown = remember((state: Read) => ({
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

export const reportingNow = remember((state: Read): Reporting | null => {
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

function ownReport(state: Read, me: Participant): OwnReport | null {
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
