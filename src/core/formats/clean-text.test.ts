import { cleanText, parseClean, visibleText } from './clean-text'

test.each([
  ['a\u0000b', 'ab'],
  ['half \ud83d of a pair', 'half \ufffd of a pair'],
  ['whole 🦆 pair', 'whole 🦆 pair'],
])('%j is kept as %j', (text, kept) => {
  expect(cleanText(text)).toBe(kept)
})

test('what cannot be seen does not come in with a name; what spells a word stays', () => {
  expect(visibleText('Ana\u202eanA')).toBe('AnaanA')
  expect(visibleText('\ufeffA\u200bn\u2066a\u2069\u00ad')).toBe('Ana')
  expect(visibleText('می\u200cخواهم')).toBe('می\u200cخواهم')
  expect(visibleText('two\nlines\tand a tab')).toBe('two\nlines\tand a tab')
})

test('what is escaped in JSON comes in clean too, in texts and in names, however deep', () => {
  const sent = String.raw`{ "a\u0000": ["b\u0000c", { "d": "\ud800", "e": 1 }], "f": null, "g": true }`
  expect(parseClean(sent)).toEqual({ a: ['bc', { d: '\ufffd', e: 1 }], f: null, g: true })
  expect(parseClean('"x\\u0000"')).toBe('x')
  expect(() => parseClean('{')).toThrow(SyntaxError)
})
