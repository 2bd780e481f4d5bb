import type { Problem } from './engine/problem'
import { solve } from './engine/solve'
import { type GroupingQuestion, poseQuestion } from './pose'

/** A grouping on its way to being whole again. */
export interface RepairStep {
  /** Person ids of each group, in the order of the question's groups. */
  groups: string[][]
  /** Who has to change groups: those who had one. Newcomers are placed, not moved. */
  moves: { personId: string; from: number; to: number }[]
  broken: number
  /** Nothing that keeps the rules moves fewer people. */
  proved: boolean
  steps: number
}

/**
 * Makes a grouping whole again after somebody came late, is absent or has gone, or a rule was added: sizes and rules hold
 * with as few people moved as can be, and among such groupings the one that serves the aims best. `now` says where people
 * are; whoever is not in it is placed where it costs least. Yields better and better answers; the last is the best.
 */
export function* repair(
  asked: GroupingQuestion,
  budget: { seed: number; steps: number },
): Generator<RepairStep, RepairStep> {
  const question = { ...asked, aims: asked.aims.filter(aim => aim.kind !== 'keep') }
  const { problem } = poseQuestion(question)
  const { price, exceedsAims } = priceOfMoving(problem, question)
  const search = solve(problem, budget)
  for (;;) {
    const { value, done } = search.next()
    const groups = question.groups.map((): string[] => [])
    const moves: RepairStep['moves'] = []
    for (const [number, person] of question.people.entries()) {
      const to = value.places[number] ?? 0
      const from = question.now.get(person.id)
      groups[to]?.push(person.id)
      if (from !== undefined && from !== to) moves.push({ personId: person.id, from, to })
    }
    const { broken, cost } = value.score
    // A bound on the whole cost is one on the moves, as long as every move costs more than all aims together.
    const proved =
      broken === 0 &&
      (moves.length === 0 ||
        (exceedsAims && (value.proved || Math.floor(value.bound / price) >= Math.floor(cost / price))))
    const step = { groups, moves, broken, proved, steps: value.steps }
    if (done) return step
    yield step
  }
}

/** Adds to the problem what moving costs: more than the aims ever do, as far as whole numbers of 32 bits reach. */
function priceOfMoving(
  problem: Problem,
  { people, groups, now }: GroupingQuestion,
): { price: number; exceedsAims: boolean } {
  let most = 1
  for (const cost of problem.pairCosts) most += cost / 2
  for (const { values, weight } of problem.spreads)
    most += 2 * weight * people.length * values.reduce((sum, value) => sum + Math.abs(value), 0)
  const price = Math.max(1, Math.min(Math.ceil(most), Math.floor(2 ** 28 / Math.max(1, people.length))))
  const costs = new Int32Array(groups.length * people.length)
  for (const [number, person] of people.entries()) {
    const here = now.get(person.id)
    for (let group = 0; here !== undefined && group < groups.length; group++)
      costs[group * people.length + number] = group === here ? 0 : price
  }
  problem.placeCosts = costs
  return { price, exceedsAims: price >= most }
}
