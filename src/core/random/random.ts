import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** A stream of whole numbers that is the same for the same seed on every machine. */
export interface RandomStream {
  /** A whole number, each of `0 .. below - 1` equally likely. `below` is at least 1. */
  below(below: number): number
}

/**
 * Starts a stream from a whole-number seed.
 * Source of the generator: xoroshiro128+ (Blackman and Vigna, 2018), as kept in pure-rand.
 */
export function randomStream(seed: number): RandomStream {
  const generator = xoroshiro128plus(seed)
  return { below: below => (below <= 1 ? 0 : uniformInt(generator, 0, below - 1)) }
}

/**
 * Returns a new array with the same members in a random order, every order equally likely.
 * O(n). Source: Fisher and Yates, 1938, in the form of Durstenfeld, 1964.
 */
export function shuffled<T>(members: readonly T[], random: RandomStream): T[] {
  const order = [...members]
  for (let last = order.length - 1; last > 0; last--) {
    const chosen = random.below(last + 1)
    const held = order[last] as T
    order[last] = order[chosen] as T
    order[chosen] = held
  }
  return order
}
