import { waitWords } from './office-words'

test.each([
  [0, 'Probably at once.'],
  [29_000, 'Probably at once.'],
  [61_000, 'About a minute.'],
  [9.6 * 60_000, 'About 10 minutes.'],
  [119 * 60_000, 'About 2 hours.'],
])('a wait of %d ms is said as %s', (wait, words) => {
  expect(waitWords(wait)).toBe(words)
})
