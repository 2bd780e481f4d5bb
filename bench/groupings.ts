import { performance } from 'node:perf_hooks'
import { byReference } from 'tests/fixtures/mixed-integer'
import { addPairCost, emptyProblem, type Problem, scoreOf } from '~/core/grouping/engine/problem'
import { Numbers } from '~/core/grouping/engine/search'
import { solve, solveToEnd } from '~/core/grouping/engine/solve'
import { judgeSwap, searchState, settle } from '~/core/grouping/engine/state'
import { unitsOf } from '~/core/grouping/engine/units'
import type { GroupingQuestion } from '~/core/grouping/pose'
import { planRounds } from '~/core/grouping/rounds/plan'
import { evenSizes } from '~/core/grouping/sizes'
import { randomStream, shuffled } from '~/core/random/random'

const SECONDS = [0.1, 1, 5]
const CLASSES = [
  { people: 30, groups: 7 },
  { people: 100, groups: 24 },
  { people: 200, groups: 50 },
  { people: 500, groups: 100 },
]

/** How fast swaps are judged, how soon answers are good, and how many small problems are proved best at once. */
export async function groupings(): Promise<void> {
  swaps()
  values()
  small()
  severalRounds()
  beside()
}

/** People with a random past, a number and a category, in uneven groups; weighed about as the page does, so that each aim
 * costs as much as the others in a random grouping. */
function classOf(people: number, groups: number, seed: number): Problem {
  const random = randomStream(seed)
  const sizes = evenSizes(people, groups)
  const problem = emptyProblem(
    people,
    sizes.map(() => ({ min: sizes.at(-1) ?? 1, max: sizes[0] ?? 1 })),
  )
  const weight = Math.ceil(people / 3)
  for (let pair = 0; pair < people * 12; pair++)
    addPairCost(problem, random.below(people), random.below(people), weight * (1 + random.below(20)))
  const category = Array.from({ length: people }, () => random.below(5))
  for (let a = 0; a < people; a++)
    for (let b = a + 1; b < people; b++)
      if (category[a] === category[b]) addPairCost(problem, a, b, 10 * weight)
  problem.spreads = [{ values: Int32Array.from({ length: people }, () => random.below(100)), weight: 1 }]
  return problem
}

/** Judgements a second, pairs alone and with a spread, beside a bare loop of the same reads. */
function swaps(): void {
  const whole = classOf(200, 50, 1)
  const rates = [{ ...whole, spreads: [] }, whole].map(problem => {
    const units = unitsOf(problem)
    if (!units) throw new Error('There are no rules that could contradict each other.')
    const state = searchState(problem, units, 1000)
    settle(
      state,
      units.members.map((_, unit) => unit % 50),
    )
    const numbers = new Numbers(1)
    return rate(() => judgeSwap(state, numbers.below(200), numbers.below(200)))
  })
  const [sums, pair] = [new Int32Array(200 * 50).fill(3), new Int32Array(200 * 200).fill(2)]
  const place = Int16Array.from({ length: 200 }, (_, unit) => unit % 50)
  const numbers = new Numbers(1)
  const bare = rate(() => {
    const [a, b] = [numbers.below(200), numbers.below(200)]
    const [inA, inB] = [(place[a] as number) * 200, (place[b] as number) * 200]
    return (
      (sums[inB + a] as number) +
      (sums[inA + b] as number) -
      (sums[inA + a] as number) -
      (sums[inB + b] as number) -
      2 * (pair[a * 200 + b] as number)
    )
  })
  const millions = (perSecond: number | undefined) =>
    `${((perSecond ?? 0) / 1e6).toFixed(1)} million a second`
  console.log(`swaps judged, pairs alone: ${millions(rates[0])}; with a spread: ${millions(rates[1])}`)
  console.log(`  a bare loop of the same reads: ${millions(bare)}`)
}

function rate(judge: () => number): number {
  let [count, sum] = [0, 0]
  const until = performance.now() + 1000
  while (performance.now() < until) {
    for (let step = 0; step < 10_000; step++) sum += judge()
    count += 10_000
  }
  return sum === Number.MIN_VALUE ? 0 : count
}

/** Costs after some seconds, the median of three seeds, beside the best of a longer search with another seed, and beside random groupings. */
function values(): void {
  for (const { people, groups } of CLASSES) {
    const problem = classOf(people, groups, people)
    const best = costsAfter(problem, 99, [15])[0] ?? 0
    const runs = [1, 2, 3].map(seed => costsAfter(problem, seed, SECONDS))
    const costs = SECONDS.map((_, at) => runs.map(run => run[at] ?? 0).sort((a, b) => a - b)[1] ?? 0)
    const first = Math.min(...[2, 3, 4, 5, 6].map(seed => msToFirst(problem, seed)))
    const least = Math.min(best, ...runs.flat())
    const random = randomCost(problem)
    const percent = (part: number, whole: number) => ((part / Math.max(1, whole)) * 100).toFixed(1)
    const parts = costs.map(
      (cost, at) =>
        `${SECONDS[at]} s ${percent(cost - least, least)} % (${percent(cost - least, random)} % of a random one's cost)`,
    )
    console.log(
      `${people} people in ${groups} groups, first answer after ${first.toFixed(0)} ms; above the best known (${least}): ${parts.join(', ')}`,
    )
  }
}

/** Milliseconds until anything is known; the first of several also warms up the code. */
function msToFirst(problem: Problem, seed: number): number {
  const begun = performance.now()
  solve(problem, { seed, steps: 1 }).next()
  return performance.now() - begun
}

/** The mean cost of 100 random groupings in the sizes the problem asks for. */
function randomCost(problem: Problem): number {
  const random = randomStream(1)
  const sizes = evenSizes(problem.people, problem.groups.length)
  const places = sizes.flatMap((size, group) => Array<number>(size).fill(group))
  const costs = Array.from({ length: 100 }, () => scoreOf(problem, shuffled(places, random)).cost)
  return costs.reduce((sum, cost) => sum + cost, 0) / costs.length
}

/** Targets that are known to be reached: no repeats at all. Groups, size, rounds. */
const ROUNDS = [
  [5, 3, 7],
  [4, 4, 5],
  [6, 4, 5],
  [8, 4, 7],
  [10, 4, 9],
  [25, 4, 14],
  [6, 3, 8],
  [7, 3, 10],
  [7, 4, 9],
  [8, 4, 9],
  [9, 4, 11],
  [10, 4, 13],
  [8, 4, 10],
  [11, 3, 16],
  [15, 3, 22],
] as const

/** Time until a plan of several rounds is without repeats, each with three seeds. */
function severalRounds(): void {
  for (const [groups, size, rounds] of ROUNDS) {
    const times = [1, 2, 3].map(seed => {
      const begun = performance.now()
      const search = planRounds(roundsQuestion(groups, size), { rounds, seed, steps: 30_000_000 })
      let step = search.next()
      while (!step.done) step = search.next()
      const ms = Math.round(performance.now() - begun)
      return `${step.value.repeats === 0 ? '' : `${step.value.repeats} repeats after `}${ms} ms (${step.value.method})`
    })
    console.log(`${groups} groups of ${size}, ${rounds} rounds without a repeat: ${times.join(', ')}`)
  }
}

const roundsQuestion = (groups: number, size: number): GroupingQuestion => ({
  people: Array.from({ length: groups * size }, (_, index) => ({
    id: String(index),
    trainedToLead: false,
    columns: {},
  })),
  groups: Array.from({ length: groups }, (_, index) => ({ name: String(index), size })),
  rules: [],
  aims: [],
  columns: [],
  history: new Map(),
  now: new Map(),
  held: new Set(),
})

/** Seconds the mixed-integer solver may take. */
const SOLVER_SECONDS = 30

/** The same problem given to the engine and to a mixed-integer solver (HiGHS). */
function beside(): void {
  for (const [people, groups] of [
    [9, 3],
    [10, 2],
    [12, 3],
    [16, 4],
  ] as const) {
    const random = randomStream(people)
    const sizes = evenSizes(people, groups)
    const problem = emptyProblem(
      people,
      sizes.map(size => ({ min: size, max: size })),
    )
    for (let a = 0; a < people; a++)
      for (let b = a + 1; b < people; b++) addPairCost(problem, a, b, random.below(12))
    const timed = <Value>(work: () => Value) => {
      const begun = performance.now()
      const value = work()
      return { value, ms: Math.round(performance.now() - begun) }
    }
    const ours = timed(() => solveToEnd(problem, { seed: 1, steps: 2_000_000 }))
    const theirs = timed(() => byReference(problem, SOLVER_SECONDS))
    const { score, proved } = ours.value
    console.log(
      `${people} people in ${groups} groups: engine ${score.cost}${proved ? ', proved best,' : ''} in ${ours.ms} ms; mixed-integer solver ${theirs.value} in ${theirs.ms} ms (at most ${SOLVER_SECONDS} s)`,
    )
  }
}

/** The costs reached after so many seconds. The budget is in steps, so their speed is measured first. */
function costsAfter(problem: Problem, seed: number, seconds: number[]): number[] {
  const warmed = performance.now()
  const { steps } = solveToEnd(problem, { seed, steps: 300_000 })
  const perSecond = (steps / (performance.now() - warmed)) * 1000
  const reached: { passed: number; cost: number }[] = []
  const begun = performance.now()
  const search = solve(problem, { seed, steps: Math.ceil(perSecond * Math.max(...seconds) * 1.2) })
  for (let step = search.next(); ; step = search.next()) {
    const passed = (performance.now() - begun) / 1000
    if (step.value.score.broken === 0) reached.push({ passed, cost: step.value.score.cost })
    if (step.done) break
  }
  return seconds.map(until =>
    Math.min(
      Number.MAX_SAFE_INTEGER,
      ...reached.filter(({ passed }) => passed <= until).map(({ cost }) => cost),
    ),
  )
}

function small(): void {
  const [count, limit] = [200, 100]
  let proved = 0
  for (let seed = 1; seed <= count; seed++) {
    const random = randomStream(seed)
    const problem = classOf(8 + random.below(5), 2 + random.below(2), seed)
    const begun = performance.now()
    if (solveToEnd(problem, { seed, steps: 400_000 }).proved && performance.now() - begun <= limit) proved++
  }
  console.log(`of ${count} random problems of 8 to 12 people proved best within ${limit} ms: ${proved}`)
}
