import fc from 'fast-check'
import * as reference from 'simple-statistics'
import { mean, median, medianOfOthers } from './spread'

test('median and mean are those of the package simple-statistics', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 1, maxLength: 60 }), numbers => {
      expect(median(numbers)).toBe(reference.median(numbers))
      expect(mean(numbers)).toBeCloseTo(reference.mean(numbers), 9)
    }),
  )
})

test('the median of all but one of them is that of the package simple-statistics', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 2, maxLength: 60 }),
      fc.nat(59),
      (numbers, pick) => {
        const ordered = numbers.toSorted((one, other) => one - other)
        const left = pick % ordered.length
        const others = ordered.filter((_, place) => place !== left)
        expect(medianOfOthers(ordered, ordered[left] ?? 0)).toBe(reference.median(others))
      },
    ),
  )
  expect(medianOfOthers([5], 5)).toBe(Number.NaN)
})

test('of no numbers there is neither', () => {
  expect([median([]), mean([])]).toEqual([Number.NaN, Number.NaN])
})
