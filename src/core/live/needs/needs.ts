/**
 * Which room needs a facilitator next, and why. Worked out of what is known of all rooms at a moment; nothing of it is kept
 * or leaves the facilitators' pages. What counts as a reason, and for how much, is common practice of people who walk from
 * group to group (no published source): a call comes before all else, then whoever is alone, then what differs from the
 * other rooms.
 */
import { medianOfOthers } from '../../statistics/spread'
import type { Signal } from '../signals/signal'

/** Every reason, in the order in which they are explained. */
export const REASON_KINDS = [
  'help',
  'alone',
  'missing',
  'signals',
  'silent',
  'behind',
  'done-early',
  'one-writes',
  'unvisited',
] as const
export type ReasonKind = (typeof REASON_KINDS)[number]

/** Somebody in a room, and what they show. */
export interface PersonFacts {
  id: string
  shownName: string
  connected: boolean
  /** Who has none writes on another's: nothing is said of how much. */
  hasDevice: boolean
  seenAt: number
  signal?: Signal | null
}

/** What is known of a room with people in it, in a round. Times in milliseconds since 1970. */
export interface RoomFacts {
  roomId: string
  people: readonly PersonFacts[]
  /** Since when it calls for help; null when it does not. */
  calledAt: number | null
  /** When somebody last visited, in this session; null for never. */
  visitedAt: number | null
  /** Somebody visits now. */
  isVisited: boolean
  /** When anything was last written; null for never. */
  writtenAt: number | null
  /** Which board it works on: only rooms on the same are compared by what they have begun. */
  board: number
  /** So many prompts it can work on, and so many it has begun. */
  prompts: number
  begun: number
  /** It says it is done with all that is open. */
  done: boolean
  /** How much each of those who wrote has changed, by participant id. */
  edits: Readonly<Record<string, number>>
}

export type Reason =
  | { kind: 'help'; points: number; since: number }
  | { kind: 'alone'; points: number; who: string }
  | { kind: 'missing'; points: number; missing: number; of: number }
  | { kind: 'signals'; points: number; lost: number; hands: number }
  | { kind: 'silent'; points: number; since: number }
  | { kind: 'behind'; points: number; prompts: number }
  | { kind: 'done-early'; points: number; left: number }
  | { kind: 'one-writes'; points: number; who: string; percent: number }
  | { kind: 'unvisited'; points: number; since: number }

export interface RoomNeed {
  roomId: string
  /** The sum of its reasons' points; 0 for a room that needs nobody. */
  points: number
  /** The weightiest first. */
  reasons: Reason[]
}

/**
 * What a reason counts: from its first moment, more as it grows, and at most. A call counts more than all others together,
 * so that it always comes first.
 */
export const POINTS: Record<ReasonKind, { from: number; grows: number; most: number }> = {
  /** Grows by the minute it waits. */
  help: { from: 300, grows: 10, most: 500 },
  alone: { from: 60, grows: 0, most: 60 },
  /** Grows by the share of the room that is missing: half of it is half of this. */
  missing: { from: 20, grows: 30, most: 50 },
  /** Grows by each further person who is lost or wants to speak. */
  signals: { from: 20, grows: 10, most: 50 },
  /** Grows by the minute beyond `SILENT_MS`. */
  silent: { from: 20, grows: 4, most: 40 },
  /** Grows by the prompt beyond `BEHIND`. */
  behind: { from: 15, grows: 5, most: 30 },
  'done-early': { from: 25, grows: 0, most: 25 },
  'one-writes': { from: 20, grows: 0, most: 20 },
  /** Grows by the minute beyond `UNVISITED_MS`. */
  unvisited: { from: 10, grows: 1, most: 20 },
}

const MINUTE = 60_000
/** Without a line for so long, somebody is missing: a phone that was locked comes back sooner. */
export const MISSING_MS = MINUTE
/** Nothing written for so long, and for so many times as long as in the room in the middle, a room is silent. */
export const SILENT_MS = 2 * MINUTE
const SILENT_TIMES = 3
/** So many prompts fewer begun than in the room in the middle. */
export const BEHIND = 2
/** Done while at least so much is left, and most others are not. */
export const LEFT_MS = 2 * MINUTE
const LEFT_SHARE = 0.25
/** One person wrote at least so much of it, of at least so many changes, with at least so many people there. */
export const ONE_WRITES = 0.8
const ENOUGH_EDITS = 20
const ENOUGH_PEOPLE = 3
/** So long without a visit. */
export const UNVISITED_MS = 6 * MINUTE
/** A room is compared only with at least so many others. */
const ENOUGH_OTHERS = 2

interface RoundFacts {
  startedAt: number
  endsAt: number
}

/**
 * Rooms in a round by need: the most points first; of two with as many the one whose visit is longest ago, then the one
 * that stands first. Reasons of the kinds in `off` do not count. Rooms with nobody in them need nobody.
 * O(rooms log rooms + people).
 */
export function needsOf(
  rooms: readonly RoomFacts[],
  round: RoundFacts,
  now: number,
  off: ReadonlySet<ReasonKind> = new Set(),
): RoomNeed[] {
  const others = comparisons(rooms, round, now)
  return rooms
    .map(room => {
      const reasons = reasonsOf(room, others, round, now)
        .filter(({ kind }) => !off.has(kind))
        .sort((one, other) => other.points - one.points)
      const points = reasons.reduce((sum, reason) => sum + reason.points, 0)
      return { need: { roomId: room.roomId, points, reasons }, visitedAt: room.visitedAt ?? 0 }
    })
    .sort((one, other) => other.need.points - one.need.points || one.visitedAt - other.visitedAt)
    .map(({ need }) => need)
}

/** How it stands in all rooms, to compare one with. */
interface Comparison {
  /** By board: how many prompts rooms on it have begun, in order; of each room once. */
  begun: ReadonlyMap<number, number[]>
  /** How long nothing was written, in order. */
  gaps: number[]
  done: number
  rooms: number
}

function comparisons(rooms: readonly RoomFacts[], round: RoundFacts, now: number): Comparison {
  const peopled = rooms.filter(({ people, prompts }) => people.length > 0 && prompts > 0)
  const begun = new Map<number, number[]>()
  for (const room of inOrder(peopled, each => each.begun)) {
    const before = begun.get(room.board)
    if (before) before.push(room.begun)
    else begun.set(room.board, [room.begun])
  }
  const gaps = peopled.filter(({ done }) => !done).map(room => gapOf(room, round, now))
  return {
    begun,
    gaps: inOrder(gaps, gap => gap),
    done: peopled.filter(({ done }) => done).length,
    rooms: peopled.length,
  }
}

/** How long nothing was written, since the round began at the longest. */
const gapOf = ({ writtenAt }: RoomFacts, { startedAt }: RoundFacts, now: number): number =>
  Math.max(0, now - Math.max(writtenAt ?? 0, startedAt))

function reasonsOf(room: RoomFacts, others: Comparison, round: RoundFacts, now: number): Reason[] {
  const { people } = room
  const reasons: Reason[] = []
  if (room.calledAt !== null)
    reasons.push({
      kind: 'help',
      points: pointsOf('help', (now - room.calledAt) / MINUTE),
      since: room.calledAt,
    })
  if (people.length === 0) return reasons
  const [first] = people
  if (people.length === 1 && first)
    reasons.push({ kind: 'alone', points: pointsOf('alone'), who: first.shownName })
  // Who has said that they are out for a moment is not missed.
  const missing = people.filter(
    ({ connected, seenAt, signal }) => !connected && now - seenAt >= MISSING_MS && signal !== 'stepped-out',
  ).length
  if (missing > 0)
    reasons.push({
      kind: 'missing',
      points: pointsOf('missing', missing / people.length),
      missing,
      of: people.length,
    })
  const showing = (wanted: Signal) => people.filter(({ signal }) => signal === wanted).length
  const [lost, hands] = [showing('lost'), showing('hand')]
  if (lost + hands > 0)
    reasons.push({ kind: 'signals', points: pointsOf('signals', lost + hands - 1), lost, hands })
  reasons.push(...workReasons(room, others, round, now))
  const since = Math.max(room.visitedAt ?? 0, round.startedAt)
  if (!room.isVisited && now - since >= UNVISITED_MS)
    reasons.push({
      kind: 'unvisited',
      points: pointsOf('unvisited', (now - since - UNVISITED_MS) / MINUTE),
      since,
    })
  return reasons
}

/** Reasons that lie in how a room's work stands against the others'. */
function workReasons(room: RoomFacts, others: Comparison, round: RoundFacts, now: number): Reason[] {
  if (room.prompts === 0) return []
  const left = round.endsAt - now
  if (room.done) {
    const isFirst = (others.done - 1) * 2 < others.rooms - 1
    const isEarly = left >= LEFT_MS && left >= LEFT_SHARE * (round.endsAt - round.startedAt)
    if (!isFirst || !isEarly || others.rooms <= ENOUGH_OTHERS) return []
    return [{ kind: 'done-early', points: pointsOf('done-early'), left }]
  }
  const reasons: Reason[] = []
  const gap = gapOf(room, round, now)
  const usualGap = medianOfOthers(others.gaps, gap)
  if (others.gaps.length > ENOUGH_OTHERS && gap >= SILENT_MS && gap >= SILENT_TIMES * usualGap)
    reasons.push({
      kind: 'silent',
      points: pointsOf('silent', (gap - SILENT_MS) / MINUTE),
      since: now - gap,
    })
  const begun = others.begun.get(room.board) ?? []
  const behind = Math.floor(medianOfOthers(begun, room.begun) - room.begun)
  if (begun.length > ENOUGH_OTHERS && behind >= BEHIND)
    reasons.push({ kind: 'behind', points: pointsOf('behind', behind - BEHIND), prompts: behind })
  const most = mostBy(room)
  if (most) reasons.push({ kind: 'one-writes', points: pointsOf('one-writes'), ...most })
  return reasons
}

/** Who of those in the room has written nearly all of what they wrote there together. */
function mostBy({ people, edits }: RoomFacts): { who: string; percent: number } | null {
  const writers = people.filter(({ hasDevice }) => hasDevice)
  if (writers.length < ENOUGH_PEOPLE) return null
  const byPerson = writers.map(({ id, shownName }) => ({ who: shownName, edits: edits[id] ?? 0 }))
  const all = byPerson.reduce((sum, person) => sum + person.edits, 0)
  const top = byPerson.reduce((one, other) => (other.edits > one.edits ? other : one))
  if (all < ENOUGH_EDITS || top.edits < ONE_WRITES * all) return null
  return { who: top.who, percent: Math.round((100 * top.edits) / all) }
}

function pointsOf(kind: ReasonKind, grown = 0): number {
  const { from, grows, most } = POINTS[kind]
  return Math.min(most, from + grows * Math.max(0, grown))
}

const inOrder = <Value>(values: readonly Value[], number: (value: Value) => number): Value[] =>
  values.toSorted((one, other) => number(one) - number(other))
