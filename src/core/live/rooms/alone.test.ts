import { aloneRooms } from './alone'

const rooms = ['reeds', 'birds', 'soil', 'map'].map(id => ({ id, name: id.toUpperCase() }))
const people = (sizes: number[]) =>
  sizes.flatMap((size, room) =>
    Array.from({ length: size }, (_, index) => {
      const id = `${rooms[room]?.id}-${index}`
      return { id, shownName: id, roomId: rooms[room]?.id ?? null }
    }),
  )

test.each([
  ['nobody', [0, 0, 0, 0]],
  ['two and three', [2, 3, 0, 0]],
])('%s: nobody is alone', (_, sizes) => {
  expect(aloneRooms(rooms, people(sizes))).toEqual([])
})

test('people without a room, or in one that is gone, are in nobody’s way', () => {
  const elsewhere = [
    { id: 'x', shownName: 'X', roomId: null },
    { id: 'y', shownName: 'Y', roomId: 'gone' },
  ]
  expect(aloneRooms(rooms, elsewhere)).toEqual([])
})

test('the only one of all is alone, and no move mends that', () => {
  expect(aloneRooms(rooms, people([0, 1, 0, 0]))).toMatchObject([{ roomId: 'birds', mends: [] }])
})

test('the lonely one may go to the fewest others; a room of four or more can spare somebody', () => {
  expect(aloneRooms(rooms, people([1, 3, 4, 2]))).toMatchObject([
    {
      roomId: 'reeds',
      person: { id: 'reeds-0' },
      mends: [
        { kind: 'merge', participantId: 'reeds-0', toRoomId: 'map', roomName: 'MAP' },
        { kind: 'bring', participantId: 'soil-3', toRoomId: 'reeds', roomName: 'SOIL' },
      ],
    },
  ])
})

test('of three, nobody is taken', () => {
  const [alone] = aloneRooms(rooms, people([1, 3, 3, 3]))
  expect(alone?.mends.map(mend => mend.kind)).toEqual(['merge'])
})

test('two who are alone are put together', () => {
  const alone = aloneRooms(rooms, people([1, 1, 3, 0]))
  expect(alone.map(each => each.mends[0]?.toRoomId)).toEqual(['birds', 'reeds'])
})
