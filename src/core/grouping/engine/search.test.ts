import { minusLog, Numbers, temperatureAt } from './search'

test('temperatures fall from start to end, by halves in equal times', () => {
  const cooling = { start: 64, end: 4, steps: 4000 }
  expect([0, 1000, 2000, 3000, 4000].map(step => temperatureAt(cooling, step))).toEqual([64, 32, 16, 8, 4])
  expect(temperatureAt(cooling, 500)).toBe(48)
  const all = Array.from({ length: 400 }, (_, at) => temperatureAt(cooling, at * 10))
  expect(all.every((warm, at) => at === 0 || warm < (all[at - 1] ?? 0))).toBe(true)
})

// Whole halvings end between half the end and the end, whatever it is.
test.each([
  [100, 3],
  [1, 0.3],
  [5, 5],
  [7, 9],
])('from %d the last temperature is near %d', (start, end) => {
  const last = temperatureAt({ start, end, steps: 100 }, 100)
  expect(last).toBeLessThanOrEqual(end)
  expect(last).toBeGreaterThanOrEqual(Math.min(end, start) / 2)
})

// Marsaglia's generator is fair enough: a chi-square over 16 cells of 160,000 draws stays below its 0.999 quantile
// for 15 degrees of freedom, 37.70 (a table, from memory).
test('random numbers are spread evenly, and the logarithm of one has mean 1', () => {
  const numbers = new Numbers(5)
  const counts = Array<number>(16).fill(0)
  for (let draw = 0; draw < 160_000; draw++) {
    const cell = numbers.below(16)
    counts[cell] = (counts[cell] ?? 0) + 1
  }
  const square = counts.reduce((sum, count) => sum + (count - 10_000) ** 2 / 10_000, 0)
  expect(square).toBeLessThan(37.7)
  let sum = 0
  for (let draw = 0; draw < 100_000; draw++) sum += minusLog(numbers)
  expect(sum / 100_000).toBeCloseTo(1, 1)
})
