import fc from 'fast-check'
import * as reference from 'simple-statistics'
import { mean, median } from './spread'

test('median and mean are those of the package simple-statistics', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 1, maxLength: 60 }), numbers => {
      expect(median(numbers)).toBe(reference.median(numbers))
      expect(mean(numbers)).toBeCloseTo(reference.mean(numbers), 9)
    }),
  )
})

test('of no numbers there is neither', () => {
  expect([median([]), mean([])]).toEqual([Number.NaN, Number.NaN])
})
