import { isSame, mergeFields, mergeLists } from './merge'

test('what is undefined is the same as what is not there, at any depth; what is there is not', () => {
  const part = { id: 'p', title: 'Visit', minutes: undefined, settings: { most: undefined, least: 1 } }
  expect(isSame(part, { id: 'p', title: 'Visit', settings: { least: 1 } })).toBe(true)
  expect(isSame(part, { ...part, minutes: 8 })).toBe(false)
  expect(isSame(part, { ...part, settings: { least: 2 } })).toBe(false)
  expect(isSame({ list: [1, 2] }, { list: [2, 1] })).toBe(false)
})

test('merged with the answer to itself, a field that was left empty is no change of somebody else', () => {
  const sent = [{ id: 'p', title: 'Visit', minutes: undefined as number | undefined }]
  const answer = JSON.parse(JSON.stringify(sent)) as typeof sent
  const both = mergeLists(sent, sent, answer, mergeFields)
  expect(isSame(both, sent)).toBe(true)
})
