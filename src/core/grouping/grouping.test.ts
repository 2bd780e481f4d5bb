import fc from 'fast-check'
import { chiSquaredDistributionTable } from 'simple-statistics'
import { drawGrouping, togetherKey } from './grouping'
import { evenSizes } from './sizes'

const ids = (count: number) => Array.from({ length: count }, (_, index) => `p${index}`)

const factorial = (n: number): number => (n <= 1 ? 1 : n * factorial(n - 1))
/** Ways to split n people into g unnamed groups of s: n! / (s!^g g!). Textbook combinatorics. */
const ways = (groups: number, size: number) =>
  factorial(groups * size) / (factorial(size) ** groups * factorial(groups))

/** Every split into unnamed groups of these sizes, found by placing people one after the other. */
function enumerate(people: string[], sizes: number[]): Set<string> {
  const found = new Set<string>()
  const groups: string[][] = sizes.map(() => [])
  const place = (index: number) => {
    const person = people[index]
    if (person === undefined) {
      found.add(togetherKey(groups))
      return
    }
    for (const [number, group] of groups.entries()) {
      if (group.length >= (sizes[number] ?? 0)) continue
      group.push(person)
      place(index + 1)
      group.pop()
    }
  }
  place(0)
  return found
}

// n!/(s!^g g!) for 3x3: 280; 2x4 (two groups of four): 35; 3x2: 15. Textbook combinatorics; full enumeration here.
test.each([
  [3, 2, 15],
  [2, 3, 10],
  [2, 4, 35],
  [3, 3, 280],
])('%i groups of %i: as many splits by enumeration as the formula says', (groups, size, expected) => {
  expect(ways(groups, size)).toBe(expected)
  expect(enumerate(ids(groups * size), evenSizes(groups * size, groups)).size).toBe(expected)
})

// Uneven sizes: 4,3,3: 2,100; 3,3,2,2: 6,300; 5,4,4: 45,045 (given values, not published).
test.each([
  [[4, 3, 3], 2100],
  [[3, 3, 2, 2], 6300],
  [[5, 4, 4], 45_045],
])('sizes %j: %i splits', (sizes, expected) => {
  const people = ids(sizes.reduce((sum, size) => sum + size, 0))
  expect(enumerate(people, sizes).size).toBe(expected)
})

// With fourteen times as many draws hardly one could be missing by chance.
test.each([
  [[4, 3, 3], 2100],
  [[3, 3, 2, 2], 6300],
])('sizes %j: every one of the %i splits is drawn', (sizes, expected) => {
  const people = ids(10)
  const drawn = new Set<string>()
  for (let seed = 1; seed <= 14 * expected; seed++)
    drawn.add(togetherKey(drawGrouping({ personIds: people, sizes, seed }).groups))
  expect(drawn.size).toBe(expected)
})

test.each([
  [3, 2],
  [2, 3],
  [2, 4],
])('a fair draw gives each of the splits of %i groups of %i its share', (groups, size) => {
  const people = ids(groups * size)
  const counts = new Map([...enumerate(people, evenSizes(people.length, groups))].map(key => [key, 0]))
  const draws = 400 * counts.size
  for (let seed = 1; seed <= draws; seed++) {
    const key = togetherKey(
      drawGrouping({ personIds: people, sizes: evenSizes(people.length, groups), seed }).groups,
    )
    counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  expectFair([...counts.values()])
})

test('a reshuffle gives each of the other splits its share', () => {
  const people = ids(6)
  const previous = [
    ['p0', 'p1'],
    ['p2', 'p3'],
    ['p4', 'p5'],
  ]
  const counts = new Map<string, number>()
  for (let seed = 1; seed <= 14 * 400; seed++) {
    const key = togetherKey(drawGrouping({ personIds: people, sizes: [2, 2, 2], seed, previous }).groups)
    counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  expect(counts.size).toBe(14)
  expect(counts.has(togetherKey(previous))).toBe(false)
  expectFair([...counts.values()])
})

/** Pearson's chi-square against equal shares, at 0.005; critical values from simple-statistics' table. */
function expectFair(observed: number[]) {
  const expected = observed.reduce((sum, count) => sum + count, 0) / observed.length
  const statistic = observed.reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0)
  const freedom = observed.length - 1
  // The table has every degree up to 30, then tens; the next larger one is stricter on nobody.
  const row = freedom <= 30 ? freedom : Math.ceil(freedom / 10) * 10
  const critical = chiSquaredDistributionTable[row as keyof typeof chiSquaredDistributionTable]?.[0.005]
  expect(critical).toBeGreaterThan(0)
  expect(statistic).toBeLessThan(critical as number)
}

test('a reshuffle changes who sits with whom whenever there is another way', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 4, max: 30 }),
      fc.integer({ min: 2, max: 15 }),
      fc.integer(),
      (people, wanted, seed) => {
        const groups = Math.min(wanted, Math.floor(people / 2))
        const sizes = evenSizes(people, groups)
        const first = drawGrouping({ personIds: ids(people), sizes, seed })
        const again = drawGrouping({ personIds: ids(people), sizes, seed, previous: first.groups })
        const key = togetherKey(again.groups)
        return (
          again.differs === true && key !== togetherKey(first.groups) && again.groups.flat().length === people
        )
      },
    ),
  )
})

test('with four people in pairs every one of a thousand reshuffles differs', () => {
  let previous = [
    ['p0', 'p1'],
    ['p2', 'p3'],
  ]
  for (let seed = 0; seed < 1000; seed++) {
    const { groups, differs } = drawGrouping({ personIds: ids(4), sizes: [2, 2], seed, previous })
    expect(differs).toBe(true)
    expect(togetherKey(groups)).not.toBe(togetherKey(previous))
    previous = groups
  }
})

test('with a single group nothing can differ, and the answer says so', () => {
  const { differs } = drawGrouping({ personIds: ids(5), sizes: [5], seed: 1, previous: [ids(5)] })
  expect(differs).toBe(false)
})

test('the same seed gives the same groups', () => {
  const problem = { personIds: ids(24), sizes: evenSizes(24, 6), seed: 20261103 }
  expect(drawGrouping(problem)).toEqual(drawGrouping(problem))
  expect(drawGrouping(problem).groups[0]).not.toEqual(drawGrouping({ ...problem, seed: 1 }).groups[0])
})

test('everybody is placed once', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 60 }), fc.integer(), (people, seed) => {
      const { groups } = drawGrouping({
        personIds: ids(people),
        sizes: evenSizes(people, Math.floor(people / 2)),
        seed,
      })
      return new Set(groups.flat()).size === people && groups.flat().length === people
    }),
  )
})

test('sizes that do not fit the people are the caller’s mistake', () => {
  expect(() => drawGrouping({ personIds: ids(5), sizes: [2, 2], seed: 1 })).toThrow(RangeError)
})

test('who sits together does not depend on the order of groups or of people', () => {
  expect(
    togetherKey([
      ['b', 'a'],
      ['c', 'd'],
    ]),
  ).toBe(togetherKey([['d', 'c'], ['a', 'b'], []]))
  expect(
    togetherKey([
      ['a', 'b'],
      ['c', 'd'],
    ]),
  ).not.toBe(
    togetherKey([
      ['a', 'c'],
      ['b', 'd'],
    ]),
  )
})
