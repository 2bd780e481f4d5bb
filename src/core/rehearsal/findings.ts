/** What a rehearsal showed that the plan does not: where people were alone, waited, or never got to. */
import type { PeopleState } from '../live/door/people'
import { fold } from '../live/evolve'
import { boardOf, type Room } from '../live/rooms/room'
import type { Running } from '../live/segments/state'
import type { LiveState, Recorded } from '../live/topics'
import { type Stay, stays } from '../review/attendance'
import { segmentName } from '../schedule/running-order'
import { isWrittenUnder } from './writing'

/** `segment` is the place in the plan, from 0; null for what is about the whole session. */
export interface Finding {
  segment: number | null
  code:
    | 'alone'
    | 'empty-room'
    | 'no-room'
    | 'at-the-door'
    | 'help-waited'
    | 'not-reached'
    | 'quiet-room'
    | 'longer'
    | 'not-begun'
  text: string
}

/** Where and when something was written. */
export interface Written {
  copyId: string
  promptId: string
  at: number
}

const MINUTE = 60_000
/** Shorter is no finding: somebody is always the first in a room, or has just come. Common practice, no source. */
const LEAST_ALONE = 2 * MINUTE
/** A round that was broken off sooner says nothing. */
const LEAST_PLAYED = 3 * MINUTE
const LEAST_WITHOUT_ROOM = MINUTE
const LEAST_AT_DOOR = 2 * MINUTE
const LEAST_HELP = 3 * MINUTE
const LEAST_LONGER = 2 * MINUTE
/** To come back, in seconds, where nothing was planned. */
const USUAL_GRACE = 60

/**
 * All findings, in the order of the plan. `log` is that of the whole rehearsal, `now` when it ended, in its own time. O(events x people).
 */
export function rehearsalFindings(
  log: readonly Recorded[],
  written: readonly Written[],
  now: number,
): Finding[] {
  const state = fold(log)
  const all = stays(log, state.endedAt ?? now)
  const at = placesOfPlan(log)
  const rounds = roundsOf(state, now)
  const ofRounds = rounds.flatMap(round => {
    const place = round.segment ? (at.get(round.segment.id) ?? null) : null
    return roundFindings(round, state, all, written).map(found => ({ ...found, segment: place }))
  })
  return [...doorFindings(log), ...ofRounds, ...orderFindings(state, at, now)].sort(
    (one, other) => (one.segment ?? -1) - (other.segment ?? -1),
  )
}

/** Where the segments that were planned stand in the plan; those that were put in while it ran do not. */
function placesOfPlan(log: readonly Recorded[]): ReadonlyMap<string, number> {
  const [opened] = log
  const planned = opened?.event.type === 'opened' ? (opened.event.plan.segments ?? []) : []
  return new Map(planned.map(({ id }, place) => [id, place]))
}

interface RoundPlayed {
  name: string
  segment: Running | undefined
  from: number
  to: number
}

function roundsOf(state: LiveState, now: number): RoundPlayed[] {
  const played = [
    ...state.pastRounds.map(({ startedAt, endedAt }) => ({ from: startedAt, to: endedAt })),
    ...(state.round ? [{ from: state.round.startedAt, to: now }] : []),
  ]
  return played.flatMap(({ from, to }, index) => {
    if (to - from < LEAST_PLAYED) return []
    const segment = state.segments.find(({ kind, startedAt }) => kind === 'rooms' && startedAt === from)
    return [{ name: segment ? segmentName(segment) : `Round ${index + 1}`, segment, from, to }]
  })
}

type Found = Omit<Finding, 'segment'>

function roundFindings(
  round: RoundPlayed,
  state: LiveState,
  all: readonly Stay[],
  written: readonly Written[],
): Found[] {
  const inside = all
    .map(stay => ({ ...stay, from: Math.max(stay.from, round.from), to: Math.min(stay.to, round.to) }))
    .filter(({ from, to }) => to > from)
  const rooms = state.rooms.filter(({ id }) =>
    round.segment && round.segment.roomIds.length > 0
      ? round.segment.roomIds.includes(id)
      : inside.some(({ roomId }) => roomId === id),
  )
  const visited = rooms.filter(({ id }) => inside.some(({ roomId }) => roomId === id))
  return [
    ...aloneFindings(round, rooms, inside),
    ...withoutRoom(round, state, inside),
    ...helpFindings(round, state),
    ...workFindings(round, visited, state, written),
  ]
}

function aloneFindings({ name }: RoundPlayed, rooms: readonly Room[], inside: readonly Stay[]): Found[] {
  return rooms.flatMap((room): Found[] => {
    const here = inside.filter(({ roomId }) => roomId === room.id)
    if (here.length === 0) return [{ code: 'empty-room', text: `${name}: nobody was in ${room.name}.` }]
    const alone = longestAlone(here)
    if (alone < LEAST_ALONE) return []
    return [{ code: 'alone', text: `${name}: in ${room.name} somebody was alone for ${minutes(alone)}.` }]
  })
}

/** The longest time in which exactly one person was there, in milliseconds. O(n log n). */
export function longestAlone(here: readonly Pick<Stay, 'from' | 'to'>[]): number {
  const turns = here
    .flatMap(({ from, to }) => [
      { at: from, by: 1 },
      { at: to, by: -1 },
    ])
    // Whoever changes lines at one moment was not two people, nor none.
    .sort((one, other) => one.at - other.at || other.by - one.by)
  let [people, since, longest] = [0, 0, 0]
  for (const { at, by } of turns) {
    if (people === 1) longest = Math.max(longest, at - since)
    people += by
    since = people === 1 ? at : since
  }
  return longest
}

function withoutRoom(
  { name, segment, to }: RoundPlayed,
  state: PeopleState,
  inside: readonly Stay[],
): Found[] {
  // Called back, people have a while to come: that is no waiting.
  const until = to - (segment?.graceSeconds ?? USUAL_GRACE) * 1_000
  const waited = [...state.participants.keys()].flatMap(id => {
    const own = inside.filter(stay => stay.participantId === id && stay.roomId === null)
    const ms = own.reduce((sum, stay) => sum + Math.max(0, Math.min(until, stay.to) - stay.from), 0)
    return ms >= LEAST_WITHOUT_ROOM ? [ms] : []
  })
  if (waited.length === 0) return []
  return [
    {
      code: 'no-room',
      text: `${name}: ${people(waited.length)} stood without a room, the longest for ${minutes(Math.max(...waited))}. Say where who comes late goes.`,
    },
  ]
}

function helpFindings({ name, from, to }: RoundPlayed, { helpCalls }: LiveState): Found[] {
  const waits = helpCalls
    .filter(({ at }) => at >= from && at < to)
    .map(({ at, closedAt }) => (closedAt ?? to) - at)
    .filter(ms => ms >= LEAST_HELP)
  if (waits.length === 0) return []
  const calls = waits.length === 1 ? 'a call for help' : `${waits.length} calls for help`
  return [
    {
      code: 'help-waited',
      text: `${name}: ${calls} waited, the longest for ${minutes(Math.max(...waits))}.`,
    },
  ]
}

function workFindings(
  { name, from, to }: RoundPlayed,
  rooms: readonly Room[],
  state: LiveState,
  written: readonly Written[],
): Found[] {
  const then = new Set(
    written.flatMap(({ copyId, promptId, at }) => (at >= from && at <= to ? [`${copyId} ${promptId}`] : [])),
  )
  const isWritten = (room: Room, promptId: string) => then.has(`${room.copyId} ${promptId}`)
  const asked = new Map(
    rooms.flatMap(room =>
      boardOf(state, room)
        .prompts.filter(isWrittenUnder)
        .map(prompt => [prompt.id, prompt.text] as const),
    ),
  )
  const found: Found[] = []
  for (const [promptId, text] of asked) {
    const having = rooms.filter(room => boardOf(state, room).prompts.some(({ id }) => id === promptId))
    const without = having.filter(room => !isWritten(room, promptId))
    // In one room of many it may be the people; in half of them it is the time, or the prompt.
    if (without.length * 2 < having.length || without.length === 0) continue
    const who =
      without.length === having.length
        ? 'no room got'
        : `${without.length} of ${having.length} rooms did not get`
    found.push({ code: 'not-reached', text: `${name}: ${who} to “${text}”.` })
  }
  const quiet = rooms.filter(room => {
    const prompts = boardOf(state, room).prompts.filter(isWrittenUnder)
    return prompts.length > 0 && !prompts.some(({ id }) => isWritten(room, id))
  })
  if (quiet.length > 0 && quiet.length < rooms.length)
    found.push({ code: 'quiet-room', text: `${name}: nothing at all was written in ${named(quiet)}.` })
  return found
}

/** Those who waited at the door for long. */
function doorFindings(log: readonly Recorded[]): Finding[] {
  const since = new Map<string, number>()
  const waits: number[] = []
  for (const { at, event } of log) {
    if (event.type === 'joined' && !event.admitted) since.set(event.participantId, at)
    if (event.type !== 'admitted') continue
    for (const id of event.participantIds) {
      const from = since.get(id)
      if (from !== undefined && at - from >= LEAST_AT_DOOR) waits.push(at - from)
    }
  }
  if (waits.length === 0) return []
  const text = `${people(waits.length)} waited at the door, the longest for ${minutes(Math.max(...waits))}.`
  return [{ segment: null, code: 'at-the-door', text: text.charAt(0).toUpperCase() + text.slice(1) }]
}

function orderFindings(
  { segments, phase }: LiveState,
  at: ReadonlyMap<string, number>,
  now: number,
): Finding[] {
  return segments.flatMap((segment): Finding[] => {
    const place = at.get(segment.id) ?? null
    const name = segmentName(segment)
    if (segment.startedAt === null)
      return phase === 'ended' && !segment.skipped
        ? [{ segment: place, code: 'not-begun', text: `${name} was not begun.` }]
        : []
    const over = (segment.endedAt ?? now) - segment.startedAt - segment.minutes * MINUTE
    // A round has its time to come back besides.
    if (over < LEAST_LONGER + segment.graceSeconds * 1_000) return []
    return [{ segment: place, code: 'longer', text: `${name} took ${minutes(over)} longer than planned.` }]
  })
}

const people = (count: number) => (count === 1 ? 'one person' : `${count} people`)
const minutes = (ms: number) => `${Math.round(ms / MINUTE)} min`
const named = (rooms: readonly Room[]) =>
  rooms.length <= 3 ? rooms.map(({ name }) => name).join(', ') : `${rooms.length} rooms`
