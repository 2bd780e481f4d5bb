import { z } from 'zod'
import {
  LONGEST_NAME,
  MOST_SEGMENTS,
  minutesSchema,
  newSegment,
  type RunSegment,
  runSegmentSchema,
  SEGMENT_KINDS,
  type SegmentKind,
  segmentName,
  totalMinutes,
} from '../../schedule/running-order'
import type { DoorState } from '../door/door-facts'
import { type Participant, participantList } from '../door/people'
import { idSchema } from '../ids'
import type { MessagesEvent, MessagesState } from '../messages/messages'
import { remember } from '../remember'
import { type RoomSetEvent, type RoomSetProblem, roomSet } from '../room-set/room-set'
import { madeRooms, withRooms } from '../rooms/making'
import { openRooms, type RoomsState, roomOf } from '../rooms/room'
import type { RoomsEvent, RoomsProblem } from '../rooms/rooms'
import { type RoundsEvent, type RoundsProblem, type RoundsState, rounds } from '../rounds/rounds'
import type { SessionEvent, SessionState } from '../session/session'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type Deadline, type EventsOf, happens, nothing, refuse, topic } from '../topic'

/** A segment with what became of it. Times are milliseconds since 1970. */
export interface Running extends RunSegment {
  startedAt: number | null
  endedAt: number | null
  skipped: boolean
  /** The rooms people were in. */
  roomIds: readonly string[]
}

export interface SegmentsState {
  /** Empty where nothing was planned: then rounds are made as they come. */
  segments: Running[]
  /** The segment for which the rooms stand ready; null when they were made otherwise. */
  laidOutFor: string | null
  /** When the session was to begin and how many minutes it may take, or was planned to; null where nothing was planned. */
  startsAt: number | null
  minutesPlanned: number | null
}

export type SegmentsProblem =
  | { code: 'no-such-segment' }
  | { code: 'segment-over' }
  | { code: 'too-many-segments'; most: number }

const events = {
  'segment-begun': { segmentId: idSchema },
  'segment-length-set': { segmentId: idSchema, minutes: minutesSchema },
  'segment-skipped': { segmentId: idSchema, skipped: z.boolean() },
  /** Before the one that is named; null for the end. */
  'segment-moved': { segmentId: idSchema, beforeId: idSchema.nullable() },
  'segment-inserted': { segment: runSegmentSchema, beforeId: idSchema.nullable() },
  /** The rooms of a round that comes stand there, each with who belongs to it and who is awaited in it. */
  'rooms-laid-out': {
    segmentId: idSchema,
    rooms: madeRooms,
    awaited: z.array(z.object({ personId: idSchema, roomId: idSchema })),
  },
}
export type SegmentsEvent = EventsOf<typeof events>

type State = SegmentsState &
  RoomsState &
  DoorState &
  RoundsState &
  MessagesState &
  Pick<SessionState, 'phase' | 'boards' | 'endedAt'>

/** The running order while it runs: what is now, what comes, and going on with one press. */
export const segments = topic<{
  state: SegmentsState
  needs: RoomsState &
    DoorState &
    RoundsState &
    MessagesState &
    Pick<SessionState, 'phase' | 'boards' | 'endedAt'>
  hears: SessionEvent | RoundsEvent | RoomsEvent | RoomSetEvent | MessagesEvent
  problem: SegmentsProblem
  borrows: RoomsProblem | RoundsProblem | RoomSetProblem | TextProblem
}>()(
  {
    initial: { segments: [], laidOutFor: null, startsAt: null, minutesPlanned: null },
    commands: {
      /** `segmentId` is the one that is to begin: pressed by two at once it begins once. `seconds`: a round of another length than planned. */
      'next-segment': {
        by: ['facilitator'],
        asks: { segmentId: idSchema, seconds: z.number().optional() },
      },
      'set-lengths': {
        by: ['facilitator'],
        asks: {
          lengths: z
            .array(z.object({ segmentId: idSchema, minutes: minutesSchema }))
            .min(1)
            .max(MOST_SEGMENTS),
        },
      },
      'skip-segment': { by: ['facilitator'], asks: { segmentId: idSchema, skipped: z.boolean() } },
      'move-segment': { by: ['facilitator'], asks: { segmentId: idSchema, beforeId: idSchema.nullable() } },
      'insert-segment': {
        by: ['facilitator'],
        asks: {
          kind: z.enum(SEGMENT_KINDS),
          name: textSchema,
          minutes: minutesSchema,
          beforeId: idSchema.nullable(),
        },
        fills: { segmentId: 'fresh-id' },
      },
      'say-on-schedule': { by: ['clock'], asks: { segmentId: idSchema, index: z.number() } },
    },
    events,
  },
  {
    decide: {
      'next-segment'(state, { segmentId, seconds }, actor, now) {
        const segment = find(state, segmentId)
        if (!segment) return refuse({ code: 'no-such-segment' })
        if (segment.startedAt !== null) return nothing
        if (state.round) return refuse({ code: 'already-out' })
        const begin = begun(state, segment, now)
        if (segment.kind !== 'rooms') return happens(...begin.events)
        const { minutes, warnings, graceSeconds } = segment
        const out = rounds.decide['send-out'](
          begin.state,
          { type: 'send-out', seconds: seconds ?? minutes * 60 },
          actor,
          now,
        )
        if (!out.ok) return refuse(out.problem)
        return happens(
          ...begin.events,
          ...out.events.map(event =>
            event.type === 'sent-out' ? { ...event, warnings: [...warnings], graceSeconds } : event,
          ),
        )
      },
      'set-lengths'(state, { lengths }) {
        const changed: SegmentsEvent[] = []
        for (const { segmentId, minutes } of lengths) {
          const segment = find(state, segmentId)
          if (!segment) return refuse({ code: 'no-such-segment' })
          // The round that runs has a clock of its own.
          if (segment.endedAt !== null || (segment.startedAt !== null && segment.kind === 'rooms'))
            return refuse({ code: 'segment-over' })
          if (segment.minutes !== minutes) changed.push({ type: 'segment-length-set', segmentId, minutes })
        }
        return happens(...changed)
      },
      'skip-segment'(state, { segmentId, skipped }) {
        const segment = find(state, segmentId)
        if (!segment) return refuse({ code: 'no-such-segment' })
        if (segment.startedAt !== null) return refuse({ code: 'segment-over' })
        if (segment.skipped === skipped) return nothing
        return happens(...withLayout(state, { type: 'segment-skipped', segmentId, skipped }))
      },
      'move-segment'(state, { segmentId, beforeId }) {
        const segment = find(state, segmentId)
        const before = beforeId === null ? null : find(state, beforeId)
        if (!segment || before === undefined) return refuse({ code: 'no-such-segment' })
        if (segment.startedAt !== null || (before && before.startedAt !== null))
          return refuse({ code: 'segment-over' })
        if (segmentId === beforeId) return nothing
        return happens(...withLayout(state, { type: 'segment-moved', segmentId, beforeId }))
      },
      'insert-segment'(state, { kind, name, minutes, beforeId, segmentId }) {
        const before = beforeId === null ? null : find(state, beforeId)
        if (before === undefined) return refuse({ code: 'no-such-segment' })
        if (before && before.startedAt !== null) return refuse({ code: 'segment-over' })
        if (state.segments.length >= MOST_SEGMENTS)
          return refuse({ code: 'too-many-segments', most: MOST_SEGMENTS })
        const problem = name.trim() === '' ? undefined : textProblem(name, LONGEST_NAME)
        if (problem) return refuse(problem)
        const { boardId: _, ...usual } = newSegment(segmentId, kind)
        const segment = { ...usual, name: name.trim(), minutes, groups: { from: 'live' as const }, board: 0 }
        return happens(...withLayout(state, { type: 'segment-inserted', segment, beforeId }))
      },
      'say-on-schedule'(state, { segmentId, index }) {
        const segment = find(state, segmentId)
        const say = segment?.says[index]
        const messageId = sayId(segmentId, index)
        if (!say || state.messages.some(({ id }) => id === messageId)) return nothing
        return happens({ type: 'broadcast', messageId, text: say.text, from: 'On schedule' })
      },
    },
    follows: {
      opened: state => {
        const [first] = state.segments
        return first && first.kind !== 'rooms' ? begun(state, first, 0).events : []
      },
      // With the whole group again: what is planned for them goes on by itself, everything else waits to be begun.
      'round-ended': state => {
        const next = nextOf(state)
        if (state.phase !== 'open' || !next) return []
        return next.kind === 'whole' ? begun(state, next, 0).events : layout(state)
      },
    },
    evolve: {
      opened: (_state, { plan }) => {
        const all = (plan.segments ?? []).map(fresh)
        const next = all.find(({ kind }) => kind === 'rooms')
        return {
          segments: all,
          laidOutFor: next?.groups.from === 'plan' ? next.id : null,
          startsAt: plan.startsAt ?? null,
          minutesPlanned: plan.minutes ?? (all.length > 0 ? totalMinutes(all) : null),
          boardToCome: next?.board ?? 0,
        }
      },
      'segment-begun': (state, { segmentId }, at) => beginning(state, segmentId, at),
      'segment-length-set': (state, { segmentId, minutes }) => changed(state, segmentId, () => ({ minutes })),
      'segment-skipped': (state, { segmentId, skipped }) => changed(state, segmentId, () => ({ skipped })),
      'segment-moved': (state, { segmentId, beforeId }) => {
        const moved = find(state, segmentId)
        return moved
          ? inserted(
              state,
              state.segments.filter(one => one !== moved),
              moved,
              beforeId,
            )
          : {}
      },
      'segment-inserted': (state, { segment, beforeId }) =>
        inserted(state, state.segments, fresh(segment), beforeId),
      'rooms-laid-out': (state, { segmentId, rooms, awaited }, at) => {
        const roomOfPerson = new Map(awaited.map(({ personId, roomId }) => [personId, roomId]))
        return {
          ...withRooms(state, rooms, at),
          laidOutFor: segmentId,
          expected: state.expected.map(person => ({
            ...person,
            roomId: roomOfPerson.get(person.personId) ?? null,
          })),
        }
      },
      'rooms-undone': () => ({ laidOutFor: null }),
      'round-ended': (state, _event, at) => ended(state, at, true),
      ended: (state, _event, at) => ended(state, at, false),
      reopened: state => ({
        segments: state.segments.map(one =>
          one.endedAt !== null && one.endedAt === state.endedAt ? { ...one, endedAt: null } : one,
        ),
      }),
    },
    due: onSchedule,
    views: {
      facilitator: state => ({ order: orderOf(state) }),
      participant: (state, me) => ({ program: me.admitted ? programOf(state.segments) : null }),
      projector: state => ({ program: programOf(state.segments), shown: shownNow(state) }),
    },
    words: {
      'no-such-segment': () => 'This segment is not part of the session any more.',
      'segment-over': () => 'This segment has begun already.',
      'too-many-segments': ({ most }) => `A session has at most ${most} segments.`,
    },
  },
)

/** An event of the running order, followed by the rooms of the round that comes, if they are known. */
type Made = SegmentsEvent | RoomSetEvent

const fresh = (segment: RunSegment): Running => ({
  ...segment,
  startedAt: null,
  endedAt: null,
  skipped: false,
  roomIds: [],
})

const find = (state: SegmentsState, segmentId: string) => state.segments.find(({ id }) => id === segmentId)

/** The segment that runs now. */
export const currentOf = ({ segments: all }: Pick<SegmentsState, 'segments'>): Running | undefined =>
  all.findLast(({ startedAt, endedAt }) => startedAt !== null && endedAt === null)

/** The first that has not begun and is not skipped. */
export const nextOf = ({ segments: all }: Pick<SegmentsState, 'segments'>): Running | undefined =>
  all.find(({ startedAt, skipped }) => startedAt === null && !skipped)

/** The round that runs, or else the next there will be: rooms that are made now are for it. */
const roundToCome = ({ segments: all }: SegmentsState): Running | undefined =>
  all.find(one => one.kind === 'rooms' && one.startedAt !== null && one.endedAt === null) ??
  all.find(one => one.kind === 'rooms' && one.startedAt === null && !one.skipped)

function changed(
  state: State,
  segmentId: string,
  change: (segment: Running) => Partial<Running>,
): Partial<State> {
  return withBoard(
    state,
    state.segments.map(one => (one.id === segmentId ? { ...one, ...change(one) } : one)),
  )
}

const withBoard = (state: State, all: Running[]): Partial<State> => ({
  segments: all,
  boardToCome: roundToCome({ ...state, segments: all })?.board ?? state.boardToCome,
})

function inserted(state: State, all: Running[], segment: Running, beforeId: string | null): Partial<State> {
  const place = beforeId === null ? all.length : all.findIndex(({ id }) => id === beforeId)
  return place < 0 ? {} : withBoard(state, [...all.slice(0, place), segment, ...all.slice(place)])
}

/** Whatever ran before ends where another begins. */
function beginning(state: State, segmentId: string, at: number): Partial<State> {
  const roomIds = openRooms(state.rooms).map(({ id }) => id)
  return withBoard(
    state,
    state.segments.map(one => {
      if (one.id === segmentId)
        return { ...one, startedAt: at, skipped: false, roomIds: one.kind === 'rooms' ? roomIds : [] }
      return one.startedAt !== null && one.endedAt === null ? { ...one, endedAt: at } : one
    }),
  )
}

/** What runs is over; with a round only the segment that it was. */
function ended(state: State, at: number, isRound: boolean): Partial<State> {
  const running = currentOf(state)
  if (!running || (isRound && (!state.round || running.kind !== 'rooms'))) return {}
  return changed(state, running.id, () => ({ endedAt: at }))
}

/** A segment begins; where it is not a round itself, the rooms of the next are laid out. */
function begun(state: State, { id, kind }: Running, now: number): { events: Made[]; state: State } {
  const event: SegmentsEvent = { type: 'segment-begun', segmentId: id }
  const after = { ...state, ...beginning(state, id, now) }
  return { events: kind === 'rooms' ? [event] : [event, ...layout(after)], state: after }
}

function withLayout(state: State, event: SegmentsEvent): Made[] {
  const after = { ...state, ...segments.evolve[event.type](state, event as never, 0) } as State
  return [event, ...layout(after)]
}

/**
 * The rooms of the round that comes next: as planned, or as in an earlier segment, on the same boards where it works on the same
 * one; groups that were made here go on, on boards of their own where the next round has another.
 */
function layout(state: State): Made[] {
  const next = nextOf(state)
  if (next?.kind !== 'rooms' || state.round || state.laidOutFor === next.id) return []
  if (next.groups.from === 'plan')
    return [
      laidOut(
        state,
        next,
        next.groups.rooms.map(({ personIds, ...room }) => ({ room, personIds })),
      ),
    ]
  const from = next.groups
  const ids =
    from.from === 'earlier'
      ? (find(state, from.segmentId)?.roomIds ?? [])
      : openRooms(state.rooms).map(({ id }) => id)
  const before = ids.flatMap(id => roomOf(state, id) ?? [])
  if (before.length === 0) return []
  if (before.every(({ board = 0 }) => board === next.board)) {
    if (from.from === 'live') return []
    const again = roomSet.decide['reopen-rooms'](
      state,
      { type: 'reopen-rooms', roomIds: before.map(({ id }) => id), instead: true },
      { kind: 'facilitator', accountId: '', name: '' },
      0,
    )
    return again.ok ? again.events.filter(isRoomSetEvent) : []
  }
  const people = participantList(state)
  const own = before.map(({ id, name, closed, lastIds }, index) => ({
    room: { id: `${next.id}-${index}`, copyId: `${next.id}-${index}`, name },
    personIds: awaitedIn(state, id, from),
    participantIds: closed ? lastIds : people.filter(({ roomId }) => roomId === id).map(one => one.id),
  }))
  return [laidOut(state, next, own)]
}

/** Those of the list who are not here and would have been in a room. */
function awaitedIn(state: State, roomId: string, from: RunSegment['groups']): string[] {
  const planned = from.from === 'earlier' ? find(state, from.segmentId)?.groups : undefined
  const ids = new Set([
    ...state.expected.flatMap(person => (person.roomId === roomId ? [person.personId] : [])),
    ...((planned?.from === 'plan' ? planned.rooms.find(({ id }) => id === roomId)?.personIds : undefined) ??
      []),
  ])
  for (const { personId } of participantList(state)) if (personId !== null) ids.delete(personId)
  return [...ids]
}

const isRoomSetEvent = (event: { type: string }): event is RoomSetEvent => event.type.startsWith('room')

interface ToLayOut {
  room: { id: string; copyId: string; name: string }
  personIds: readonly string[]
  participantIds?: readonly string[]
}

function laidOut(state: State, { id, board }: Running, all: readonly ToLayOut[]): SegmentsEvent {
  const here = new Map(
    participantList(state).flatMap((one): [string, Participant][] =>
      one.personId === null ? [] : [[one.personId, one]],
    ),
  )
  const present = new Set(participantList(state).map(one => one.id))
  return {
    type: 'rooms-laid-out',
    segmentId: id,
    rooms: all.map(({ room, personIds, participantIds = [] }) => ({
      ...room,
      ...(board !== 0 && { board }),
      participantIds: [
        ...personIds.flatMap(personId => here.get(personId)?.id ?? []),
        ...participantIds.filter(participantId => present.has(participantId)),
      ],
    })),
    awaited: all.flatMap(({ room, personIds }) => personIds.map(personId => ({ personId, roomId: room.id }))),
  }
}

const sayId = (segmentId: string, index: number) => `${segmentId}-${index}`

/** What is to be said in the round that runs, by its own clock. */
function onSchedule(state: State): Deadline<{ type: 'say-on-schedule'; segmentId: string; index: number }>[] {
  const { round, phase } = state
  const now = currentOf(state)
  if (!round || round.graceEndsAt !== null || phase !== 'open' || now?.kind !== 'rooms') return []
  const said = new Set(state.messages.map(({ id }) => id))
  return now.says
    .flatMap(({ when, minutes }, index) => {
      const at =
        when === 'half'
          ? (round.startedAt + round.endsAt) / 2
          : when === 'after-start'
            ? round.startedAt + minutes * 60_000
            : round.endsAt - minutes * 60_000
      const fits = at >= round.startedAt && at < round.endsAt && !said.has(sayId(now.id, index))
      return fits ? [{ at, command: { type: 'say-on-schedule' as const, segmentId: now.id, index } }] : []
    })
    .sort((one, other) => one.at - other.at)
}

/** The running order as facilitators see it. */
export interface OrderView {
  segments: {
    id: string
    kind: SegmentKind
    name: string
    minutes: number
    cues: string
    startedAt: number | null
    endedAt: number | null
    skipped: boolean
  }[]
  startsAt: number | null
  minutesPlanned: number | null
}

const segmentsOf = remember((all: Running[]): OrderView['segments'] =>
  all.map(segment => {
    const { id, kind, minutes, cues, startedAt, endedAt, skipped } = segment
    return { id, kind, name: segmentName(segment), minutes, cues, startedAt, endedAt, skipped }
  }),
)
const orderOf = ({ segments: all, startsAt, minutesPlanned }: SegmentsState): OrderView | null =>
  all.length > 0 ? { segments: segmentsOf(all), startsAt, minutesPlanned } : null

/** What is now and what comes, for everybody. */
export interface Program {
  now: { kind: SegmentKind; name: string } | null
  next: { kind: SegmentKind; name: string; minutes: number } | null
}

const programOf = remember((all: Running[]): Program => {
  const [now, next] = [currentOf({ segments: all }), nextOf({ segments: all })]
  return {
    now: now ? { kind: now.kind, name: segmentName(now) } : null,
    next: next ? { kind: next.kind, name: segmentName(next), minutes: next.minutes } : null,
  }
})

const shownNow = (state: SegmentsState): string => currentOf(state)?.shown ?? ''
