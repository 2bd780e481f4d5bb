import fc from 'fast-check'
import { randomStream } from '../../random/random'
import { inOrder, type RoomToReport, reporterOf } from './order'
import { ORDERS } from './report'

const room = (id: string, pieces = 0, heard = 0, answer: string | null = null): RoomToReport => ({
  id,
  pieces,
  heard,
  answer,
})
const chance = randomStream(7)

test('rooms are heard as planned, most work first, or heard least first; equals stay as planned', () => {
  const rooms = [room('a', 2, 1), room('b', 5, 0), room('c', 2, 0)]
  expect(inOrder(rooms, 'plan', chance)).toEqual(['a', 'b', 'c'])
  expect(inOrder(rooms, 'most', chance)).toEqual(['b', 'a', 'c'])
  expect(inOrder(rooms, 'unheard', chance)).toEqual(['b', 'c', 'a'])
})

test('the rarest answer comes first, and rooms without one last', () => {
  const rooms = [room('a', 0, 0, 'Yes'), room('b'), room('c', 0, 0, 'No'), room('d', 0, 0, 'Yes')]
  expect(inOrder(rooms, 'rarest', chance)).toEqual(['c', 'a', 'd', 'b'])
})

test('whatever the order, every room is in it once', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.string({ minLength: 1 }), { maxLength: 30 }),
      fc.constantFrom(...ORDERS),
      fc.integer(),
      (ids, by, seed) => {
        const ordered = inOrder(
          ids.map((id, at) => room(id, at % 4, at % 3, at % 5 === 0 ? null : String(at % 2))),
          by,
          randomStream(seed),
        )
        expect([...ordered].sort()).toEqual([...ids].sort())
      },
    ),
  )
})

test('by chance each of three rooms is first about equally often', () => {
  const first: Record<string, number> = {}
  for (let seed = 0; seed < 3_000; seed++) {
    const [id = ''] = inOrder([room('a'), room('b'), room('c')], 'chance', randomStream(seed))
    first[id] = (first[id] ?? 0) + 1
  }
  // A fair lot gives 1,000 each; five times its deviation (25.8) is 129.
  for (const count of Object.values(first)) expect(Math.abs(count - 1_000)).toBeLessThan(129)
})

const person = (id: string, now = 0, before = 0, isReporter = false) => ({
  id,
  shownName: id,
  isReporter,
  now,
  before,
})

test('who has the role reports; without one, who did so least, of equals the first by name', () => {
  expect(reporterOf([person('b'), person('a', 3, 3, true)], 'role')).toBe('a')
  expect(reporterOf([person('b'), person('a')], 'role')).toBe('a')
  expect(reporterOf([person('b', 0, 9), person('a', 1)], 'turn')).toBe('b')
  expect(reporterOf([person('b', 0, 9), person('a', 1)], 'weeks')).toBe('a')
  expect(reporterOf([], 'turn')).toBeNull()
})
