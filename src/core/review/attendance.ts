import type { Participant } from '../live/door/people'
import { evolve } from '../live/evolve'
import type { Recorded } from '../live/topics'
import { type LiveState, unopened } from '../live/topics'
import { plainName } from '../people/shown-name'

/** A stretch in which somebody was really there: connected, and in this room (null: with the whole group). */
export interface Stay {
  participantId: string
  roomId: string | null
  from: number
  to: number
}

/** How long somebody was there, in milliseconds, and in which rooms. */
export interface Attendance {
  participantId: string
  shownName: string
  presentMs: number
  inRoomsMs: number
  roomIds: string[]
}

/** After each event of a log: when it was, and who was touched by it; everybody when the session opens or ends. O(events x people). */
function* afterEach(log: readonly Recorded[]) {
  let state = unopened
  for (const recorded of log) {
    const before = state
    state = evolve(state, recorded)
    // Most events touch one person, and whom an event did not touch is where they were.
    const touched = [...state.participants.values()].filter(
      one => before.phase !== state.phase || before.participants.get(one.id) !== one,
    )
    yield { at: recorded.at, state, touched }
  }
}

/**
 * Everybody's stays, from a whole log: a stay begins when somebody who is let in is connected in a place, and ends
 * when they drop, move, or the session ends. A session still running is counted up to `now`. O(events x people).
 */
export function stays(log: readonly Recorded[], now: number): Stay[] {
  const done: Stay[] = []
  const running = new Map<string, Stay>()
  for (const { at, state, touched } of afterEach(log)) {
    for (const { id } of touched) {
      const here = placeKey(state, id)
      const stay = running.get(id)
      if (stay && stay.roomId === here) continue
      if (stay) {
        running.delete(id)
        if (at > stay.from) done.push({ ...stay, to: at })
      }
      if (here !== undefined) running.set(id, { participantId: id, roomId: here, from: at, to: at })
    }
  }
  for (const stay of running.values()) if (now > stay.from) done.push({ ...stay, to: now })
  return done.sort((one, other) => one.from - other.from)
}

/** Each participant's presence added up; a room counts once they were in it, connected or not. */
export function attendance(log: readonly Recorded[], now: number): Attendance[] {
  const all = stays(log, now)
  const rooms = roomsOfEverybody(log)
  const { participants } = log.reduce(evolve, unopened)
  const everybody = [...participants.values()]
  // A name that stood for somebody without a device until they came, or were put in once more, is the same person.
  const isTakenUp = (one: Participant) =>
    one.released &&
    !one.hasDevice &&
    !rooms.has(one.id) &&
    everybody.some(
      other =>
        other !== one &&
        other.joinedAt >= one.joinedAt &&
        (one.personId === null
          ? plainName(other.shownName) === plainName(one.shownName)
          : other.personId === one.personId),
    )
  return everybody
    .filter(one => !isTakenUp(one))
    .map(participant => {
      const own = all.filter(stay => stay.participantId === participant.id)
      const length = (list: Stay[]) => list.reduce((sum, stay) => sum + stay.to - stay.from, 0)
      return {
        participantId: participant.id,
        shownName: participant.shownName,
        presentMs: length(own),
        inRoomsMs: length(own.filter(stay => stay.roomId !== null)),
        roomIds: [...(rooms.get(participant.id)?.keys() ?? [])],
      }
    })
}

/** When somebody was first in a room and when they last left it; null for one they are in still. Milliseconds since 1970. */
export interface TimeInRoom {
  firstAt: number
  leftAt: number | null
  /** The rounds in which they were there, and when they last left it in each; null where they are in it still. */
  rounds: Readonly<Record<number, number | null>>
}

/** The rooms each participant was ever in, in the order of going there. Who was in none is not there. O(events x people). */
export function roomsOfEverybody(log: readonly Recorded[]): Map<string, Map<string, TimeInRoom>> {
  const rooms = new Map<string, Map<string, TimeInRoom>>()
  const inRoom = new Map<string, string>()
  for (const { at, state, touched } of afterEach(log)) {
    for (const me of touched) {
      const before = inRoom.get(me.id)
      const here = me.inRoom && state.phase === 'open' ? me.roomId : null
      if (before === here || (before === undefined && here === null)) continue
      const mine = rooms.get(me.id) ?? new Map<string, TimeInRoom>()
      rooms.set(me.id, mine)
      if (before !== undefined) {
        const { firstAt = at, rounds = {} } = mine.get(before) ?? {}
        const [left] = Object.entries(rounds).find(([, leftAt]) => leftAt === null) ?? []
        mine.set(before, { firstAt, leftAt: at, rounds: left ? { ...rounds, [left]: at } : rounds })
      }
      if (here === null) inRoom.delete(me.id)
      else {
        const { firstAt = at, rounds = {} } = mine.get(here) ?? {}
        const number = state.round?.number
        mine.set(here, {
          firstAt,
          leftAt: null,
          rounds: number === undefined ? rounds : { ...rounds, [number]: null },
        })
        inRoom.set(me.id, here)
      }
    }
  }
  return rooms
}

/** Undefined when not there at all; null with the whole group; otherwise the room. */
function placeKey(state: LiveState, participantId: string): string | null | undefined {
  const participant = state.participants.get(participantId)
  if (!participant?.connected || !participant.admitted || state.phase !== 'open') return undefined
  return participant.inRoom ? participant.roomId : null
}
