import fc from 'fast-check'
import {
  BEHIND,
  LEFT_MS,
  MISSING_MS,
  needsOf,
  POINTS,
  REASON_KINDS,
  type ReasonKind,
  type RoomFacts,
  SILENT_MS,
  UNVISITED_MS,
} from './needs'
import { REASON_NAMES, reasonWords } from './words'

// What counts as a reason is common practice of people who walk from group to group, no published source; the numbers are our own.

const MINUTE = 60_000
const ROUND = { startedAt: 1_000_000, endsAt: 1_000_000 + 20 * MINUTE }
const NOW = ROUND.startedAt + 5 * MINUTE

const person = (id: string, more: object = {}) => ({
  id,
  shownName: id.toUpperCase(),
  connected: true,
  hasDevice: true,
  seenAt: ROUND.startedAt,
  ...more,
})

/** A room at work that needs nobody, five minutes into a round. */
const room = (roomId: string, more: Partial<RoomFacts> = {}): RoomFacts => ({
  roomId,
  people: ['a', 'b', 'c', 'd'].map(id => person(id)),
  calledAt: null,
  visitedAt: null,
  isVisited: false,
  writtenAt: NOW - 10_000,
  board: 0,
  prompts: 6,
  begun: 3,
  done: false,
  edits: { a: 10, b: 10, c: 10, d: 10 },
  ...more,
})

const four = (first: Partial<RoomFacts>) => [room('one', first), room('two'), room('three'), room('four')]
const reasonsOf = (rooms: RoomFacts[], now = NOW, off?: Set<ReasonKind>) =>
  needsOf(rooms, ROUND, now, off).find(({ roomId }) => roomId === 'one')?.reasons ?? []
const kinds = (...asked: Parameters<typeof reasonsOf>) => reasonsOf(...asked).map(({ kind }) => kind)
const words = (...asked: Parameters<typeof reasonsOf>) =>
  reasonsOf(...asked).map(reason => reasonWords(reason, asked[1] ?? NOW))

test('rooms at work need nobody, and stand in the order they came in', () => {
  expect(needsOf(four({}), ROUND, NOW)).toEqual(
    ['one', 'two', 'three', 'four'].map(roomId => ({ roomId, points: 0, reasons: [] })),
  )
  expect(needsOf([], ROUND, NOW)).toEqual([])
})

test('of rooms that need nobody the one whose visit is longest ago comes first, never visited before all', () => {
  const rooms = [room('one', { visitedAt: NOW - 1 }), room('two', { visitedAt: NOW - 60_000 }), room('three')]
  expect(needsOf(rooms, ROUND, NOW).map(({ roomId }) => roomId)).toEqual(['three', 'two', 'one'])
})

test('every reason says itself in words, and is there from its edge on, not before', () => {
  const seen: Record<ReasonKind, [without: string[], from: string[]]> = {
    help: [words(four({})), words(four({ calledAt: NOW - 3 * MINUTE }))],
    alone: [words(four({ people: [person('a'), person('b')] })), words(four({ people: [person('a')] }))],
    missing: [
      words(four({ people: [person('a'), person('b', { connected: false, seenAt: NOW - MISSING_MS + 1 })] })),
      words(four({ people: [person('a'), person('b', { connected: false, seenAt: NOW - MISSING_MS })] })),
    ],
    signals: [
      words(four({ people: [person('a', { signal: 'done' }), person('b', { signal: 'stepped-out' })] })),
      words(
        four({
          people: [
            person('a', { signal: 'lost' }),
            person('b', { signal: 'hand' }),
            person('c', { signal: 'hand' }),
          ],
        }),
      ),
    ],
    silent: [words(four({ writtenAt: NOW - SILENT_MS + 1 })), words(four({ writtenAt: NOW - SILENT_MS }))],
    behind: [words(four({ begun: 3 - BEHIND + 1 })), words(four({ begun: 3 - BEHIND }))],
    'done-early': [
      words(four({ done: true }), ROUND.endsAt - 5 * MINUTE + 1),
      words(four({ done: true }), ROUND.endsAt - 5 * MINUTE),
    ].map(list => list.filter(text => text.startsWith('done'))) as [string[], string[]],
    'one-writes': [words(four({ edits: { a: 79, b: 21 } })), words(four({ edits: { a: 80, b: 20 } }))],
    unvisited: [
      words(
        four({}).map(facts => ({ ...facts, writtenAt: ROUND.startedAt + UNVISITED_MS - 1 })),
        ROUND.startedAt + UNVISITED_MS - 1,
      ),
      words(
        four({}).map(facts => ({ ...facts, writtenAt: ROUND.startedAt + UNVISITED_MS })),
        ROUND.startedAt + UNVISITED_MS,
      ),
    ],
  }
  expect(Object.values(seen).map(([without]) => without)).toEqual(REASON_KINDS.map(() => []))
  expect(Object.fromEntries(Object.entries(seen).map(([kind, [, from]]) => [kind, from]))).toEqual({
    help: ['calls for help, 3 min'],
    alone: ['A is alone'],
    missing: ['1 of 2 without a line'],
    signals: ['1 lost, 2 want to speak'],
    silent: ['nothing written for 2 min'],
    behind: ['2 prompts behind the others'],
    'done-early': ['done, 5 min left'],
    'one-writes': ['A wrote 80 % of it'],
    unvisited: ['not visited for 6 min'],
  })
  expect(Object.keys(REASON_NAMES)).toEqual([...REASON_KINDS])
})

test('a room is measured against others only where there are enough, and at the same board', () => {
  const quiet = { writtenAt: NOW - 4 * MINUTE, begun: 0 }
  expect(kinds([room('one', quiet), room('two')])).toEqual([])
  expect(kinds([room('one', quiet), room('two'), room('three')])).toEqual(['silent', 'behind'])
  const elsewhere = ['two', 'three', 'four'].map(id => room(id, { board: 1 }))
  expect(kinds([room('one', quiet), ...elsewhere])).toEqual(['silent'])
  // Everybody talks: then silence says nothing.
  expect(kinds(four({}).map(facts => ({ ...facts, writtenAt: null })))).toEqual([])
  // With nothing to write under nobody is silent.
  expect(kinds(four({}).map(facts => ({ ...facts, prompts: 0, begun: 0, writtenAt: null })))).toEqual([])
})

test('who is done is neither silent nor behind, and not early once half of the others are done', () => {
  const done = { done: true, begun: 0, writtenAt: null }
  expect(kinds(four(done))).toEqual(['done-early'])
  expect(kinds([room('one', done), room('two', { done: true }), room('three'), room('four')])).toEqual([
    'done-early',
  ])
  expect(
    kinds([room('one', done), room('two', { done: true }), room('three', { done: true }), room('four')]),
  ).toEqual([])
  const short = { startedAt: NOW - MINUTE, endsAt: NOW + LEFT_MS - 1 }
  expect(needsOf(four(done), short, NOW)[0]?.points).toBe(0)
})

test('one who writes nearly all is told of only among three or more, and once enough is written', () => {
  expect(kinds(four({ people: [person('a'), person('b')], edits: { a: 100 } }))).toEqual([])
  expect(kinds(four({ edits: { a: 19 } }))).toEqual([])
  // One phone that stands for its group.
  const group = ['a', 'b', 'c', 'd'].map(id => person(id, { hasDevice: id === 'a' }))
  expect(kinds(four({ people: group, edits: { a: 100 } }))).toEqual([])
  // What somebody wrote who has left the room is not counted against those who are there.
  expect(kinds(four({ edits: { gone: 1000, a: 10, b: 10, c: 10 } }))).toEqual([])
})

test('a room that is visited now is not told to be visited, and its call, if another comes, is', () => {
  const late = ROUND.startedAt + 10 * MINUTE
  const rooms = four({ isVisited: true, visitedAt: late - 9 * MINUTE }).map(facts => ({
    ...facts,
    writtenAt: late,
  }))
  expect(kinds(rooms, late)).toEqual([])
  const again = rooms.map((facts, index) => (index === 0 ? { ...facts, calledAt: late } : facts))
  expect(words(again, late)).toEqual(['calls for help'])
})

test('a call counts more than all other reasons together at their most', () => {
  const others = REASON_KINDS.filter(kind => kind !== 'help').reduce(
    (sum, kind) => sum + POINTS[kind].most,
    0,
  )
  expect(POINTS.help.from).toBeGreaterThan(others)
})

test('a reason that is switched off neither counts nor is told', () => {
  const rooms = four({ calledAt: NOW, people: [person('a')] })
  expect(kinds(rooms)).toEqual(['help', 'alone'])
  for (const kind of ['help', 'alone'] as const)
    expect(kinds(rooms, NOW, new Set([kind]))).toEqual(['help', 'alone'].filter(other => other !== kind))
  expect(needsOf(rooms, ROUND, NOW, new Set(REASON_KINDS)).every(({ points }) => points === 0)).toBe(true)
})

const anyRoom = fc.record({
  people: fc.array(
    fc.record({
      id: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
      shownName: fc.constant('N'),
      connected: fc.boolean(),
      hasDevice: fc.boolean(),
      seenAt: fc.nat(2_000_000),
    }),
    { maxLength: 6 },
  ),
  calledAt: fc.option(fc.integer({ min: ROUND.startedAt, max: NOW })),
  visitedAt: fc.option(fc.nat(NOW)),
  isVisited: fc.boolean(),
  writtenAt: fc.option(fc.nat(NOW)),
  board: fc.nat(2),
  prompts: fc.nat(8),
  begun: fc.nat(8),
  done: fc.boolean(),
  edits: fc.dictionary(fc.constantFrom('a', 'b', 'c', 'gone'), fc.nat(500)),
})
const anyRooms = fc
  .array(anyRoom, { maxLength: 12 })
  .map(list => list.map((facts, index) => ({ ...facts, roomId: `r${index}` })))

test('whatever the rooms, each is told once, points are the sum of their reasons within their limits, and calls come first', () => {
  fc.assert(
    fc.property(anyRooms, fc.integer({ min: ROUND.startedAt, max: ROUND.endsAt }), (rooms, now) => {
      const needs = needsOf(rooms, ROUND, now)
      expect(needs.map(({ roomId }) => roomId).toSorted()).toEqual(
        rooms.map(({ roomId }) => roomId).toSorted(),
      )
      for (const { points, reasons } of needs) {
        expect(points).toBeCloseTo(reasons.reduce((sum, reason) => sum + reason.points, 0))
        for (const reason of reasons) {
          expect(reason.points).toBeGreaterThanOrEqual(POINTS[reason.kind].from)
          expect(reason.points).toBeLessThanOrEqual(POINTS[reason.kind].most)
          expect(reasonWords(reason, now)).not.toMatch(/NaN|undefined|-\d/)
        }
      }
      const calls = needs.map(({ reasons }) => reasons.some(({ kind }) => kind === 'help'))
      expect(calls).toEqual(calls.toSorted((one, other) => Number(other) - Number(one)))
    }),
  )
})

test('the order in which a hundred rooms are given does not change who needs what', () => {
  const rooms = Array.from({ length: 100 }, (_, index) =>
    room(`r${index}`, {
      begun: index % 7,
      writtenAt: NOW - (index % 11) * 30_000,
      calledAt: index % 13 === 0 ? NOW - index * 1_000 : null,
      visitedAt: index,
    }),
  )
  expect(needsOf(rooms, ROUND, NOW)).toEqual(needsOf(rooms.toReversed(), ROUND, NOW))
})
