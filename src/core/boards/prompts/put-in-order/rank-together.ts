/** What several orders of the same lines come to. */
export interface RankedTogether {
  /** Lines by their points, most first; equals in the order they were given in. */
  ranked: { line: number; points: number }[]
  /** Kendall's coefficient of concordance W: 0 when the orders have nothing in common, 1 when all are the same. */
  agreement: number
}

/**
 * Adds up orders by Borda's count: in each the last line gets no point, the one before it one, and so on (J.-C. de Borda,
 * "Mémoire sur les élections au scrutin", 1784). Agreement is Kendall's W = 12 S / (m² (n³ − n)) with S the sum of squared
 * deviations of rank sums from their mean (M. G. Kendall and B. Babington Smith, Annals of Mathematical Statistics 10, 1939).
 * Every order must hold each of the `count` lines once. With fewer than two orders or lines the agreement is 1. O(orders × lines).
 */
export function rankTogether(orders: readonly (readonly number[])[], count: number): RankedTogether {
  const points = Array.from({ length: count }, () => 0)
  for (const order of orders) {
    for (const [place, line] of order.entries()) points[line] = (points[line] ?? 0) + count - 1 - place
  }
  const m = orders.length
  const middle = (m * (count - 1)) / 2
  // Points and rank sums differ by a constant, so that their deviations are the same but for the sign.
  const deviations = points.reduce((sum, got) => sum + (got - middle) ** 2, 0)
  const agreement = m < 2 || count < 2 ? 1 : (12 * deviations) / (m ** 2 * (count ** 3 - count))
  const ranked = points
    .map((got, line) => ({ line, points: got }))
    .sort((one, other) => other.points - one.points || one.line - other.line)
  return { ranked, agreement }
}
