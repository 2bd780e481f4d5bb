import { findContradiction, type Requirement } from './engine/contradiction'
import { type Problem, scoreOf } from './engine/problem'
import { type Answer, solve } from './engine/solve'
import { judgeSwap, move, personPlaces, searchState, settle } from './engine/state'
import { relaxedUnits, unitsOf } from './engine/units'
import { togetherKey } from './grouping'
import { type GroupingQuestion, poseQuestion } from './pose'

/** An arrangement on the way to the best one, as ids. */
export interface ArrangeStep {
  /** Person ids of each group, in the order of the question's groups. */
  groups: string[][]
  /** How many things the rules ask for are not as they should be. */
  broken: number
  cost: number
  /** No arrangement costs less than this. */
  bound: number
  /** Nothing that keeps the rules costs less. */
  proved: boolean
  steps: number
}

/** What contradicts what, by ids; sizes are always part of it. */
export interface Contradiction {
  apart: [string, string][]
  together: [string, string][]
  placed: { personId: string; groupName: string }[]
  /** How many are trained to lead, where one in every group is part of it; null where it is not. */
  leads: number | null
  sizes: number[]
}

/**
 * Answers a question with better and better arrangements; the last is the best. With `before` the last differs from it
 * in who sits with whom whenever another arrangement exists, if need be at the least further cost.
 */
export function* arrange(
  question: GroupingQuestion,
  budget: { seed: number; steps: number },
  before?: readonly string[][],
): Generator<ArrangeStep, ArrangeStep> {
  const { problem } = poseQuestion(question)
  const previous = before && togetherKey(before)
  let best: Answer | undefined
  const search = solve(problem, budget)
  for (let next = search.next(); ; next = search.next()) {
    const step = toStep(question, next.value)
    best = next.value
    if (next.done) break
    if (togetherKey(step.groups) !== previous) yield step
  }
  const last = toStep(question, best)
  if (togetherKey(last.groups) !== previous) return last
  const other = leastOther(problem, best.places)
  const step = toStep(question, { ...best, places: other, score: scoreOf(problem, other) })
  // The one before was proved best or not; this one is best only when it costs the same.
  return { ...step, proved: best.proved && step.broken === last.broken && step.cost === last.cost }
}

/** Why the rules can't all hold, with as little as possible; null when they can, or nothing was proved. */
export function contradictionOf(question: GroupingQuestion): Contradiction | null {
  const { problem } = poseQuestion(question)
  const found = findContradiction(problem)
  if (!found) return null
  const id = (person: number) => question.people[person]?.id ?? ''
  const pairs = (kind: 'apart' | 'together') =>
    found.flatMap((one): [string, string][] =>
      one.kind === kind ? [[id(one.pair[0]), id(one.pair[1])]] : [],
    )
  const placed = found.filter((one): one is Extract<Requirement, { kind: 'placed' }> => one.kind === 'placed')
  return {
    apart: pairs('apart'),
    together: pairs('together'),
    placed: placed.map(({ person, group }) => ({
      personId: id(person),
      groupName: question.groups[group]?.name ?? '',
    })),
    leads: found.some(one => one.kind === 'cover')
      ? question.people.filter(person => person.trainedToLead).length
      : null,
    sizes: question.groups.map(group => group.size),
  }
}

function toStep(question: GroupingQuestion, { places, score, bound, proved, steps }: Answer): ArrangeStep {
  const groups = question.groups.map((): string[] => [])
  for (const [number, person] of question.people.entries()) groups[places[number] ?? 0]?.push(person.id)
  return { groups, broken: score.broken, cost: score.cost, bound, proved, steps }
}

/** The cheapest exchange of two people that changes who sits with whom; the same places when there is none. O(people^2). */
function leastOther(problem: Problem, places: Int16Array): Int16Array {
  const units = unitsOf(problem) ?? relaxedUnits(problem)
  const state = searchState(problem, units, 1_000_000)
  settle(
    state,
    units.members.map(members => places[members[0] ?? 0] ?? 0),
  )
  let [least, pair] = [Number.POSITIVE_INFINITY, null as [number, number] | null]
  for (const a of state.free) {
    for (const b of state.free) {
      const [inA, inB] = [state.place[a] ?? 0, state.place[b] ?? 0]
      const alone = state.groupSize[inA] === state.size[a] && state.groupSize[inB] === state.size[b]
      if (a >= b || inA === inB || alone) continue
      const change = judgeSwap(state, a, b)
      if (change < least) [least, pair] = [change, [a, b]]
    }
  }
  if (pair) {
    const [a, b] = pair
    const [inA, inB] = [state.place[a] ?? 0, state.place[b] ?? 0]
    move(state, a, inB)
    move(state, b, inA)
  }
  return personPlaces(units, state.place, problem.people)
}
