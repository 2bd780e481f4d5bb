/**
 * How unevenly something is shared, from 0 (all have the same) to 1 (all of it is one's): half the mean difference of two of them over the
 * mean, brought to 1 for a small group by n / (n - 1). Amounts are not negative, in whatever unit; null with fewer than two, or with nothing to
 * share. O(n log n).
 *
 * C. Gini, "Variabilità e mutabilità" (1912), from memory; the correction for small groups is that of G. Deltas, "The Small-Sample Bias of the Gini
 * Coefficient" (2003), from memory.
 */
export function gini(amounts: readonly number[]): number | null {
  const count = amounts.length
  const sum = amounts.reduce((all, amount) => all + amount, 0)
  if (count < 2 || sum <= 0) return null
  const sorted = amounts.toSorted((one, other) => one - other)
  // Each is above so many and below so many: together all differences.
  const differences = sorted.reduce((all, amount, place) => all + amount * (2 * place - count + 1), 0)
  return differences / ((count - 1) * sum)
}
