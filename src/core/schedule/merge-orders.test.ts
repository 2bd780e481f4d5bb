import { mergeOrders, type PlannedOrder } from './merge-orders'
import { newSegment, type Segment } from './running-order'

const segment = (id: string, part: Partial<Segment> = {}) => ({ ...newSegment(id, 'rooms'), ...part })
const order = (segments: Segment[], minutes: number | null = null): PlannedOrder => ({ segments, minutes })
const base = order([segment('a'), segment('b'), segment('c')], 60)

test('each changes something of the same plan: both are in', () => {
  const mine = order([segment('a', { minutes: 20 }), segment('b'), segment('c'), segment('mine')], 60)
  const theirs = order([segment('c'), segment('a', { cues: 'Hand out nets.' }), segment('b')], 90)
  expect(mergeOrders(base, mine, theirs)).toEqual(
    order(
      [segment('c'), segment('mine'), segment('a', { minutes: 20, cues: 'Hand out nets.' }), segment('b')],
      90,
    ),
  )
})

test('what one took out goes, unless the other changed it meanwhile', () => {
  const mine = order([segment('a')], 60)
  const theirs = order([segment('a'), segment('b'), segment('c', { name: 'Kept' })], 60)
  expect(mergeOrders(base, mine, theirs).segments).toEqual([segment('a'), segment('c', { name: 'Kept' })])
})

test('a field that says nothing any more is gone', () => {
  const said = order([segment('a', { parts: ['p'] })])
  const { parts: _, ...silent } = segment('a', { parts: ['p'] })
  expect(mergeOrders(said, order([silent]), said).segments[0]).not.toHaveProperty('parts')
})
