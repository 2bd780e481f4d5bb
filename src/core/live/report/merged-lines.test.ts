import fc from 'fast-check'
import { mergedLines } from './merged-lines'

const lines = fc.array(fc.constantFrom('herons', 'reeds', 'a sluice', 'mud', ''), { maxLength: 5 })
const text = lines.map(each => each.join('\n'))
const newIn = (after: string, before: string) =>
  after.split('\n').filter(line => line !== '' && !before.split('\n').includes(line))

test('nothing that either has added is lost, and nothing that one took out and the other left comes back', () => {
  fc.assert(
    fc.property(text, text, text, (base, mine, theirs) => {
      const merged = mergedLines(base, mine, theirs).split('\n')
      for (const line of [...newIn(mine, base), ...newIn(theirs, base)]) expect(merged).toContain(line)
      for (const gone of newIn(base, mine)) expect(merged).not.toContain(gone)
      for (const gone of newIn(base, theirs)) expect(merged).not.toContain(gone)
    }),
  )
})

test.each([
  ['one alone has changed it', 'a', 'a\nb', 'a', 'a\nb'],
  ['the other alone has', 'a', 'a', 'a\nb', 'a\nb'],
  ['both begin', '', 'mine', 'theirs', 'theirs\nmine'],
  ['both add the same', 'a', 'a\nb', 'a\nb', 'a\nb'],
  ['both change one line', 'a bird', 'a heron', 'a grey bird', 'a grey bird\na heron'],
  ['one takes all out, the other adds', 'a', '', 'a\nb', 'b'],
])('%s', (_what, base, mine, theirs, merged) => {
  expect(mergedLines(base, mine, theirs)).toBe(merged)
})
