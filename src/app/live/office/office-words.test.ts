import { timeWords, waitWords } from './office-words'

test.each([
  [0, 'Probably at once.'],
  [29_000, 'Probably at once.'],
  [61_000, 'About a minute.'],
  [9.6 * 60_000, 'About 10 minutes.'],
  [119 * 60_000, 'About 2 hours.'],
])('a wait of %d ms is said as %s', (wait, words) => {
  expect(waitWords(wait)).toBe(words)
})

test('a time of another day is said with its day', () => {
  const noon = new Date(2027, 2, 27, 12).getTime()
  expect(timeWords(new Date(2027, 2, 27, 9, 5).getTime(), noon)).toBe('09:05')
  expect(timeWords(new Date(2027, 3, 1, 9, 5).getTime(), noon)).toBe('Thu 1 Apr, 09:05')
})
