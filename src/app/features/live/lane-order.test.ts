import { newRoom } from '~/core/live/rooms/room'
import { orderedRooms } from './lane-order'

const room = (id: string) => newRoom({ id, name: id, copyId: id })
const call = (roomId: string, at: number) =>
  ({ id: roomId, roomId, participantId: 'p', at, closedAt: null, how: null }) as const
const rooms = [room('a'), room('b'), room('c'), room('d')]
const lastVisit = { a: 50, c: 20, d: 60 }

test('rooms stand as in the plan', () => {
  expect(orderedRooms({ rooms, lastVisit, help: [call('d', 1)] }, 'rooms')).toBe(rooms)
})

test('by need: who calls longest, then who was never visited, then whose visit is longest ago', () => {
  const order = orderedRooms({ rooms, lastVisit, help: [call('d', 9), call('a', 5)] }, 'need').map(
    each => each.id,
  )
  expect(order).toEqual(['a', 'd', 'b', 'c'])
})
