import { performance } from 'node:perf_hooks'
import { addPairCost, emptyProblem, type Problem } from '~/core/grouping/engine/problem'
import { Numbers } from '~/core/grouping/engine/search'
import { solve, solveToEnd } from '~/core/grouping/engine/solve'
import { judgeSwap, searchState, settle } from '~/core/grouping/engine/state'
import { unitsOf } from '~/core/grouping/engine/units'
import { evenSizes } from '~/core/grouping/sizes'
import { randomStream } from '~/core/random/random'

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
}

/** People with a random past, a number and a category, in uneven groups. */
function classOf(people: number, groups: number, seed: number): Problem {
  const random = randomStream(seed)
  const sizes = evenSizes(people, groups)
  const problem = emptyProblem(
    people,
    sizes.map(() => ({ min: sizes.at(-1) ?? 1, max: sizes[0] ?? 1 })),
  )
  for (let pair = 0; pair < people * 12; pair++)
    addPairCost(problem, random.below(people), random.below(people), 1 + random.below(20))
  const category = Array.from({ length: people }, () => random.below(5))
  for (let a = 0; a < people; a++)
    for (let b = a + 1; b < people; b++) if (category[a] === category[b]) addPairCost(problem, a, b, 10)
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

/** Costs after some seconds beside the best of a longer search with another seed. */
function values(): void {
  for (const { people, groups } of CLASSES) {
    const problem = classOf(people, groups, people)
    const best = costsAfter(problem, 99, [15])[0] ?? 0
    const costs = costsAfter(problem, 1, SECONDS)
    const least = Math.min(best, ...costs)
    const parts = costs.map(
      (cost, at) => `${SECONDS[at]} s ${(((cost - least) / Math.max(1, least)) * 100).toFixed(1)} %`,
    )
    console.log(`${people} people in ${groups} groups, above the best known (${least}): ${parts.join(', ')}`)
  }
}

function costsAfter(problem: Problem, seed: number, seconds: number[]): number[] {
  const begun = performance.now()
  const search = solve(problem, { seed, steps: Number.MAX_SAFE_INTEGER })
  let cost = Number.POSITIVE_INFINITY
  const costs: number[] = []
  for (;;) {
    const { value, done } = search.next()
    const passed = (performance.now() - begun) / 1000
    // What came too late for a moment does not count for it.
    while (costs.length < seconds.length && passed > (seconds[costs.length] ?? 0)) costs.push(cost)
    if (costs.length === seconds.length) return costs
    cost = Math.min(cost, value.score.cost)
    if (done) return [...costs, ...seconds.slice(costs.length).map(() => cost)]
  }
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
