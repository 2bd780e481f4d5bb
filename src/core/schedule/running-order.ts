/**
 * The running order: the segments of a session one after the other. Planned as a list, changed by small steps that give a new
 * list and leave the old one as it was. Lengths in whole minutes.
 */
import { z } from 'zod'
import { MOST_READY, readyQuestionSchema } from './ready-question'
import { placesSchema, rolesRuleSchema, termsSchema } from './terms'

export const SEGMENT_KINDS = ['whole', 'rooms', 'break'] as const
export type SegmentKind = (typeof SEGMENT_KINDS)[number]

/** Most segments of a session, and the longest of one, in minutes. */
export const MOST_SEGMENTS = 40
export const LONGEST_SEGMENT = 240
/** Longest name of a segment, and of what facilitators wrote for themselves or the projector shows, in characters. */
export const LONGEST_NAME = 60
export const LONGEST_CUES = 2_000
export const LONGEST_SHOWN = 300
/** Most broadcasts on schedule in one segment. */
export const MOST_SAYS = 10

/** Most prompts of a board that can be open, and most stations of one segment. */
const MOST_PARTS = 100
export const MOST_STATIONS = 20
/** Most boards of one session. */
export const MOST_BOARDS = 100

const shortId = z.string().min(1).max(40)
export const minutesSchema = z.number().int().min(1).max(LONGEST_SEGMENT)

/** When a broadcast on schedule is said: so many minutes after people are out, before the end, or half way. */
export const saySchema = z.object({
  when: z.enum(['after-start', 'before-end', 'half']),
  minutes: z.number().int().min(0).max(LONGEST_SEGMENT),
  text: z.string().min(1).max(500),
})
export type Say = z.infer<typeof saySchema>

/** What every segment says for itself, in the plan and while it runs. */
const partsOfAll = {
  /** Shorter than other ids: what is said on schedule is named after it. */
  id: z.string().min(1).max(36),
  kind: z.enum(SEGMENT_KINDS),
  name: z.string().max(LONGEST_NAME),
  minutes: minutesSchema,
  /** For facilitators only. */
  cues: z.string().max(LONGEST_CUES),
  /** On the projector meanwhile; empty for what it shows anyway. */
  shown: z.string().max(LONGEST_SHOWN),
  /** Warnings before the end of a round, in seconds, longest first. */
  warnings: z.array(z.number().int().min(10).max(3_600)).max(4),
  graceSeconds: z.number().int().min(0).max(600),
  says: z.array(saySchema).max(MOST_SAYS),
  /** How people go into rooms, and what they may do by themselves; plans of before say nothing: moved at once. */
  terms: termsSchema.optional(),
  /** Which parts of the boards are open, by prompt id; absent for all. */
  parts: z.array(shortId).max(MOST_PARTS).optional(),
  roles: rolesRuleSchema.optional(),
  /** Stations stay in their rooms with what the groups before left there; absent where each group finds them blank. */
  asLeft: z.boolean().optional(),
  /** Questions that are asked by one press while it runs. */
  questions: z.array(readyQuestionSchema).max(MOST_READY).optional(),
}

/** Names of rooms to choose from. */
const chosenRooms = z.array(z.string().trim().min(1).max(LONGEST_NAME)).min(1).max(100)

/** Where the groups of a round come from: made in the session, from a round of a kept grouping, as in an earlier segment, or by choice. */
export const groupsFromSchema = z.discriminatedUnion('from', [
  z.object({ from: z.literal('live') }),
  z.object({ from: z.literal('grouping'), groupingId: shortId, round: z.number().int().min(0).max(99) }),
  z.object({ from: z.literal('earlier'), segmentId: shortId }),
  /** The groups of an earlier segment, each in the next room: a rotation's next step. */
  z.object({ from: z.literal('next-step'), segmentId: shortId }),
  /** By choice, from when everybody is together before the round. */
  z.object({ from: z.literal('choice'), rooms: chosenRooms, ...placesSchema.shape }),
])
export type GroupsFrom = z.infer<typeof groupsFromSchema>

export const segmentSchema = z.object({
  ...partsOfAll,
  groups: groupsFromSchema,
  /** Null where rooms have nothing written to work on. */
  boardId: shortId.nullable(),
  /** Stations: boards by the place of the room, one after the other; absent where all work on the same. */
  stations: z.array(shortId).min(1).max(MOST_STATIONS).optional(),
})
export type Segment = z.infer<typeof segmentSchema>

/** A segment as a session runs it: with its rooms, as far as they are known beforehand. */
export const runSegmentSchema = z.object({
  ...partsOfAll,
  groups: z.discriminatedUnion('from', [
    z.object({ from: z.literal('live') }),
    z.object({ from: z.literal('earlier'), segmentId: shortId }),
    z.object({
      from: z.literal('plan'),
      rooms: z.array(
        z.object({ id: shortId, name: z.string(), copyId: shortId, personIds: z.array(shortId) }),
      ),
    }),
    z.object({ from: z.literal('next-step'), segmentId: shortId }),
    z.object({
      from: z.literal('choice'),
      rooms: z.array(z.object({ id: shortId, name: z.string(), copyId: shortId })),
      ...placesSchema.shape,
    }),
  ]),
  /** Which of the session's boards its rooms work on, from 0. */
  board: z.number().int().min(0).max(MOST_BOARDS),
  /** Stations: which by the place of the room; absent where all rooms work on `board`. */
  boards: z.array(z.number().int().min(0).max(MOST_BOARDS)).min(1).max(MOST_STATIONS).optional(),
})
export type RunSegment = z.infer<typeof runSegmentSchema>

export const runningOrderSchema = z
  .array(segmentSchema)
  .max(MOST_SEGMENTS, `A session has at most ${MOST_SEGMENTS} segments.`)
  .refine(order => new Set(order.map(({ id }) => id)).size === order.length, 'Two segments have the same id.')
  .refine(order => boardIdsOf(order).size < MOST_BOARDS, `A plan uses fewer than ${MOST_BOARDS} boards.`)

/** All boards a plan names. */
export const boardIdsOf = (order: readonly Pick<Segment, 'kind' | 'boardId' | 'stations'>[]): Set<string> =>
  new Set(
    order.flatMap(({ kind, boardId, stations }) =>
      kind === 'rooms' ? (stations ?? (boardId === null ? [] : [boardId])) : [],
    ),
  )

const WORDS: Record<SegmentKind, string> = { whole: 'Whole group', rooms: 'Rooms', break: 'Break' }
/** What a segment is called: by its own name, or else by what it is. */
export const segmentName = ({ name, kind }: Pick<Segment, 'name' | 'kind'>): string =>
  name.trim() || WORDS[kind]

/** A new segment: the usual lengths are common practice, no source. */
export const newSegment = (id: string, kind: SegmentKind): Segment => ({
  id,
  kind,
  name: '',
  minutes: kind === 'rooms' ? 12 : kind === 'break' ? 10 : 8,
  cues: '',
  shown: '',
  warnings: [300, 60],
  graceSeconds: 60,
  says: [],
  groups: { from: 'live' },
  boardId: null,
})

/** Sum of the lengths, in minutes. */
export const totalMinutes = (order: readonly Pick<Segment, 'minutes'>[]): number =>
  order.reduce((sum, { minutes }) => sum + minutes, 0)

/** When each segment begins and ends, in minutes from the beginning of the session. */
export function timesOf(order: readonly Pick<Segment, 'minutes'>[]): { from: number; to: number }[] {
  let at = 0
  return order.map(({ minutes }) => {
    const from = at
    at += minutes
    return { from, to: at }
  })
}

const bounded = (minutes: number) => Math.max(1, Math.min(LONGEST_SEGMENT, Math.round(minutes)))

/** The order with a segment of another length, kept between a minute and the longest. */
export const withLength = <S extends Pick<Segment, 'id' | 'minutes'>>(
  order: readonly S[],
  segmentId: string,
  minutes: number,
): S[] =>
  order.map(segment =>
    segment.id === segmentId && Number.isFinite(minutes)
      ? { ...segment, minutes: bounded(minutes) }
      : segment,
  )

/** The order with a segment moved to stand at a place, from 0; beyond the ends it stands first or last. */
export function withMoved<S extends { id: string }>(order: readonly S[], segmentId: string, to: number): S[] {
  const moved = order.find(({ id }) => id === segmentId)
  if (!moved) return [...order]
  const others = order.filter(segment => segment !== moved)
  const place = Math.max(0, Math.min(others.length, to))
  return [...others.slice(0, place), moved, ...others.slice(place)]
}

/** The order without a segment; whoever took their groups from it makes them in the session. */
export const without = (order: readonly Segment[], segmentId: string): Segment[] =>
  order
    .filter(({ id }) => id !== segmentId)
    .map(segment =>
      'segmentId' in segment.groups && segment.groups.segmentId === segmentId
        ? { ...segment, groups: { from: 'live' } }
        : segment,
    )

/** A grouping of several rounds as an order: each round in rooms, with the whole group before it and after the last. */
export function orderOfRounds(
  ids: () => string,
  rounds: number,
  round: (index: number) => Partial<Segment>,
): Segment[] {
  const order = Array.from({ length: rounds }, (_, index): Segment[] => [
    { ...newSegment(ids(), 'whole'), name: index === 0 ? 'Welcome' : '' },
    { ...newSegment(ids(), 'rooms'), name: `Round ${index + 1}`, ...round(index) },
  ]).flat()
  return [...order, { ...newSegment(ids(), 'whole'), name: 'Report back' }]
}
