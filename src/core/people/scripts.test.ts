import { mixesScripts } from './scripts'
import { plainName } from './shown-name'

// Names as they are written around the world: common practice, no source.
test.each([
  'Ana',
  'Žofia Łąkowa',
  'Анна Мария',
  'Ελένη',
  'محمد',
  'नेहा',
  '山田たろう',
  '김민준',
  'O’Brien-Smith',
  'Nguyễn Thị',
  'Anna Анна',
  'さくら ミキ',
  'Lee 민호',
  'Zoe\u0308',
  '',
  '🦆 Ana',
])('a name in one alphabet a word is well: %s', name => {
  expect(mixesScripts(name)).toBe(false)
})

// Cyrillic а and о, Greek ο, Armenian օ, Cherokee Ꭺ: the usual examples of confusable letters (UTS 39, section 4).
test.each(['\u0410na', 'B\u043e', 'B\u03bf', 'Ana B\u0585', '\u13aana'])(
  'a letter of another alphabet within a word is seen: %s',
  name => {
    expect(mixesScripts(name)).toBe(true)
  },
)

test('names that look the same are compared as the same: width, case, accents, what is not seen', () => {
  for (const name of ['ＡＮＡ', 'a\u200bna', 'A\u00adna', 'Ána', ' ana ', 'an\u2060a', 'A\ufe0fna'])
    expect(plainName(name)).toBe('ana')
})
