import fc from 'fast-check'
import { evenSizes } from '../sizes'
import { type Conflict, findContradiction, isImpossible, type Requirement } from './contradiction'
import { emptyProblem, type Problem, scoreOf } from './problem'

const even = (people: number, groups: number): Problem =>
  emptyProblem(
    people,
    evenSizes(people, groups).map(size => ({ min: size, max: size })),
  )

const everyTwo = (people: number[]): [number, number][] =>
  people.flatMap((a, place) => people.slice(place + 1).map((b): [number, number] => [a, b]))

const leads = (people: number, list: number[]) => ({
  members: Uint8Array.from({ length: people }, (_, person) => Number(list.includes(person))),
  least: 1,
})

/** Requirements in short: `0|1` apart, `0+1` together, `0@1` placed, `lead`. */
const short = (found: Conflict | null) =>
  found?.requirements
    .map(one => {
      if (one.kind === 'apart') return one.pair.join('|')
      if (one.kind === 'together') return one.pair.join('+')
      return one.kind === 'placed' ? `${one.person}@${one.group}` : 'lead'
    })
    .sort()

// Each kind of contradiction there is, with rules beside it that have nothing to do with it.
test.each<[string, Problem, string[]]>([
  [
    'more people apart from each other than groups',
    { ...even(9, 2), apart: [[7, 8], ...everyTwo([0, 3, 5])] },
    ['0|3', '0|5', '3|5'],
  ],
  [
    'people together who fill no group',
    {
      ...even(9, 3),
      together: [
        [0, 1, 2],
        [2, 5],
        [6, 7],
      ],
    },
    ['0+1', '1+2', '2+5'],
  ],
  [
    'together and apart through a chain',
    {
      ...even(8, 2),
      together: [
        [0, 1],
        [1, 2],
      ],
      apart: [
        [0, 2],
        [5, 6],
      ],
    },
    ['0+1', '0|2', '1+2'],
  ],
  [
    'fewer trained leads than groups',
    { ...even(9, 3), covers: [leads(9, [0, 4])], apart: [[0, 1]] },
    ['lead'],
  ],
  [
    'two placed in one group who are apart',
    {
      ...even(8, 2),
      placed: [
        [0, 1],
        [3, 1],
        [5, 0],
      ],
      apart: [[0, 3]],
    },
    ['0@1', '0|3', '3@1'],
  ],
  [
    'a group over its size by placing',
    {
      ...even(6, 3),
      placed: [
        [0, 1],
        [1, 1],
        [2, 1],
        [3, 0],
      ],
    },
    ['0@1', '1@1', '2@1'],
  ],
  [
    'a together set placed in two groups',
    {
      ...even(6, 2),
      together: [[0, 1]],
      placed: [
        [0, 0],
        [1, 1],
        [4, 1],
      ],
    },
    ['0+1', '0@0', '1@1'],
  ],
  [
    'sets that fit singly and not jointly',
    {
      ...even(8, 2),
      together: [
        [0, 1, 2],
        [3, 4, 5],
        [6, 7],
      ],
    },
    ['0+1', '1+2', '3+4', '4+5', '6+7'],
  ],
  [
    'an odd ring of aparts with two groups',
    {
      ...even(10, 2),
      apart: [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 4],
        [0, 4],
        [7, 8],
      ],
    },
    ['0|1', '0|4', '1|2', '2|3', '3|4'],
  ],
])('%s', (_, problem, expected) => {
  expect(short(findContradiction(problem))).toEqual(expected)
})

test('sizes that do not fit the people contradict without any rule', () => {
  const tooMany = emptyProblem(5, [
    { min: 3, max: 3 },
    { min: 3, max: 3 },
  ])
  expect(findContradiction({ ...tooMany, apart: [[0, 1]] })).toEqual({
    requirements: [],
    smallest: true,
  })
})

// Everyone apart from at most g - 1 others: g equal groups always exist. Hajnal and Szemeredi, 1970.
test('whoever is apart from fewer than there are groups can always be placed', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 5 }),
      fc.integer({ min: 2, max: 4 }),
      fc.array(fc.tuple(fc.nat(19), fc.nat(19)), { maxLength: 40 }),
      (groups, size, wanted) => {
        const people = groups * size
        const degree = new Int32Array(people)
        const apart: [number, number][] = []
        for (const [first, second] of wanted) {
          const [a, b] = [first % people, second % people]
          if (a === b || (degree[a] ?? 0) >= groups - 1 || (degree[b] ?? 0) >= groups - 1) continue
          if (apart.some(([one, other]) => (one === a && other === b) || (one === b && other === a))) continue
          apart.push([a, b])
          degree[a] = (degree[a] ?? 0) + 1
          degree[b] = (degree[b] ?? 0) + 1
        }
        expect(isImpossible({ ...even(people, groups), apart })).toBe(false)
      },
    ),
    { numRuns: 60 },
  )
})

test('in small problems it is found exactly when nothing keeps all, and without any one of it the rest can hold', () => {
  const pair = fc.tuple(fc.nat(5), fc.nat(5)).filter(([a, b]) => a !== b)
  const problems = fc.record({
    apart: fc.array(pair, { maxLength: 7 }),
    together: fc.array(pair, { maxLength: 2 }),
    placed: fc.array(fc.tuple(fc.nat(5), fc.nat(1)), { maxLength: 3 }),
    leads: fc.array(fc.nat(5), { maxLength: 3 }),
  })
  fc.assert(
    fc.property(problems, made => {
      const problem: Problem = {
        ...even(6, 2),
        apart: made.apart as [number, number][],
        together: made.together,
        placed: made.placed as [number, number][],
        covers: made.leads.length > 0 ? [leads(6, made.leads)] : [],
      }
      const found = findContradiction(problem)
      expect(found !== null).toBe(!canHold(problem))
      expect(found?.smallest ?? true).toBe(true)
      const requirements = found?.requirements ?? []
      for (const one of requirements)
        expect(
          canHold(
            onlyThese(
              problem,
              requirements.filter(each => each !== one),
            ),
          ),
        ).toBe(true)
    }),
    { numRuns: 80 },
  )
})

function onlyThese(problem: Problem, wanted: Requirement[]): Problem {
  const pick = (kind: 'apart' | 'together') => wanted.flatMap(one => (one.kind === kind ? [one.pair] : []))
  return {
    ...problem,
    apart: pick('apart'),
    together: pick('together'),
    placed: wanted.flatMap(one =>
      one.kind === 'placed' ? [[one.person, one.group] as [number, number]] : [],
    ),
    covers: wanted.some(one => one.kind === 'cover') ? problem.covers : [],
  }
}

/** Whether any of all arrangements keeps everything. */
function canHold(problem: Problem): boolean {
  for (let number = 0; number < 2 ** problem.people; number++) {
    const places = Array.from({ length: problem.people }, (_, person) => (number >> person) & 1)
    if (scoreOf(problem, places).broken === 0) return true
  }
  return false
}

// What took minutes: each is answered within the effort, which counts steps and not time.
test.each<[string, Problem, number | null]>([
  ['30 people all apart in 10 groups', { ...even(30, 10), apart: everyTwo([...Array(30).keys()]) }, 55],
  ['60 people all apart in 25 groups', { ...even(60, 25), apart: everyTwo([...Array(60).keys()]) }, 325],
  [
    '11 threes in 10 groups of 4, and 7 people apart',
    {
      ...even(40, 10),
      together: Array.from({ length: 11 }, (_, set) => [3 * set, 3 * set + 1, 3 * set + 2]),
      apart: everyTwo([33, 34, 35, 36, 37, 38, 39]),
    },
    // Ten threes and two of the eleventh: those two find no group with two places left.
    21,
  ],
  [
    '100 people, many of them apart, which all can hold',
    { ...even(100, 25), apart: everyTwo([...Array(25).keys()]) },
    null,
  ],
])('%s', (_, problem, count) => {
  const effort = { left: 1_500_000 }
  const found = findContradiction(problem, effort)
  expect(found && [found.requirements.length, found.smallest]).toEqual(count === null ? null : [count, true])
  expect(effort.left).toBeGreaterThan(0)
})

test('with no effort to spare what was counted is said, and that there may be less to it', () => {
  const problem = { ...even(9, 2), apart: everyTwo([0, 3, 5]), together: [[1, 2]] }
  expect(findContradiction(problem, { left: 0 })).toMatchObject({
    smallest: false,
    requirements: { length: 3 },
  })
  const open = { ...even(6, 2), apart: everyTwo([0, 1]) }
  expect(findContradiction(open, { left: 0 })).toBeNull()
})
