import { randomStream, shuffled } from '../random/random'
import { findContradiction, type Requirement } from './engine/contradiction'
import { isBetter, type Problem, scoreOf } from './engine/problem'
import { type Answer, solve, solveToEnd } from './engine/solve'
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
  /** Something else than before was asked for, and nothing else was found that keeps as many rules. */
  sameAsBefore: boolean
}

/** What contradicts what, by ids; sizes are always part of it. */
export interface Contradiction {
  apart: [string, string][]
  together: [string, string][]
  placed: { personId: string; groupName: string }[]
  /** How many are trained to lead, where one in every group is part of it; null where it is not. */
  leads: number | null
  sizes: number[]
  /** Taking any one of these away lets the rest hold; otherwise there may be some among them that have no part in it. */
  smallest: boolean
}

/**
 * Answers a question with better and better arrangements; the last is the best. With `before` the last differs from it
 * in who sits with whom whenever another arrangement is found that breaks no more rules, if need be at the least further
 * cost; where none is, the last says so.
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
  const other = leastOther(problem, best, budget.seed)
  if (!other) return { ...last, sameAsBefore: true }
  const step = toStep(question, { ...best, ...other })
  // The one before was proved best or not; this one is best only when it costs the same.
  return { ...step, proved: best.proved && step.broken === last.broken && step.cost === last.cost }
}

/**
 * Why the rules can't all hold, with as little as possible; null when they can, or nothing was proved. `effort` bounds the
 * search, in steps.
 */
export function contradictionOf(question: GroupingQuestion, effort?: number): Contradiction | null {
  const { problem } = poseQuestion(question)
  const found = findContradiction(problem, effort === undefined ? undefined : { left: effort })
  if (!found) return null
  const id = (person: number) => question.people[person]?.id ?? ''
  const { requirements } = found
  const pairs = (kind: 'apart' | 'together') =>
    requirements.flatMap((one): [string, string][] =>
      one.kind === kind ? [[id(one.pair[0]), id(one.pair[1])]] : [],
    )
  const placed = requirements.filter(
    (one): one is Extract<Requirement, { kind: 'placed' }> => one.kind === 'placed',
  )
  return {
    apart: pairs('apart'),
    together: pairs('together'),
    placed: placed.map(({ person, group }) => ({
      personId: id(person),
      groupName: question.groups[group]?.name ?? '',
    })),
    leads: requirements.some(one => one.kind === 'cover')
      ? question.people.filter(person => person.trainedToLead).length
      : null,
    sizes: question.groups.map(group => group.size),
    smallest: found.smallest,
  }
}

function toStep(question: GroupingQuestion, { places, score, bound, proved, steps }: Answer): ArrangeStep {
  const groups = question.groups.map((): string[] => [])
  for (const [number, person] of question.people.entries()) groups[places[number] ?? 0]?.push(person.id)
  return { groups, broken: score.broken, cost: score.cost, bound, proved, steps, sameAsBefore: false }
}

type Other = Pick<Answer, 'places' | 'score'>

/**
 * The cheapest arrangement found in which others sit together, and no more rules are broken; null when there was none.
 * First every exchange of two is looked at. Where none keeps the rules, some two who sit together are kept apart and
 * everybody is seated anew around them: whatever differs parts two such people. O(people^2), and then some searches.
 */
function leastOther(problem: Problem, best: Answer, seed: number): Other | null {
  const exchanged = leastExchange(problem, best)
  if (exchanged) return exchanged
  let least: Other | null = null
  for (const pair of together(best.places, seed).slice(0, MOST_PARTED)) {
    const parted = { ...problem, apart: [...problem.apart, pair] }
    const { places } = solveToEnd(parted, { seed, steps: PARTED_STEPS })
    const score = scoreOf(problem, places)
    const differs = places[pair[0]] !== places[pair[1]]
    if (!differs || score.broken > best.score.broken) continue
    if (!least || isBetter(score, least.score)) least = { places, score }
  }
  return least
}

/** So many pairs are parted in turn, and so far each search goes. */
const MOST_PARTED = 60
const PARTED_STEPS = 20_000

/** Pairs of people in one group, in an order by the seed. O(people x group). */
function together(places: Int16Array, seed: number): [number, number][] {
  const pairs: [number, number][] = []
  const members = new Map<number, number[]>()
  for (const [person, group] of places.entries()) {
    for (const other of members.get(group) ?? []) pairs.push([other, person])
    members.set(group, [...(members.get(group) ?? []), person])
  }
  return shuffled(pairs, randomStream(seed))
}

/** The cheapest exchange of two units that changes who sits with whom and breaks no more rules; null when there is none. */
function leastExchange(problem: Problem, best: Answer): Other | null {
  const units = unitsOf(problem) ?? relaxedUnits(problem)
  const state = searchState(problem, units, DEAR)
  settle(
    state,
    units.members.map(members => best.places[members[0] ?? 0] ?? 0),
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
  if (!pair) return null
  const [a, b] = pair
  const [inA, inB] = [state.place[a] ?? 0, state.place[b] ?? 0]
  move(state, a, inB)
  move(state, b, inA)
  const places = personPlaces(units, state.place, problem.people)
  const score = scoreOf(problem, places)
  return score.broken <= best.score.broken ? { places, score } : null
}

/** What a broken rule costs while exchanges are compared: more than aims do in all but the largest classes. */
const DEAR = 1_000_000
