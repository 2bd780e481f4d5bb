import fc from 'fast-check'
import { groupsFromText } from './groups-from-text'
import { groupsText } from './groups-text'
import { LONGEST_ROOM_NAME } from './room'

const person = (id: string, shownName = id, typedName = shownName) => ({ id, shownName, typedName })
const people = [
  person('ana', 'Ana P.'),
  person('bo', 'Bo'),
  person('chi', 'Chi'),
  person('z', 'Zoë K.', 'zoe'),
]
const read = (text: string) => groupsFromText(text, people)

test('a group a line, with a name or without, by names as they are shown or were typed', () => {
  expect(read('Reeds: ana p., BO\n\n Chi ; Zoe\thttps\nhttps://talk.example')).toEqual({
    groups: [
      { name: 'Reeds', participantIds: ['ana', 'bo'] },
      { name: 'Group 2', participantIds: ['chi', 'z'] },
    ],
    unknown: ['https'],
    twice: [],
  })
})

test('who nobody knows and who stands twice is said; a line with nobody here makes no group', () => {
  expect(read('One: Bo, Quux\nTwo: Bo\nThree: Nobody\nOne: Chi')).toEqual({
    groups: [
      { name: 'One', participantIds: ['bo'] },
      { name: 'One 2', participantIds: ['chi'] },
    ],
    unknown: ['Quux', 'Nobody'],
    twice: ['Bo'],
  })
  expect(read('')).toEqual({ groups: [], unknown: [], twice: [] })
  expect(read(':\n,,;\n')).toEqual({ groups: [], unknown: [], twice: [] })
})

test('what is copied is read back as it was', () => {
  const rooms = [
    { id: 'r', name: 'Reeds', link: 'https://talk.example/r' },
    { id: 'b', name: 'Birds', link: '' },
  ]
  const placed = people.map((each, at) => ({ ...each, roomId: at % 2 ? 'b' : 'r', admitted: true }))
  expect(read(groupsText('An evening', rooms, placed))).toEqual({
    groups: [
      { name: 'Reeds', participantIds: ['ana', 'chi'] },
      { name: 'Birds', participantIds: ['bo', 'z'] },
    ],
    // Its first line is no group.
    unknown: ['An evening'],
    twice: [],
  })
})

test('whatever is pasted, groups have names of their own that fit, and nobody is in two', () => {
  const line = fc.array(fc.constantFrom('Bo', 'Chi', 'Ana P.', ':', ',', 'x'.repeat(70), 'One', '\t', ' '), {
    maxLength: 8,
  })
  fc.assert(
    fc.property(fc.array(line, { maxLength: 12 }), lines => {
      const { groups } = read(lines.map(parts => parts.join('')).join('\n'))
      const names = groups.map(group => group.name.toLowerCase())
      const ids = groups.flatMap(group => group.participantIds)
      return (
        new Set(names).size === names.length &&
        new Set(ids).size === ids.length &&
        groups.every(({ name }) => name.trim() !== '' && name.length <= LONGEST_ROOM_NAME)
      )
    }),
  )
})
