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
  /** Every two of the people who met at least once, in the order of the people. */
  met: PairMet[]
  /** How many pairs these people make, met or not. */
  pairs: number
  /** How unevenly meetings are spread over all pairs: 0 when every two met as often, towards 1 when few pairs have all. */
  unevenness: number
}

/**
 * Who of these people has met whom in these sessions, by who was really in a room with whom. Pairs that never met take
 * neither time nor memory: of 5,000 people there are 12 million. O(people + meetings + pairs met x log).
 */
export function whoHasMet(personIds: readonly string[], past: readonly PastSession[]): WhoHasMet {
  const order = orderOf(personIds)
  const pairs = new Map<string, PairMet>()
  for (const session of past) {
    for (const { pair, minutes } of session.meetings) {
      const [one, other] = pair.map(id => order.get(id))
      if (one === undefined || other === undefined || minutes < SHORTEST_MEETING) continue
      const before = pairs.get(pairKey(...pair))
      const isLater = before === undefined || (before.lastAt ?? 0) < session.at
      pairs.set(pairKey(...pair), {
        pair: one < other ? pair : [pair[1], pair[0]],
        times: (before?.times ?? 0) + 1,
        minutes: (before?.minutes ?? 0) + minutes,
        lastAt: isLater ? session.at : before.lastAt,
        lastDay: isLater ? session.day : before.lastDay,
      })
    }
  }
  const place = ({ pair }: PairMet, at: 0 | 1) => order.get(pair[at]) ?? 0
  const met = [...pairs.values()].sort(
    (one, other) => place(one, 0) - place(other, 0) || place(one, 1) - place(other, 1),
  )
  const all = (personIds.length * (personIds.length - 1)) / 2
  const unevenness = gini(
    met.map(({ times }) => times),
    all - met.length,
  )
  return { met, pairs: all, unevenness }
}

/** Whom somebody has never met, in the order of the people. */
export function neverMet(personIds: readonly string[], met: readonly PairMet[], personId: string): string[] {
  const known = new Set(met.filter(({ pair }) => pair.includes(personId)).flatMap(({ pair }) => pair))
  return personIds.filter(id => id !== personId && !known.has(id))
}

/** The pairs who met least: those who never did in the order of the people, then those who did seldom. At most so many. */
export function leastMet(personIds: readonly string[], met: readonly PairMet[], most: number): PairMet[] {
  const known = new Set(met.map(({ pair }) => pairKey(...pair)))
  const never: PairMet[] = []
  for (const [at, a] of personIds.entries()) {
    for (let next = at + 1; next < personIds.length && never.length < most; next++) {
      const b = personIds[next] as string
      if (!known.has(pairKey(a, b)))
        never.push({ pair: [a, b], times: 0, minutes: 0, lastAt: null, lastDay: null })
    }
    if (never.length >= most) return never
  }
  const seldom = met.toSorted((one, other) => one.times - other.times || one.minutes - other.minutes)
  return [...never, ...seldom].slice(0, most)
}

const orderOf = (personIds: readonly string[]) => new Map(personIds.map((id, index) => [id, index]))

/**
 * The Gini coefficient in its population form: 0 when all values are equal, (n - 1) / n when one has everything; 0 for
 * nothing at all. Values at least 0; `zeros` more of them are 0. Source: Gini, "Variabilità e mutabilità", 1912.
 * O(n log n) for the values given.
 */
export function gini(values: readonly number[], zeros = 0): number {
  const sorted = [...values].sort((one, other) => one - other)
  const total = sorted.reduce((sum, value) => sum + value, 0)
  if (total === 0) return 0
  const count = sorted.length + zeros
  const ranked = sorted.reduce((sum, value, index) => sum + (zeros + index + 1) * value, 0)
  return (2 * ranked) / (count * total) - (count + 1) / count
}
