/** What is known of groupings from outside this program; sources from memory. */
import { mean, standardDeviation } from 'simple-statistics'
import { randomStream, shuffled } from '../random/random'
import { emptyProblem } from './engine/problem'
import { solveToEnd } from './engine/solve'
import { drawGrouping, togetherKey } from './grouping'
import { pairRounds } from './rounds/pairs'
import { repeatsOf } from './rounds/repeats'
import { evenSizes } from './sizes'

/** All ways to split people into groups of these sizes, groups of a size not told apart. */
function* allGroupings(people: number[], sizes: number[]): Generator<number[][]> {
  const [first, ...others] = people
  if (first === undefined) {
    yield []
    return
  }
  for (const size of new Set(sizes)) {
    const left = [...sizes]
    left.splice(left.indexOf(size), 1)
    for (const rest of choices(others, size - 1)) {
      const remaining = others.filter(person => !rest.includes(person))
      for (const grouping of allGroupings(remaining, left)) yield [[first, ...rest], ...grouping]
    }
  }
}

function* choices(from: number[], count: number): Generator<number[]> {
  if (count === 0) {
    yield []
    return
  }
  for (const [at, one] of from.entries())
    for (const rest of choices(from.slice(at + 1), count - 1)) yield [one, ...rest]
}

const consecutive = (sizes: number[]): number[][] => {
  let next = 0
  return sizes.map(size => Array.from({ length: size }, () => next++))
}

// The chance that a second random round repeats no pair: counted (given values, not published).
test.each([
  [3, 2, 8, 15],
  [4, 2, 60, 105],
  [3, 3, 36, 280],
  [4, 3, 1296, 15400],
])('%i groups of %i: %i of %i second rounds repeat no pair', (groups, size, without, all) => {
  const sizes = Array<number>(groups).fill(size)
  const first = consecutive(sizes)
  const repeats = [...allGroupings([...Array(groups * size).keys()], sizes)].map(second =>
    repeatsOf([first, second], groups * size),
  )
  expect(repeats).toHaveLength(all)
  expect(repeats.filter(count => count === 0)).toHaveLength(without)
})

// Pairs that meet again between two random groupings, expected g C(s,2) (s-1) / (n-1): linearity of expectation, textbook.
test.each([
  [3, 3, 9 / 4],
  [4, 3, 24 / 11],
  [3, 4, 54 / 11],
])('%i groups of %i: %d pairs meet again on average', (groups, size, expected) => {
  const sizes = Array<number>(groups).fill(size)
  const first = consecutive(sizes)
  let [sum, count] = [0, 0]
  for (const second of allGroupings([...Array(groups * size).keys()], sizes)) {
    sum += repeatsOf([first, second], groups * size)
    count++
  }
  expect(sum / count).toBeCloseTo(expected, 10)
})

// The same for larger classes, where draws of the program are counted instead of all there are.
test.each([
  [4, 4, 24 / 5],
  [5, 4, 90 / 19],
  [6, 5, 240 / 29],
])('%i groups of %i drawn twice at random: %d pairs meet again on average', (groups, size, expected) => {
  const people = groups * size
  const sizes = Array<number>(groups).fill(size)
  const personIds = Array.from({ length: people }, (_, index) => String(index))
  const draw = (seed: number) =>
    drawGrouping({ personIds, sizes, seed }).groups.map(group => group.map(Number))
  const repeats = Array.from({ length: 3000 }, (_, seed) =>
    repeatsOf([draw(seed), draw(seed + 100_000)], people),
  )
  const deviation = standardDeviation(repeats) / Math.sqrt(repeats.length)
  expect(Math.abs(mean(repeats) - expected)).toBeLessThan(4 * deviation)
})

const factorial = (n: number): number => (n <= 1 ? 1 : n * factorial(n - 1))

// Ways to split into equal groups, n! / (s!^g g!) (textbook combinatorics), told from how often two of the program's draws
// are the same: each of the pairs of draws with a chance of one in so many, if every grouping is as likely as any other.
test.each([
  [3, 3, 280, 600],
  [3, 4, 5775, 3000],
  [4, 3, 15_400, 5000],
  [5, 3, 1_401_400, 20_000],
  [4, 4, 2_627_625, 20_000],
  [5, 4, 2_546_168_625, 20_000],
  [5, 5, 5_194_672_859_376, 20_000],
])(
  '%i groups of %i: %i groupings, as often the same as that says in %i draws',
  (groups, size, ways, draws) => {
    expect(factorial(groups * size) / (factorial(size) ** groups * factorial(groups))).toBeCloseTo(ways, 0)
    const personIds = Array.from({ length: groups * size }, (_, index) => String(index))
    const times = new Map<string, number>()
    let same = 0
    for (let seed = 1; seed <= draws; seed++) {
      const drawn = togetherKey(
        drawGrouping({ personIds, sizes: Array<number>(groups).fill(size), seed }).groups,
      )
      same += times.get(drawn) ?? 0
      times.set(drawn, (times.get(drawn) ?? 0) + 1)
    }
    const expected = (draws * (draws - 1)) / 2 / ways
    expect(Math.abs(same - expected)).toBeLessThan(4 * Math.sqrt(expected) + 0.5)
  },
)

// One-factorisations of K4, K6, K8: 1, 6, 6,240 (Anderson, Schellenberg and Stinson, 1984, and older; from memory): the plans
// in which everybody is paired with everybody else once, whatever the order of rounds.
test.each([
  [4, 1],
  [6, 6],
  [8, 6240],
])(
  '%i people in pairs: %i plans in which everybody meets everybody once, the program’s among them',
  (people, plans) => {
    const everyone = [...Array(people).keys()]
    const all = [...allGroupings(everyone, Array<number>(people / 2).fill(2))]
    const keyOf = (rounds: readonly number[][][]) =>
      rounds
        .map(round => togetherKey(round.map(pair => pair.map(String))))
        .toSorted()
        .join('\n')
    const found = new Set<string>()
    const add = (rounds: number[][][]) => {
      if (rounds.length === people - 1) {
        found.add(keyOf(rounds))
        return
      }
      // Round r is the one in which the first person meets person r + 1.
      for (const round of all)
        if (round[0]?.[1] === rounds.length + 1 && repeatsOf([...rounds, round], people) === 0)
          add([...rounds, round])
    }
    add([])
    expect(found.size).toBe(plans)
    expect(found.has(keyOf(pairRounds(people)))).toBe(true)
  },
)

// Nearly Kirkman triple systems: none for 12 (Kotzig and Rosa, 1974; from memory), here by going through all plans that begin
// with the same round. Four rounds of threes can be without a repeat, and the program promises no more than can be.
test('12 people in threes: four rounds without a repeat, and never five', () => {
  const all = [...allGroupings([...Array(12).keys()], [3, 3, 3, 3])].map(pairsOf)
  const [first = 0n] = all
  const longest = (among: bigint[]): number =>
    among.reduce((most, round, index) => {
      const rest = among.slice(index + 1).filter(other => (round & other) === 0n)
      return Math.max(most, 1 + longest(rest))
    }, 0)
  expect(1 + longest(all.filter(round => (round & first) === 0n))).toBe(4)
})

/** Who is with whom in a round, one bit a pair. */
const pairsOf = (round: number[][]): bigint =>
  round.reduce(
    (pairs, group) =>
      [...choices(group, 2)].reduce((sum, [a = 0, b = 0]) => sum | (1n << BigInt(12 * a + b)), pairs),
    0n,
  )

// Ways to share out the numbers 1 .. n so that all groups have the same sum: by enumeration (given values, not published).
test.each([
  [3, 3, 2],
  [3, 4, 32],
  [4, 3, 0],
  [4, 4, 392],
  [3, 5, 305],
])(
  '1 .. n in %i groups of %i with equal sums: %i ways, and the engine finds one when there is one',
  (groups, size, ways) => {
    const numbers = Array.from({ length: groups * size }, (_, index) => index + 1)
    const sum = (group: number[]) => group.reduce((total, number) => total + number, 0)
    const share = sum(numbers) / groups
    const count = ([first, ...others]: number[]): number => {
      if (first === undefined) return 1
      let found = 0
      for (const rest of choices(others, size - 1))
        if (first + sum(rest) === share) found += count(others.filter(number => !rest.includes(number)))
      return found
    }
    expect(count(numbers)).toBe(ways)
    const { score, proved } = mixedByNumber(numbers, groups)
    expect(score.broken).toBe(0)
    expect(score.cost === 0 && proved).toBe(ways > 0)
  },
)

/** Groups whose sums of a number differ as little as can be. */
function mixedByNumber(numbers: number[], groups: number) {
  const problem = emptyProblem(
    numbers.length,
    evenSizes(numbers.length, groups).map(size => ({ min: size, max: size })),
  )
  problem.spreads.push({ values: Int32Array.from(numbers), weight: 1 })
  return solveToEnd(problem, { seed: 1, steps: 500_000 })
}

// Whoever has at most g - 1 others to be apart from: equal groups that keep all of it always exist (Hajnal and Szemerédi,
// 1970). Random rules up to that bound, at sizes of real classes.
test.each([
  [24, 6],
  [60, 10],
  [150, 25],
])(
  '%i people in %i groups, each apart from at most one fewer: always possible, and found',
  (people, groups) => {
    const random = randomStream(people)
    for (let trial = 0; trial < 4; trial++) {
      const sizes = evenSizes(people, groups)
      const problem = emptyProblem(
        people,
        sizes.map(size => ({ min: size, max: size })),
      )
      const degree = new Uint16Array(people)
      const apart = new Set<string>()
      for (let attempt = 0; attempt < people * groups * 3; attempt++) {
        const [a = 0, b = 0] = shuffled([...Array(people).keys()], random).slice(0, 2)
        const key = `${Math.min(a, b)} ${Math.max(a, b)}`
        if (apart.has(key) || (degree[a] ?? 0) >= groups - 1 || (degree[b] ?? 0) >= groups - 1) continue
        apart.add(key)
        problem.apart.push([a, b])
        degree[a] = (degree[a] ?? 0) + 1
        degree[b] = (degree[b] ?? 0) + 1
        if (degree.every(count => count >= groups - 2)) break
      }
      expect(solveToEnd(problem, { seed: trial, steps: 3_000_000 }).score.broken).toBe(0)
    }
  },
)
