/** What is kept of the running order, and how it changes. */
import { z } from 'zod'
import { minutesSchema, type RunSegment, runSegmentSchema } from '../../schedule/running-order'
import { MOVED_AT_ONCE } from '../../schedule/terms'
import type { DoorState } from '../door/door-facts'
import { idSchema } from '../ids'
import type { MessagesState } from '../messages/message'
import type { MovesState } from '../moves/terms'
import type { OfficeState } from '../office/office-facts'
import type { RolesState } from '../roles/roles-facts'
import { madeRooms } from '../rooms/making'
import { openRooms, type RoomsState } from '../rooms/room'
import type { RoundsState } from '../rounds/rounds'
import type { SessionState } from '../session/session'
import type { EventsOf } from '../topic'

/** A segment with what became of it. Times are milliseconds since 1970. */
export interface Running extends RunSegment {
  startedAt: number | null
  endedAt: number | null
  skipped: boolean
  /** The rooms there were, also those that nobody entered: a station stays one when its group has not come. */
  roomIds: readonly string[]
  roomNames: readonly string[]
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

const awaitedSchema = z.array(z.object({ personId: idSchema, roomId: idSchema }))
/** What can happen to it. */
export const events = {
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
    awaited: awaitedSchema,
  },
  /** Who of the list has not come is awaited in rooms that are open again. */
  'people-awaited': { awaited: awaitedSchema },
}
export type SegmentsEvent = EventsOf<typeof events>

/** All that the running order reads and changes. */
export type State = SegmentsState &
  RoomsState &
  DoorState &
  RoundsState &
  MessagesState &
  MovesState &
  OfficeState &
  RolesState &
  Pick<SessionState, 'phase' | 'boards' | 'endedAt'>

/** A segment of which nothing has happened yet. */
export const fresh = (segment: RunSegment): Running => ({
  ...segment,
  startedAt: null,
  endedAt: null,
  skipped: false,
  roomIds: [],
  roomNames: [],
})

/** The segment of this id. O(segments). */
export const find = (state: SegmentsState, segmentId: string) =>
  state.segments.find(({ id }) => id === segmentId)

/** The segment that runs now. */
export const currentOf = ({ segments: all }: Pick<SegmentsState, 'segments'>): Running | undefined =>
  all.findLast(({ startedAt, endedAt }) => startedAt !== null && endedAt === null)

/** The first that has not begun and is not skipped. */
export const nextOf = ({ segments: all }: Pick<SegmentsState, 'segments'>): Running | undefined =>
  all.find(({ startedAt, skipped }) => startedAt === null && !skipped)

/** The round that runs, or else the next there will be: rooms that are made now are for it. */
export const roundToCome = ({ segments: all }: Pick<SegmentsState, 'segments'>): Running | undefined =>
  all.find(one => one.kind === 'rooms' && one.startedAt !== null && one.endedAt === null) ??
  all.find(one => one.kind === 'rooms' && one.startedAt === null && !one.skipped)

/** The state with one segment changed; without it, as it was. */
export function changed(
  state: State,
  segmentId: string,
  change: (segment: Running) => Partial<Running>,
): Partial<State> {
  return withRound(state.segments.map(one => (one.id === segmentId ? { ...one, ...change(one) } : one)))
}

/** The state with other segments: what stands ready is for the round that comes. */
export function withRound(all: Running[]): Partial<State> {
  const round = roundToCome({ segments: all })
  return { segments: all, ...(round && toCome(round)) }
}

/** What stands ready for a round: the boards of its rooms, which parts of them are open, its terms and its roles. */
export const toCome = ({ board, boards, parts, terms, roles }: Running): Partial<State> => ({
  boardsToCome: boards ?? [board],
  partsOpen: parts ?? null,
  terms: terms ?? MOVED_AT_ONCE,
  rolesRule: roles ?? null,
})

/** The state with a segment put in before another, or at the end. */
export function inserted(all: Running[], segment: Running, beforeId: string | null): Partial<State> {
  const place = beforeId === null ? all.length : all.findIndex(({ id }) => id === beforeId)
  return place < 0 ? {} : withRound([...all.slice(0, place), segment, ...all.slice(place)])
}

/** Whatever ran before ends where another begins. */
export function beginning(state: State, segmentId: string, at: number): Partial<State> {
  const rooms = openRooms(state.rooms)
  return withRound(
    state.segments.map(one => {
      if (one.id === segmentId)
        return {
          ...one,
          startedAt: at,
          skipped: false,
          roomIds: one.kind === 'rooms' ? rooms.map(({ id }) => id) : [],
          roomNames: one.kind === 'rooms' ? rooms.map(({ name }) => name) : [],
        }
      return one.startedAt !== null && one.endedAt === null ? { ...one, endedAt: at } : one
    }),
  )
}

/** What runs is over; with a round only the segment that it was. */
export function ended(state: State, at: number, isRound: boolean): Partial<State> {
  const running = currentOf(state)
  if (!running || (isRound && (!state.round || running.kind !== 'rooms'))) return {}
  return changed(state, running.id, () => ({ endedAt: at }))
}

/** What a facilitator says of the round that comes, or runs, stands in its segment as well. */
export function ofRound(state: State, change: Partial<Running>): Partial<State> {
  const round = roundToCome(state)
  return round ? changed(state, round.id, () => change) : {}
}
