import { clockText, leftText, roughLength } from './lengths'

test.each([
  [0, '0:00'],
  [-5000, '0:00'],
  [59_001, '1:00'],
  [605_000, '10:05'],
  [3_723_000, '1:02:03'],
])('%i ms is %s on a clock', (length, text) => {
  expect(clockText(length)).toBe(text)
})

test.each([
  [4_000, 'just now'],
  [40_000, '40 s'],
  [180_000, '3 min'],
  [7_200_000, '2 h'],
])('%i ms is roughly %s', (length, text) => {
  expect(roughLength(length)).toBe(text)
})

test.each([
  [300, '5 min left'],
  [30, '30 s left'],
])('%i s before the end it is said: %s', (seconds, text) => {
  expect(leftText(seconds)).toBe(text)
})
