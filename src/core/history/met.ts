import { type PastSession, pairKey, SHORTEST_MEETING } from './pairs'

/** How two people have met, over all sessions given. */
export interface PairMet {
  pair: [string, string]
  times: number
  minutes: number
  /** Milliseconds since 1970; null when they never met. */
  lastAt: number | null
  /** The day on which that was where it was held, `2026-11-03`. */
  lastDay: string | null
}

export interface WhoHasMet {
  /** Every two of the people, also those who never met, in the order of the people. */
  pairs: PairMet[]
  /** Whom each has never met, by person id, in the order of the people. */
  never: Map<string, string[]>
  /** How unevenly meetings are spread over all pairs: 0 when every two met as often, towards 1 when few pairs have all. */
  unevenness: number
}

/** Who of these people has met whom in these sessions, by who was really in a room with whom. O(people^2 + meetings). */
export function whoHasMet(personIds: readonly string[], past: readonly PastSession[]): WhoHasMet {
  const pairs = new Map<string, PairMet>()
  for (const [at, a] of personIds.entries())
    for (const b of personIds.slice(at + 1))
      pairs.set(pairKey(a, b), { pair: [a, b], times: 0, minutes: 0, lastAt: null, lastDay: null })
  for (const session of past) {
    for (const { pair, minutes } of session.meetings) {
      const met = pairs.get(pairKey(...pair))
      if (!met || minutes < SHORTEST_MEETING) continue
      met.times++
      met.minutes += minutes
      if (met.lastAt !== null && met.lastAt >= session.at) continue
      met.lastAt = session.at
      met.lastDay = session.day
    }
  }
  const never = new Map(personIds.map(id => [id, [] as string[]]))
  for (const { pair, times } of pairs.values()) {
    if (times > 0) continue
    never.get(pair[0])?.push(pair[1])
    never.get(pair[1])?.push(pair[0])
  }
  const order = new Map(personIds.map((id, index) => [id, index]))
  for (const list of never.values())
    list.sort((one, other) => (order.get(one) ?? 0) - (order.get(other) ?? 0))
  const all = [...pairs.values()]
  return { pairs: all, never, unevenness: gini(all.map(({ times }) => times)) }
}

/**
 * The Gini coefficient in its population form: 0 when all values are equal, (n - 1) / n when one has everything; 0 for
 * nothing at all. Values at least 0. Source: Gini, "Variabilità e mutabilità", 1912. O(n log n).
 */
export function gini(values: readonly number[]): number {
  const sorted = [...values].sort((one, other) => one - other)
  const total = sorted.reduce((sum, value) => sum + value, 0)
  if (total === 0) return 0
  const ranked = sorted.reduce((sum, value, index) => sum + (index + 1) * value, 0)
  return (2 * ranked) / (sorted.length * total) - (sorted.length + 1) / sorted.length
}
