import fc from 'fast-check'
import { mean } from 'simple-statistics'
import { gini } from './gini'

test('all the same is 0, all with one is 1, and nothing or nobody to share with is no number', () => {
  expect(gini([5, 5, 5, 5])).toBe(0)
  expect(gini([0, 9, 0])).toBe(1)
  expect(gini([7])).toBeNull()
  expect(gini([])).toBeNull()
  expect(gini([0, 0])).toBeNull()
})

// The mean difference of two of 1, 2, ..., n is (n + 1) / 3, and their mean (n + 1) / 2: a textbook result, so that it is 1/3 for every n.
test('of the whole numbers from 1 on it is a third, however many there are', () => {
  for (const count of [2, 3, 10, 500])
    expect(gini(Array.from({ length: count }, (_, place) => place + 1))).toBeCloseTo(1 / 3, 12)
})

const amounts = fc.array(fc.integer({ min: 0, max: 10_000 }), { minLength: 2, maxLength: 12 })

test('it is half the mean difference of all pairs over the mean, by a library’s means, in any unit and order', () => {
  fc.assert(
    fc.property(amounts, all => {
      const found = gini(all)
      fc.pre(found !== null)
      const pairs = all.flatMap((one, index) => all.slice(index + 1).map(other => Math.abs(one - other)))
      expect(found).toBeCloseTo(mean(pairs) / (2 * mean(all)), 9)
      expect(found).toBeGreaterThanOrEqual(0)
      expect(found).toBeLessThanOrEqual(1)
      expect(gini(all.map(each => each * 60).toReversed())).toBeCloseTo(found, 9)
    }),
  )
})
