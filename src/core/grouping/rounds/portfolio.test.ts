import { evenSizes } from '../sizes'
import { designedRounds, developedRounds, oddPairRounds } from './portfolio'
import { repeatsOf } from './repeats'

test.each([
  [20, 10, 19, 'circle'],
  [25, 5, 6, 'affine'],
  [27, 9, 13, 'affine'],
  // Affine spaces of four and three dimensions, every two once: (n - 1) / (size - 1) rounds (Bose; from memory).
  [81, 27, 40, 'affine'],
  [125, 25, 31, 'affine'],
  [28, 7, 7, 'transversal'],
  // Seven rounds across the columns of eight, and two inside them.
  [32, 8, 9, 'transversal'],
  // Twelve groups: the product of the fields of four and three.
  [36, 12, 12, 'transversal'],
  // Every group of a plan for fifteen three times over, and one round inside the columns: 7 x 3 + 1.
  [45, 15, 22, 'transversal'],
  [63, 21, 31, 'transversal'],
  [112, 28, 37, 'transversal'],
  // From the table: the most rounds there can be, (n - 1) / (size - 1), or with one or two never met.
  [33, 11, 16, 'base-rounds'],
  [40, 10, 13, 'base-rounds'],
  [51, 17, 25, 'base-rounds'],
  [52, 13, 17, 'base-rounds'],
  [57, 19, 28, 'base-rounds'],
  [54, 18, 26, 'base-rounds'],
  [60, 20, 29, 'base-rounds'],
  [36, 9, 11, 'base-rounds'],
  [24, 8, 11, 'base-rounds'],
  [30, 10, 14, 'base-rounds'],
  [36, 12, 17, 'base-rounds'],
  [24, 6, 7, 'base-rounds'],
  // Everybody meets all others but one (that it exists: Aguado, 2004; from memory).
  [32, 8, 10, 'base-rounds'],
  [30, 8, 10, 'base-rounds'],
  // Two people too many in the columns of seven are taken out of one column.
  [26, 7, 5, 'transversal'],
])('%i people in %i groups for %i rounds: %s', (people, groups, rounds, method) => {
  const sizes = evenSizes(people, groups)
  const found = designedRounds(sizes, rounds)
  expect(found?.method).toBe(method)
  expect(found?.rounds).toHaveLength(rounds)
  expect(repeatsOf(found?.rounds ?? [], people)).toBe(0)
  for (const round of found?.rounds ?? []) expect(round.map(group => group.length)).toEqual(sizes)
})

test('what can not be is not constructed', () => {
  // More rounds than others to meet, and 36 officers (Tarry, 1900).
  expect(designedRounds(evenSizes(9, 3), 5)).toBeNull()
  expect(designedRounds(evenSizes(20, 10), 20)).toBeNull()
  expect(designedRounds(evenSizes(36, 6), 4)).toBeNull()
  expect(developedRounds(evenSizes(9, 3), 5)).toBeNull()
  // Sizes that differ by more than one.
  expect(designedRounds([5, 3, 3], 2)).toBeNull()
})

test('one round is any grouping of the sizes', () => {
  expect(designedRounds([3, 2, 2], 1)?.rounds).toEqual([
    [
      [0, 1, 2],
      [3, 4],
      [5, 6],
    ],
  ])
})

test('pairs with an odd person begin anew when the circle is through', () => {
  const { rounds } = oddPairRounds(7, 9)
  expect(rounds).toHaveLength(9)
  expect(rounds[7]).toEqual(rounds[0])
  for (const round of rounds) expect(round.map(group => group.length)).toEqual([3, 2, 2])
})
