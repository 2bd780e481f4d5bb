import { changesBetween } from './compare'

const group = (id: string, name: string, people: string) => ({ id, name, personIds: [...people] })

test('who stands elsewhere, who came and who left; a renamed group is the same group', () => {
  const before = [group('1', 'Reeds', 'abc'), group('2', 'Birds', 'de')]
  const after = [group('1', 'Rushes', 'abd'), group('2', 'Birds', 'ef')]
  expect(changesBetween(before, after)).toEqual([
    { personId: 'c', from: 'Reeds', to: null },
    { personId: 'd', from: 'Birds', to: 'Rushes' },
    { personId: 'f', from: null, to: 'Birds' },
  ])
})

test('groups made anew under the same name are the same groups', () => {
  expect(changesBetween([group('1', 'Reeds', 'ab')], [group('9', 'reeds', 'ab')])).toEqual([])
})
