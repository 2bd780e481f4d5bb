import { type RandomStream, shuffled } from '../../random/random'
import { FEWEST_APART, type GivenAnswer } from './question'

/** An answer on its way, before it is kept apart from who gave it. */
export interface Held {
  giverId: string
  answer: GivenAnswer
}

/** What is written down together: who is in it, and what was answered, in an order that says nothing of who gave what. */
export interface Batch {
  giverIds: string[]
  answers: GivenAnswer[]
}

/**
 * Takes a batch out of the answers that are held, by chance, and so that neither it nor what stays or comes after it is of fewer
 * than three: of a batch of one everybody would know whose it is. At the end (`all`) everything goes, or nothing when it is
 * fewer than three. Null when there is nothing to be written yet.
 */
export function drawBatch(
  held: readonly Held[],
  all: boolean,
  random: RandomStream,
): { batch: Batch; rest: Held[] } | null {
  const size = all ? held.length : held.length - FEWEST_APART
  if (size < FEWEST_APART) return null
  const drawn = shuffled(held, random)
  const taken = drawn.slice(0, size)
  return {
    batch: {
      giverIds: taken.map(({ giverId }) => giverId).sort(),
      answers: shuffled(
        taken.map(({ answer }) => answer),
        random,
      ),
    },
    rest: drawn.slice(size),
  }
}
