/**
 * How evenly something is shared, from 0 (all of it is one's) to 1 (all have the same): the entropy of the shares over what it would be
 * if all were equal. Amounts are not negative, in whatever unit; null with fewer than two, or with nothing to share.
 *
 * C. E. Shannon, "A Mathematical Theory of Communication" (1948), section 6: H = -sum p log p, largest when all p are equal.
 */
export function evenness(amounts: readonly number[]): number | null {
  const sum = amounts.reduce((all, amount) => all + amount, 0)
  if (amounts.length < 2 || sum <= 0) return null
  const entropy = amounts
    .map(amount => amount / sum)
    .reduce((all, share) => (share > 0 ? all - share * Math.log(share) : all), 0)
  return entropy / Math.log(amounts.length)
}
