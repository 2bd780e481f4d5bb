import fc from 'fast-check'
import { lowerBound } from './bound'
import { addPairCost, costOf, emptyProblem, type Problem, scoreOf } from './problem'

/** The least cost of all arrangements that keep sizes and rules; infinity when none does. */
function leastOfAll(problem: Problem): number {
  const groups = problem.groups.length
  let least = Number.POSITIVE_INFINITY
  for (let number = 0; number < groups ** problem.people; number++) {
    const places = Array.from(
      { length: problem.people },
      (_, person) => Math.floor(number / groups ** person) % groups,
    )
    if (scoreOf(problem, places).broken > 0) continue
    least = Math.min(least, costOf(problem, places))
  }
  return least
}

const shape = fc.constantFrom<{ people: number; sizes: number[] }[]>(
  { people: 6, sizes: [3, 3] },
  { people: 6, sizes: [2, 2, 2] },
  { people: 7, sizes: [4, 3] },
  { people: 5, sizes: [3, 2] },
)
const exactly = ({ people, sizes }: { people: number; sizes: number[] }): Problem =>
  emptyProblem(
    people,
    sizes.map(size => ({ min: size, max: size })),
  )
const pairs = fc.array(fc.tuple(fc.nat(6), fc.nat(6), fc.integer({ min: 1, max: 9 })), { maxLength: 25 })
const values = fc.array(fc.integer({ min: -8, max: 12 }), { minLength: 7, maxLength: 7 })

/** Each kind of cost on its own: what one bound claims must not hide behind what another leaves open. */
const KINDS: Record<string, fc.Arbitrary<Problem>> = {
  'pairs of any cost': fc.tuple(shape, pairs).map(([made, list]) => {
    const problem = exactly(made)
    for (const [a, b, cost] of list) if (a < made.people && b < made.people) addPairCost(problem, a, b, cost)
    return problem
  }),
  'pairs of one cost in clusters': fc
    .tuple(shape, fc.array(fc.nat(2), { minLength: 7, maxLength: 7 }), fc.integer({ min: 1, max: 5 }))
    .map(([made, cluster, cost]) => {
      const problem = exactly(made)
      for (let a = 0; a < made.people; a++)
        for (let b = a + 1; b < made.people; b++)
          if (cluster[a] === cluster[b]) addPairCost(problem, a, b, cost)
      return problem
    }),
  'a spread': fc.tuple(shape, values, fc.integer({ min: 1, max: 3 })).map(([made, list, weight]) => ({
    ...exactly(made),
    spreads: [{ values: Int32Array.from(list.slice(0, made.people)), weight }],
  })),
  'a spread over groups of open size': fc.tuple(values, fc.nat(1)).map(([list, slack]) => ({
    ...emptyProblem(6, [
      { min: 3 - slack, max: 3 + slack },
      { min: 3 - slack, max: 3 + slack },
    ]),
    spreads: [{ values: Int32Array.from(list.slice(0, 6)), weight: 1 }],
  })),
  places: fc.tuple(shape, fc.array(fc.nat(9), { minLength: 21, maxLength: 21 })).map(([made, costs]) => ({
    ...exactly(made),
    placeCosts: Int32Array.from(costs.slice(0, made.people * made.sizes.length)),
  })),
}

test.each(Object.entries(KINDS))(
  '%s: the bound is never above the best of all arrangements',
  (_, problems) => {
    fc.assert(
      fc.property(problems, problem => {
        expect(lowerBound(problem)).toBeLessThanOrEqual(leastOfAll(problem))
      }),
      { numRuns: 60 },
    )
  },
)

test('a bound that is met: two halves of a class, one of each to a group; equal sums; everybody where it is free', () => {
  const clusters = exactly({ people: 6, sizes: [3, 3] })
  for (const [a, b] of [
    [0, 1],
    [0, 2],
    [1, 2],
    [3, 4],
    [3, 5],
    [4, 5],
  ] as const)
    addPairCost(clusters, a, b, 4)
  expect([lowerBound(clusters), leastOfAll(clusters)]).toEqual([8, 8])
  // 1 to 6 in threes: the sum is 21, so no two groups are equal, and each misses the mean by a half: 6 x 1/2 for each.
  const spread = {
    ...exactly({ people: 6, sizes: [3, 3] }),
    spreads: [{ values: Int32Array.from([1, 2, 3, 4, 5, 6]), weight: 1 }],
  }
  expect([lowerBound(spread), leastOfAll(spread)]).toEqual([6, 6])
})
