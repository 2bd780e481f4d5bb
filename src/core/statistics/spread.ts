import { sortedIndex } from 'lodash-es'

/** The middle of some numbers: of an even count, halfway between the two in the middle. NaN for none. O(n log n). */
export function median(numbers: readonly number[]): number {
  const sorted = numbers.toSorted((one, other) => one - other)
  const half = sorted.length >> 1
  const upper = sorted[half] ?? Number.NaN
  return sorted.length % 2 === 1 ? upper : ((sorted[half - 1] ?? Number.NaN) + upper) / 2
}

/** The middle of numbers that are in order, but for one of them: `value`, which is among them. NaN when it is the only one. O(log n). */
export function medianOfOthers(ordered: readonly number[], value: number): number {
  const place = sortedIndex(ordered, value)
  const at = (index: number) => ordered[index < place ? index : index + 1] ?? Number.NaN
  const others = ordered.length - 1
  return (at((others - 1) >> 1) + at(others >> 1)) / 2
}

/** The mean. NaN for none. */
export const mean = (numbers: readonly number[]): number =>
  numbers.reduce((sum, number) => sum + number, 0) / numbers.length
