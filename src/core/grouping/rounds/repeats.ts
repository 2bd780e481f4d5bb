import type { Rounds } from './designs'

/** Pairs who are together more than once: over all pairs, how often they are together beyond the first time. O(rounds x people x size). */
export function repeatsOf(rounds: Rounds, people: number): number {
  const times = new Uint16Array(people * people)
  let repeats = 0
  for (const round of rounds) {
    for (const group of round) {
      for (const [at, a] of group.entries()) {
        for (const b of group.slice(at + 1)) {
          const pair = Math.min(a, b) * people + Math.max(a, b)
          if ((times[pair] as number) > 0) repeats++
          times[pair] = (times[pair] as number) + 1
        }
      }
    }
  }
  return repeats
}

/**
 * Repeats that no plan of so many rounds in these sizes can avoid, the larger of two counts (textbook counting):
 *
 * - a round brings together sum s(s-1)/2 pairs, and there are only n(n-1)/2 different ones;
 * - whoever shared a group of s in the first round is spread over g groups in each later one: at least an even share of
 *   each old group meets again.
 *
 * `never` is how many of the pairs are never together by a rule, `always` how many are in every round: the latter are no
 * repeats, and with them only the first count holds.
 */
export function leastRepeats(
  sizes: readonly number[],
  rounds: number,
  { never = 0, always = 0 }: { never?: number; always?: number } = {},
): number {
  const people = sizes.reduce((sum, size) => sum + size, 0)
  const pairs = sizes.reduce((sum, size) => sum + choose2(size), 0)
  const counted = rounds * (pairs - always) - (choose2(people) - never - always)
  if (always > 0) return Math.max(0, counted)
  const shared = sizes.reduce((sum, size) => {
    const [share, larger] = [Math.floor(size / sizes.length), size % sizes.length]
    return sum + larger * choose2(share + 1) + (sizes.length - larger) * choose2(share)
  }, 0)
  return Math.max(0, counted, (rounds - 1) * shared)
}

/** Most rounds in these sizes that could go without a repeat: every pair once is all there is. */
export function mostRounds(sizes: readonly number[]): number {
  const people = sizes.reduce((sum, size) => sum + size, 0)
  // Somebody in the largest group every time would be through first, but people can take turns: the sum decides.
  const equal = sizes.every(size => size === sizes[0])
  const pairs = sizes.reduce((sum, size) => sum + choose2(size), 0)
  return equal
    ? Math.floor((people - 1) / Math.max(1, (sizes[0] ?? 1) - 1))
    : Math.floor(choose2(people) / Math.max(1, pairs))
}

const choose2 = (count: number) => (count * (count - 1)) / 2
