import { readGroups, writeGroups } from './groups-file'

const person = (id: string, firstName: string, familyName: string, shownName = firstName) => ({
  id,
  firstName,
  familyName,
  shownName,
})
const people = [
  person('a', 'Inês', 'Caldeira', 'Inês C.'),
  person('b', 'Bram', 'Oosterhuis', 'Bram O.'),
  person('c', 'Ana', 'Silva', 'Ana S. (1)'),
  person('d', 'Ana', 'Silva', 'Ana S. (2)'),
  person('e', '=Edda', '', '=Edda'),
]
const byId = new Map(people.map(each => [each.id, each]))

test('reads groups by whole or shown name, whatever case, accents and order of columns', () => {
  const { rounds, faults } = readGroups(
    'Name;Group\nines caldeira;Reeds\nBRAM O;Birds\nAna S. (2);reeds',
    people,
  )
  expect(faults).toEqual([])
  expect(rounds).toEqual([
    [
      { name: 'Reeds', personIds: ['a', 'd'] },
      { name: 'Birds', personIds: ['b'] },
    ],
  ])
})

test('without a header the first column is the group', () => {
  expect(readGroups('Reeds\tBram O.\nReeds\tInês C.', people).rounds).toEqual([
    [{ name: 'Reeds', personIds: ['b', 'a'] }],
  ])
})

test('rows that can not be used are named, and the others are taken', () => {
  const text =
    'round,group,name\n1,Reeds,Bram O.\n1,Birds,Bram O.\n1,Birds,Ana Silva\n\n1,Birds,Nobody\n1,,Inês C.\nx,Birds,Inês C.\n2,Birds,'
  const { rounds, faults } = readGroups(text, people)
  expect(rounds).toEqual([[{ name: 'Reeds', personIds: ['b'] }]])
  expect(faults.map(({ row, reason }) => [row, reason])).toEqual([
    [3, 'twice'],
    [4, 'several-of-that-name'],
    [6, 'unknown-name'],
    [7, 'no-group'],
    [8, 'round'],
    [9, 'no-name'],
  ])
})

test('what is written comes in again, over several rounds and with harmless formulas', () => {
  const rounds = [
    [
      { name: 'Reeds', personIds: ['a', 'c'] },
      { name: 'Birds, early', personIds: ['b', 'd', 'e'] },
    ],
    [
      { name: 'Reeds', personIds: ['d', 'c'] },
      { name: 'Birds, early', personIds: ['b', 'a', 'e'] },
    ],
  ]
  const text = writeGroups(rounds, byId)
  expect(text.split('\r\n')[0]).toBe('round,group,name')
  expect(text).toContain("'=Edda")
  expect(readGroups(text, people)).toEqual({ rounds, faults: [] })
  expect(writeGroups(rounds.slice(0, 1), byId).split('\r\n')[0]).toBe('group,name')
})
