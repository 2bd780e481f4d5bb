/** What is known of groupings from outside this program; sources from memory. */
import { randomStream, shuffled } from '../random/random'
import { emptyProblem } from './engine/problem'
import { solveToEnd } from './engine/solve'
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
