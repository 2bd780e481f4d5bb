import fc from 'fast-check'
import {
  LONGEST_SEGMENT,
  newSegment,
  orderOfRounds,
  runningOrderSchema,
  type Segment,
  timesOf,
  totalMinutes,
  withLength,
  withMoved,
  without,
} from './running-order'
import { timeOfDay } from './session-time'

const order = (): Segment[] => [
  { ...newSegment('a', 'whole'), minutes: 10 },
  { ...newSegment('b', 'rooms'), minutes: 12 },
  { ...newSegment('c', 'break'), minutes: 5 },
  { ...newSegment('d', 'rooms'), groups: { from: 'earlier', segmentId: 'b' } },
]
const ids = (segments: readonly { id: string }[]) => segments.map(({ id }) => id).join('')

test('segments follow one another without a gap, and their lengths add up to the whole', () => {
  expect(timesOf(order())).toEqual([
    { from: 0, to: 10 },
    { from: 10, to: 22 },
    { from: 22, to: 27 },
    { from: 27, to: 39 },
  ])
  expect(totalMinutes(order())).toBe(39)
  expect(timesOf([])).toEqual([])
})

test('a segment is moved to a place, and beyond the ends stands first or last', () => {
  expect(ids(withMoved(order(), 'a', 2))).toBe('bcad')
  expect(ids(withMoved(order(), 'd', -3))).toBe('dabc')
  expect(ids(withMoved(order(), 'a', 99))).toBe('bcda')
  expect(ids(withMoved(order(), 'nobody', 0))).toBe('abcd')
})

test('lengths stay between a minute and the longest, whatever is asked', () => {
  const minutes = (wanted: number) => withLength(order(), 'a', wanted)[0]?.minutes
  expect([minutes(0), minutes(-5), minutes(7.4), minutes(1e9), minutes(Number.NaN)]).toEqual([
    1,
    1,
    7,
    LONGEST_SEGMENT,
    10,
  ])
})

test('whoever took groups from a segment that is taken out makes them in the session', () => {
  expect(without(order(), 'b').at(-1)?.groups).toEqual({ from: 'live' })
  expect(without(order(), 'c').at(-1)?.groups).toEqual({ from: 'earlier', segmentId: 'b' })
})

test('whatever is changed, an order stays one that can be kept, with every segment once', () => {
  const step = fc.oneof(
    fc.record({
      what: fc.constant('move' as const),
      id: fc.constantFrom('a', 'b', 'c', 'd'),
      to: fc.integer(),
    }),
    fc.record({ what: fc.constant('length' as const), id: fc.constantFrom('a', 'b'), to: fc.double() }),
    fc.record({ what: fc.constant('out' as const), id: fc.constantFrom('b', 'c'), to: fc.constant(0) }),
  )
  fc.assert(
    fc.property(fc.array(step, { maxLength: 30 }), steps => {
      let now = order()
      for (const { what, id, to } of steps) {
        const before = ids(now)
        if (what === 'move') now = withMoved(now, id, to)
        if (what === 'length') now = withLength(now, id, to)
        if (what === 'out') now = without(now, id)
        expect([...ids(now)].toSorted().join('')).toBe(
          [...before]
            .filter(one => what !== 'out' || one !== id)
            .toSorted()
            .join(''),
        )
      }
      expect(runningOrderSchema.safeParse(now).success).toBe(true)
    }),
  )
})

test('two segments with one id, or more than forty, are not kept', () => {
  const twice = [newSegment('a', 'whole'), newSegment('a', 'rooms')]
  const many = Array.from({ length: 41 }, (_, index) => newSegment(`s${index}`, 'whole'))
  expect(runningOrderSchema.safeParse(twice).success).toBe(false)
  expect(runningOrderSchema.safeParse(many).success).toBe(false)
  expect(runningOrderSchema.safeParse(many.slice(1)).success).toBe(true)
})

test('a grouping of three rounds lays out three times in rooms with the whole group between', () => {
  let next = 0
  const rounds = orderOfRounds(
    () => `s${next++}`,
    3,
    round => ({ groups: { from: 'grouping', groupingId: 'g', round } }),
  )
  expect(rounds.map(({ kind }) => kind).join(' ')).toBe('whole rooms whole rooms whole rooms whole')
  expect(rounds.filter(({ kind }) => kind === 'rooms').map(({ groups }) => groups)).toEqual(
    [0, 1, 2].map(round => ({ from: 'grouping', groupingId: 'g', round })),
  )
})

// Europe/London goes from 01:59 to 01:00 on 25 October 2026 and from 00:59 to 02:00 on 29 March 2026 (IANA time zone database);
// the reference is Intl.DateTimeFormat of the platform.
test.each([
  ['2026-10-25T00:30:00Z', 'Europe/London'],
  ['2026-03-29T00:30:00Z', 'Europe/London'],
  ['2026-04-04T14:30:00Z', 'Australia/Lord_Howe'],
])('segments keep their lengths over a change of the clocks: from %s in %s', (start, timeZone) => {
  const reference = new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' })
  const long = Array.from({ length: 12 }, (_, index) => ({ ...newSegment(`${index}`, 'whole'), minutes: 15 }))
  for (const { from } of timesOf(long)) {
    const at = Date.parse(start) + from * 60_000
    expect(timeOfDay(at, timeZone)).toBe(reference.format(at))
  }
})
