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

/**
 * Everybody's stays, from a whole log: a stay begins when somebody who is let in is connected in a place, and ends
 * when they drop, move, or the session ends. A session still running is counted up to `now`. O(events x people).
 */
export function stays(log: readonly Recorded[], now: number): Stay[] {
  const done: Stay[] = []
  const running = new Map<string, Stay>()
  let state = unopened
  const settle = (at: number) => {
    for (const participant of Object.values(state.participants)) {
      const here = placeKey(state, participant.id)
      const stay = running.get(participant.id)
      if (stay && stay.roomId === here) continue
      if (stay) {
        running.delete(participant.id)
        if (at > stay.from) done.push({ ...stay, to: at })
      }
      if (here !== undefined)
        running.set(participant.id, { participantId: participant.id, roomId: here, from: at, to: at })
    }
  }
  for (const recorded of log) {
    state = evolve(state, recorded)
    settle(recorded.at)
  }
  for (const stay of running.values()) if (now > stay.from) done.push({ ...stay, to: now })
  return done.sort((one, other) => one.from - other.from)
}

/** Each participant's presence added up; a room counts once they were in it, connected or not. */
export function attendance(log: readonly Recorded[], now: number): Attendance[] {
  const all = stays(log, now)
  const rooms = roomsOfEverybody(log)
  const { participants } = log.reduce(evolve, unopened)
  const everybody = Object.values(participants)
  // A name that stood for somebody without a device until they came, or were put in once more, is the same person.
  const isTakenUp = (one: Participant) =>
    one.released &&
    !one.hasDevice &&
    !rooms.get(one.id)?.length &&
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
        roomIds: rooms.get(participant.id) ?? [],
      }
    })
}

/** The rooms each participant was ever in, in the order of going there. O(events x people). */
export function roomsOfEverybody(log: readonly Recorded[]): Map<string, string[]> {
  const rooms = new Map<string, string[]>()
  let state = unopened
  for (const recorded of log) {
    state = evolve(state, recorded)
    for (const participant of Object.values(state.participants)) {
      if (!participant.inRoom || participant.roomId === null) continue
      const visited = rooms.get(participant.id) ?? []
      if (!visited.includes(participant.roomId)) rooms.set(participant.id, [...visited, participant.roomId])
    }
  }
  return rooms
}

/**
 * The rooms somebody was ever in, with the moment they were last in each; null for one they are in still. What was done in a
 * room after that is none of theirs. O(events).
 */
export function lastInRooms(log: readonly Recorded[], participantId: string): Map<string, number | null> {
  const last = new Map<string, number | null>()
  let state = unopened
  let here: string | null = null
  for (const recorded of log) {
    state = evolve(state, recorded)
    const me = state.participants[participantId]
    const now = me?.inRoom && state.phase === 'open' ? me.roomId : null
    if (here !== null && now !== here) last.set(here, recorded.at)
    if (now !== null) last.set(now, null)
    here = now
  }
  return last
}

/** Undefined when not there at all; null with the whole group; otherwise the room. */
function placeKey(state: LiveState, participantId: string): string | null | undefined {
  const participant = state.participants[participantId]
  if (!participant?.connected || !participant.admitted || state.phase !== 'open') return undefined
  return participant.inRoom ? participant.roomId : null
}
