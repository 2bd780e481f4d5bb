import fc from 'fast-check'
import { mean } from 'simple-statistics'
import { evenness } from './evenness'

// C. E. Shannon, "A Mathematical Theory of Communication" (1948), section 6: his example of choices with probabilities 1/2, 1/3 and 1/6
// has H(1/2, 1/2) + 1/2 H(2/3, 1/3) = 1.459 bits; three equal ones would have log2 3 = 1.585.
test('three of whom one has half, one a third and one a sixth', () => {
  const half = 1 + 0.5 * (Math.log2(3) - 2 / 3)
  expect(evenness([30, 20, 10])).toBeCloseTo(half / Math.log2(3), 12)
  expect(evenness([30, 20, 10])).toBeCloseTo(0.9206, 4)
})

test('all the same is 1, all with one is 0, and nothing or nobody to share with is no number', () => {
  expect(evenness([5, 5, 5, 5])).toBeCloseTo(1, 12)
  expect(evenness([0, 9, 0])).toBe(0)
  expect(evenness([7])).toBeNull()
  expect(evenness([])).toBeNull()
  expect(evenness([0, 0])).toBeNull()
})

const amounts = fc.array(fc.integer({ min: 0, max: 10_000 }), { minLength: 2, maxLength: 12 })

test('it is between 0 and 1, the same in any unit and order, and the mean surprise over the largest there is', () => {
  fc.assert(
    fc.property(amounts, all => {
      const found = evenness(all)
      fc.pre(found !== null)
      expect(found).toBeGreaterThanOrEqual(0)
      expect(found).toBeLessThanOrEqual(1 + 1e-12)
      expect(evenness(all.map(each => each * 60).toReversed())).toBeCloseTo(found, 9)
      // Every second that was spoken, with how surprising its speaker is: the mean of it is the entropy.
      const sum = all.reduce((one, other) => one + other, 0)
      const parts = all.map(each => (each === 0 ? 0 : (each / sum) * Math.log(sum / each)))
      expect((mean(parts) * all.length) / Math.log(all.length)).toBeCloseTo(found, 9)
    }),
  )
})

test('who has more giving to who has less never makes it less even', () => {
  fc.assert(
    fc.property(amounts, fc.nat(), fc.nat(), (all, from, to) => {
      const [rich, poor] = [from % all.length, to % all.length]
      const gap = (all[rich] ?? 0) - (all[poor] ?? 0)
      fc.pre(gap >= 2)
      const after = all.map((each, index) => each + (index === poor ? 1 : 0) - (index === rich ? 1 : 0))
      expect(evenness(after) ?? 0).toBeGreaterThanOrEqual((evenness(all) ?? 0) - 1e-12)
    }),
  )
})
