/** One past session of a cohort: who was in a room with whom, and for how many minutes. */
export interface PastSession {
  id: string
  title: string
  /** Milliseconds since 1970. */
  at: number
  /** The day on which it was where it was held, `2026-11-03`. */
  day: string
  meetings: { pair: [string, string]; minutes: number }[]
}

/** How often, how lately and how long two people worked together. */
export interface PairPast {
  times: number
  minutes: number
  lastAt: number
  lastDay: string
  lastTitle: string
  /** Later meetings weigh more: of the sessions looked at, number q from the oldest weighs q. */
  weight: number
}

/** Sessions further back than this are not looked at for what is fresh. */
export const MOST_SESSIONS = 20
/** Less than this in one room is a passing through, in minutes. */
export const SHORTEST_MEETING = 1

/** Ids hold no space. */
export const pairKey = (a: string, b: string): string => (a < b ? `${a} ${b}` : `${b} ${a}`)
/** The two ids of a `pairKey`. */
export const pairOf = (key: string): string[] => key.split(' ')

/**
 * Sums the past up for every pair that has met, by `pairKey`. Sessions in any order. O(meetings).
 * Weights by the number of the session are common practice, no source.
 */
export function pairHistory(past: readonly PastSession[]): Map<string, PairPast> {
  const ordered = [...past].sort((one, other) => one.at - other.at).slice(-MOST_SESSIONS)
  const history = new Map<string, PairPast>()
  for (const [index, session] of ordered.entries()) {
    for (const { pair, minutes } of session.meetings) {
      if (minutes < SHORTEST_MEETING) continue
      const key = pairKey(...pair)
      const before = history.get(key)
      history.set(key, {
        times: (before?.times ?? 0) + 1,
        minutes: (before?.minutes ?? 0) + minutes,
        lastAt: session.at,
        lastDay: session.day,
        lastTitle: session.title,
        weight: (before?.weight ?? 0) + index + 1,
      })
    }
  }
  return history
}
