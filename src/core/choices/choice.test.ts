import fc from 'fast-check'
import highsLoader from 'highs'
import { allot, placesLeft } from './choice'
import { shareByArrival, shareByWishes, type Topic } from './share'

const solver = await highsLoader()

/** The least cost as a mixed-integer solver finds it (HiGHS, a general-purpose reference): 1,000 for each unranked. */
function byReference(topics: Topic[], wishes: number[][]): number {
  const variable = (person: number, topic: number) => `x${person}_${topic}`
  const cost = (person: number, topic: number) => {
    const rank = wishes[person]?.indexOf(topic) ?? -1
    return rank < 0 ? 1000 : rank + 1
  }
  const all = wishes.flatMap((_, person) => topics.map((_, topic) => ({ person, topic })))
  const lines = [
    'Minimize',
    ` obj: ${all.map(({ person, topic }) => `${cost(person, topic)} ${variable(person, topic)}`).join(' + ')}`,
    'Subject To',
    ...wishes.map(
      (_, person) => ` p${person}: ${topics.map((_, topic) => variable(person, topic)).join(' + ')} = 1`,
    ),
    ...topics.flatMap(({ min, max }, topic) => {
      const sum = wishes.map((_, person) => variable(person, topic)).join(' + ')
      return [` least${topic}: ${sum} >= ${min}`, ` most${topic}: ${sum} <= ${max}`]
    }),
    'Binary',
    ` ${all.map(({ person, topic }) => variable(person, topic)).join(' ')}`,
    'End',
  ]
  return Math.round(solver.solve(lines.join('\n'), { presolve: 'off' }).ObjectiveValue)
}

const problems = fc
  .record({
    topics: fc.array(fc.record({ min: fc.nat(2), extra: fc.nat(3) }), { minLength: 1, maxLength: 4 }),
    wishes: fc.array(fc.uniqueArray(fc.nat(3), { maxLength: 3 }), { minLength: 1, maxLength: 9 }),
  })
  .map(({ topics, wishes }) => ({
    topics: topics.map(({ min, extra }) => ({ min, max: Math.max(1, min + extra) })),
    wishes: wishes.map(list => list.filter(topic => topic < topics.length)),
  }))

test('as few unranked and as small a sum of ranks as a mixed-integer solver finds, and every topic keeps its sizes', () => {
  fc.assert(
    fc.property(problems, ({ topics, wishes }) => {
      const shared = shareByWishes(topics, wishes)
      const places = topics.reduce((sum, { max }) => sum + max, 0)
      const needed = topics.reduce((sum, { min }) => sum + min, 0)
      expect(shared.ok).toBe(wishes.length <= places && wishes.length >= needed)
      if (!shared.ok) return
      const { result } = shared
      for (const [topic, { min, max }] of topics.entries()) {
        const size = result.places.filter(place => place.topic === topic).length
        expect(size).toBeGreaterThanOrEqual(min)
        expect(size).toBeLessThanOrEqual(max)
      }
      expect(1000 * result.unranked + result.rankSum).toBe(byReference(topics, wishes))
    }),
    { numRuns: 60 },
  )
})

// By full enumeration: of all ways with as few unranked and as small a sum of ranks, none has sizes that differ less.
test('among equally good ways sizes differ as little as can be', () => {
  fc.assert(
    fc.property(problems, ({ topics, wishes: all }) => {
      const wishes = all.slice(0, 6)
      const shared = shareByWishes(topics, wishes)
      if (!shared.ok) return
      const worth = (places: number[]): number => {
        const sizes = topics.map((_, topic) => places.filter(index => index === topic).length)
        if (topics.some(({ min, max }, topic) => (sizes[topic] ?? 0) < min || (sizes[topic] ?? 0) > max))
          return Number.POSITIVE_INFINITY
        const ranks = places.map((topic, person) => (wishes[person]?.indexOf(topic) ?? -1) + 1 || 1000)
        return 1000 * sumOf(ranks) + sumOf(sizes.map(size => size ** 2))
      }
      let best = Number.POSITIVE_INFINITY
      for (let code = 0; code < topics.length ** wishes.length; code++)
        best = Math.min(
          best,
          worth(wishes.map((_, person) => Math.floor(code / topics.length ** person) % topics.length)),
        )
      expect(worth(shared.result.places.map(({ topic }) => topic))).toBe(best)
    }),
    { numRuns: 60 },
  )
})

const sumOf = (numbers: number[]): number => numbers.reduce((sum, number) => sum + number, 0)

test('when too few places or people are there, both numbers are said', () => {
  expect(shareByWishes([{ min: 0, max: 2 }], [[0], [0], [0]])).toEqual({
    ok: false,
    problem: { code: 'too-few-places', people: 3, places: 2 },
  })
  expect(shareByWishes([{ min: 4, max: 9 }], [[0]])).toEqual({
    ok: false,
    problem: { code: 'too-few-people', people: 1, needed: 4 },
  })
})

test('first come, first served', () => {
  const topics = [
    { min: 0, max: 1 },
    { min: 0, max: 2 },
  ]
  expect(shareByArrival(topics, [[0], [0, 1], [0], [1, 0]])).toEqual([0, 1, null, 1])
})

test('two hundred people and thirty topics are shared at once', () => {
  const topics = Array.from({ length: 30 }, () => ({ min: 3, max: 9 }))
  const wishes = Array.from({ length: 200 }, (_, person) => [
    person % 7,
    (person * 3) % 30,
    (person * 11) % 30,
  ])
  const shared = shareByWishes(topics, wishes)
  expect(shared.ok && shared.result.places).toHaveLength(200)
})

const topics = [
  { id: 'reeds', name: 'Reeds', min: 1, max: 2 },
  { id: 'birds', name: 'Birds', min: 1, max: 2 },
]
const answer = (personId: string, at: number, ...wishes: string[]) => ({ personId, at, wishes })

test('wishes are shared out over everybody on the list, also who had none', () => {
  const answers = [answer('a', 1, 'reeds'), answer('b', 2, 'reeds', 'birds'), answer('c', 3, 'reeds')]
  const shared = allot('wishes', topics, ['a', 'b', 'c', 'd'], answers)
  if (!shared.ok) throw new Error('There are places for all.')
  expect(shared.allotment.groups).toEqual([
    { topicId: 'reeds', personIds: ['a', 'c'] },
    { topicId: 'birds', personIds: ['b', 'd'] },
  ])
  expect([...shared.allotment.ranks]).toEqual([
    ['a', 1],
    ['b', 2],
    ['c', 1],
    ['d', null],
  ])
})

test('who comes first is served, and a topic that is gone is gone', () => {
  const answers = [answer('a', 30, 'reeds'), answer('b', 10, 'reeds'), answer('c', 20, 'reeds')]
  const shared = allot('first-come', topics, ['a', 'b', 'c', 'd'], answers)
  if (!shared.ok) throw new Error('First come always has an answer.')
  expect(shared.allotment.groups[0]?.personIds).toEqual(['b', 'c'])
  expect(shared.allotment.unplacedIds).toEqual(['a', 'd'])
  const taken = new Map([
    ['reeds', 1],
    [null, 3],
  ])
  expect([...placesLeft(topics, taken)]).toEqual([
    ['reeds', 1],
    ['birds', 2],
  ])
  expect(placesLeft(topics, new Map([['birds', 9]])).get('birds')).toBe(0)
})

test('more people than places, or too few for all topics, is said with the numbers', () => {
  const ids = ['a', 'b', 'c', 'd', 'e']
  expect(allot('wishes', topics, ids, [])).toEqual({
    ok: false,
    problem: { code: 'too-few-places', people: 5, places: 4 },
  })
  expect(allot('wishes', topics, ['a'], [])).toEqual({
    ok: false,
    problem: { code: 'too-few-people', people: 1, needed: 2 },
  })
})
