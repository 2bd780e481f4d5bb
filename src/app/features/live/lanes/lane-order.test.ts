import { newRoom } from '~/core/live/rooms/room'
import { inHeldOrder } from '../needs/use-needs'
import { laneSize, orderedRooms, whenWhole } from './lane-order'

const rooms = ['a', 'b', 'c', 'd'].map(id => newRoom({ id, name: id, copyId: id }))
const need = (roomId: string) => ({ roomId, points: 0, reasons: [] })

test('rooms stand as in the plan, or as they need somebody with empty rooms after them', () => {
  const needs = [need('d'), need('b')]
  expect(orderedRooms({ rooms }, needs, 'rooms')).toEqual(['a', 'b', 'c', 'd'])
  expect(orderedRooms({ rooms }, needs, 'need')).toEqual(['d', 'b', 'a', 'c'])
  expect(orderedRooms({ rooms }, [], 'need')).toEqual(['a', 'b', 'c', 'd'])
})

test('while an order is held nothing moves; what is new comes at the end, and what is gone is gone', () => {
  expect(inHeldOrder(['a', 'b', 'c'], ['c', 'b', 'a'])).toEqual(['a', 'b', 'c'])
  expect(inHeldOrder(['a', 'b', 'c'], ['d', 'c', 'a'])).toEqual(['a', 'c', 'd'])
  expect(inHeldOrder([], ['a'])).toEqual(['a'])
})

test('twelve rooms are dense, with fifty those that need nobody fold while people are at work, on a phone sooner; six are drawn in full', () => {
  const sizes = (rooms: number, onPhone = false) =>
    [true, false].map(needsSomebody => laneSize(rooms, { needsSomebody, inRound: true, onPhone }))
  expect(sizes(6)).toEqual(['full', 'full'])
  expect(sizes(12)).toEqual(['dense', 'dense'])
  expect(sizes(50)).toEqual(['dense', 'folded'])
  expect(sizes(6, true)).toEqual(['full', 'full'])
  expect(sizes(7, true)).toEqual(['dense', 'folded'])
  expect(laneSize(50, { needsSomebody: false, inRound: false })).toBe('dense')
})

test('of more than sixteen rooms the first two dozen are drawn whole until it is known what is in sight; on a phone and of few all are', () => {
  expect([0, 23, 24, 99].map(place => whenWhole(100, place, false))).toEqual([
    'at first',
    'at first',
    'near',
    'near',
  ])
  expect([whenWhole(16, 15, false), whenWhole(17, 16, false)]).toEqual(['always', 'at first'])
  expect(whenWhole(100, 99, true)).toBe('always')
})
