import { rootMeanSquare } from 'simple-statistics'
import { levelOf, Speaking } from './speaking'

test('somebody speaks from the first loud moment until they have paused', () => {
  const speaking = new Speaking()
  expect(speaking.hear(0.001, 0)).toBeNull()
  expect(speaking.hear(0.3, 100)).toBe(true)
  expect(speaking.hear(0.3, 200)).toBeNull()
  // Between two words.
  expect(speaking.hear(0, 600)).toBeNull()
  expect(speaking.hear(0.2, 900)).toBeNull()
  expect(speaking.hear(0, 1_600)).toBeNull()
  expect(speaking.hear(0, 1_601)).toBe(false)
  expect(speaking.hear(0, 9_000)).toBeNull()
})

test('the level is the root mean square of the samples, and of none nothing', () => {
  const samples = [0.5, -0.5, 0.1, 0]
  expect(levelOf(Float32Array.from(samples))).toBeCloseTo(rootMeanSquare(samples), 6)
  // A sine has its amplitude over the square root of two (textbook value, from memory).
  const sine = Array.from({ length: 1_000 }, (_, index) => Math.sin((index / 1_000) * 2 * Math.PI))
  expect(levelOf(sine)).toBeCloseTo(Math.SQRT1_2, 6)
  expect(levelOf([])).toBe(0)
})
