/** What could give when a session runs over: whole minutes taken from segments that are still to come. */

/** A segment that may be shortened, to no less than `least` minutes. */
export interface Stretch {
  id: string
  minutes: number
  least: number
}

/** How many minutes to take from which segment. */
export type Cuts = { id: string; by: number }[]

/** Under these a segment is hardly worth having, in minutes: common practice, no source. */
export const LEAST = { whole: 2, rooms: 5, break: 5 } as const

/** How much a cut hurts: taking half of a short segment hurts as much as half of a long one, in proportion to what they are. */
export const harm = (stretches: readonly Stretch[], cuts: Cuts): number =>
  cuts.reduce((sum, { id, by }) => {
    const minutes = stretches.find(stretch => stretch.id === id)?.minutes ?? Number.NaN
    return sum + by ** 2 / minutes
  }, 0)

/**
 * The least harmful way to save `over` minutes by shortening; null when there is not that much to save. Each minute is taken where
 * one more hurts least: harm grows faster with each, so that this is the least of all (a separable convex sum: Fox 1966, marginal
 * allocation). O(over x segments).
 */
export function shorten(stretches: readonly Stretch[], over: number): Cuts | null {
  const by = new Map<string, number>()
  for (let minute = 0; minute < over; minute++) {
    const best = stretches
      .filter(({ id, minutes, least }) => minutes - (by.get(id) ?? 0) > least)
      .map(({ id, minutes }) => ({ id, cost: (2 * (by.get(id) ?? 0) + 1) / minutes }))
      .reduce<{ id: string; cost: number } | null>(
        (least, one) => (least && least.cost <= one.cost ? least : one),
        null,
      )
    if (!best) return null
    by.set(best.id, (by.get(best.id) ?? 0) + 1)
  }
  return stretches.flatMap(({ id }) => (by.has(id) ? [{ id, by: by.get(id) as number }] : []))
}

/** The shortest segment that alone is long enough to be left out; null when there is none. */
export const leaveOut = (stretches: readonly Stretch[], over: number): string | null =>
  stretches
    .filter(({ minutes }) => minutes >= over)
    .reduce<Stretch | null>((least, one) => (least && least.minutes <= one.minutes ? least : one), null)
    ?.id ?? null
