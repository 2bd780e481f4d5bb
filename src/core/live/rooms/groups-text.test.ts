import { groupsText } from './groups-text'

const room = (id: string, link = '') => ({ id, name: `Room ${id}`, link })
const person = (shownName: string, roomId: string | null, admitted = true) => ({
  shownName,
  roomId,
  admitted,
})

test('each room on a line with who is in it, and its link below; empty rooms are left out', () => {
  const rooms = [room('1', 'https://talk.example/1'), room('2'), room('3')]
  const people = [
    person('Ana', '1'),
    person('Bo', '2'),
    person('Chi', '1'),
    person('Zoë', null),
    person('Out', 'gone'),
  ]
  expect(groupsText('Evening 6', rooms, people)).toBe(
    'Evening 6\nRoom 1: Ana, Chi\nhttps://talk.example/1\nRoom 2: Bo\nNo room yet: Zoë, Out',
  )
})

test('whoever still waits is in no list, and nobody is no fault', () => {
  expect(groupsText('Evening 6', [room('1')], [person('Ana', '1', false)])).toBe('Evening 6')
  expect(groupsText('Evening 6', [], [])).toBe('Evening 6')
})
