import { chiSquaredDistributionTable, permutationsHeap } from 'simple-statistics'
import { randomStream, shuffled } from './random'

/** Pearson's chi-square against equal shares, at 0.005; critical values from simple-statistics' table. */
function expectFair(counts: number[], freedom: 5 | 9 | 23) {
  const expected = counts.reduce((sum, count) => sum + count, 0) / counts.length
  const statistic = counts.reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0)
  expect(statistic).toBeLessThan(chiSquaredDistributionTable[freedom]?.[0.005] as number)
}

test('the same seed gives the same numbers, another one others', () => {
  const numbers = (seed: number) => {
    const random = randomStream(seed)
    return Array.from({ length: 20 }, () => random.below(1000))
  }
  expect(numbers(7)).toEqual(numbers(7))
  expect(numbers(7)).not.toEqual(numbers(8))
})

test('each number below ten comes equally often', () => {
  const random = randomStream(1)
  const fair = Array<number>(10).fill(0)
  for (let draw = 0; draw < 20_000; draw++) {
    const number = random.below(10)
    fair[number] = (fair[number] ?? 0) + 1
  }
  expectFair(fair, 9)
})

test('below one there is only nought', () => {
  expect(randomStream(3).below(1)).toBe(0)
  expect(shuffled([], randomStream(3))).toEqual([])
})

// The orders of three and of four things, from simple-statistics' enumeration by Heap's algorithm (Heap, 1963).
test.each([
  [3, 5],
  [4, 23],
] as const)('each order of %i things comes equally often', (things, freedom) => {
  const members = Array.from({ length: things }, (_, index) => index)
  const counts = new Map(permutationsHeap(members).map(order => [order.join(), 0]))
  const random = randomStream(2026)
  for (let draw = 0; draw < 500 * counts.size; draw++) {
    const key = shuffled(members, random).join()
    counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  expect(counts.size).toBe(freedom + 1)
  expectFair([...counts.values()], freedom)
})

test('a shuffle leaves what it was given as it was', () => {
  const members = Object.freeze([1, 2, 3])
  expect([...shuffled(members, randomStream(1))].sort()).toEqual([1, 2, 3])
})
