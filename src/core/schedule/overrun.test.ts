import fc from 'fast-check'
import { type Cuts, harm, leaveOut, type Stretch, shorten } from './overrun'

/** Every way to take `over` minutes. */
function* allWays(stretches: readonly Stretch[], over: number): Generator<Cuts> {
  const [first, ...others] = stretches
  if (!first) {
    if (over === 0) yield []
    return
  }
  for (let by = 0; by <= Math.min(over, Math.max(0, first.minutes - first.least)); by++)
    for (const rest of allWays(others, over - by)) yield by > 0 ? [{ id: first.id, by }, ...rest] : rest
}

const stretch = fc.record({ minutes: fc.integer({ min: 1, max: 9 }), least: fc.integer({ min: 1, max: 6 }) })
const plans = fc
  .array(stretch, { maxLength: 4 })
  .map(list => list.map((one, index): Stretch => ({ id: `s${index}`, ...one })))

test('what is proposed is the least harmful of all ways there are, and null only where there is none', () => {
  fc.assert(
    fc.property(plans, fc.integer({ min: 1, max: 12 }), (stretches, over) => {
      const ways = [...allWays(stretches, over)]
      const proposed = shorten(stretches, over)
      if (!proposed) return expect(ways).toEqual([])
      expect(proposed.reduce((sum, { by }) => sum + by, 0)).toBe(over)
      for (const { id, by } of proposed) {
        const one = stretches.find(each => each.id === id)
        expect((one?.minutes ?? 0) - by).toBeGreaterThanOrEqual(one?.least ?? 99)
      }
      expect(harm(stretches, proposed)).toBeCloseTo(Math.min(...ways.map(way => harm(stretches, way))), 9)
    }),
    { numRuns: 300 },
  )
})

test('a long segment gives more than a short one', () => {
  const stretches = [
    { id: 'long', minutes: 30, least: 5 },
    { id: 'short', minutes: 10, least: 5 },
  ]
  expect(shorten(stretches, 8)).toEqual([
    { id: 'long', by: 6 },
    { id: 'short', by: 2 },
  ])
  expect(shorten(stretches, 31)).toBeNull()
})

test('the shortest segment that makes up for it is the one to leave out', () => {
  const stretches = [
    { id: 'a', minutes: 20, least: 5 },
    { id: 'b', minutes: 8, least: 5 },
    { id: 'c', minutes: 3, least: 2 },
  ]
  expect([leaveOut(stretches, 4), leaveOut(stretches, 3), leaveOut(stretches, 21)]).toEqual(['b', 'c', null])
})
