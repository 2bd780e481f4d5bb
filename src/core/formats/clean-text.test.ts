import { cleanText } from './clean-text'

test.each([
  ['a\u0000b', 'ab'],
  ['half \ud83d of a pair', 'half \ufffd of a pair'],
  ['whole 🦆 pair', 'whole 🦆 pair'],
])('%j is kept as %j', (text, kept) => {
  expect(cleanText(text)).toBe(kept)
})
