import { groupBy } from 'lodash-es'
import { fold } from '../live/evolve'
import type { Recorded } from '../live/topics'
import { type Stay, stays } from '../review/attendance'

/** Two people who were in one room at the same time, really connected, and for how long in milliseconds. */
export interface Meeting {
  /** Person ids, the lesser first. */
  pair: [string, string]
  ms: number
}

/**
 * Who of the list met whom in one session, by who was really in a room with whom: not by the plan. People who typed a
 * name that is not on the list are left out. O(stays^2 in a room).
 */
export function meetingsOf(log: readonly Recorded[], now: number): Meeting[] {
  const { participants } = fold(log)
  return meetingsIn(stays(log, now), id => participants.get(id)?.personId ?? null)
}

/** Who met whom in a session that has ended, and when it was opened, in milliseconds since 1970. O(stays^2 in a room). */
export function pastMeetings(log: readonly Recorded[]): { openedAt: number; meetings: Meeting[] } {
  const { openedAt, endedAt } = fold(log)
  return { openedAt: openedAt ?? 0, meetings: meetingsOf(log, endedAt ?? openedAt ?? 0) }
}

/** Who was with whom in rooms, as `idOf` calls them; nobody meets whom it gives null, or themselves. */
export function meetingsIn(all: readonly Stay[], idOf: (participantId: string) => string | null): Meeting[] {
  const byRoom = groupBy(
    all.filter(stay => stay.roomId !== null),
    stay => stay.roomId,
  )
  const together = new Map<string, Meeting>()
  for (const inRoom of Object.values(byRoom)) {
    for (const [index, one] of inRoom.entries()) {
      for (const other of inRoom.slice(index + 1)) {
        const ms = Math.min(one.to, other.to) - Math.max(one.from, other.from)
        const [a, b] = [idOf(one.participantId), idOf(other.participantId)]
        if (ms <= 0 || !a || !b || a === b) continue
        const pair: [string, string] = a < b ? [a, b] : [b, a]
        const meeting = together.get(pair.join(' ')) ?? { pair, ms: 0 }
        together.set(pair.join(' '), { pair, ms: meeting.ms + ms })
      }
    }
  }
  return [...together.values()]
}
