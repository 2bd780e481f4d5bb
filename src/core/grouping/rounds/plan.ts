import { randomStream, shuffled } from '../../random/random'
import { lowerBound } from '../engine/bound'
import { costOf, type Problem, scoreOf } from '../engine/problem'
import { Numbers } from '../engine/search'
import { firstPlaces, startPenalty } from '../engine/solve'
import { personPlaces, searchState } from '../engine/state'
import { relaxedUnits, type Units, unitsOf } from '../engine/units'
import { type GroupingQuestion, poseQuestion } from '../pose'
import {
  type DesignedRounds,
  designedRounds,
  developedRounds,
  oddPairRounds,
  type RoundsMethod,
} from './portfolio'
import { leastRepeats } from './repeats'
import {
  coolRounds,
  meanRoundsChange,
  placesOfRounds,
  type RoundsState,
  reseat,
  roundsState,
  settleRounds,
} from './search'
import { threesApart } from './threes'

/** Several rounds on the way to the best ones, as ids. */
export interface RoundsStep {
  /** Rounds x groups x person ids, groups in the order of the question's. */
  rounds: string[][][]
  /** Over all pairs who need not stay together, how often they meet again within these rounds. */
  repeats: number
  /** No plan of these rounds has fewer repeats. */
  leastRepeats: number
  /** How many things the rules ask for are not as they should be, over all rounds. */
  broken: number
  /** What the rounds cost by the aims. */
  cost: number
  /** Keeps all rules, and no plan has fewer repeats, or as few at a lower cost. */
  proved: boolean
  method: RoundsMethod
  steps: number
}

interface Plan {
  places: Int16Array[]
  repeats: number
  broken: number
  cost: number
  method: RoundsMethod
  /** Pairs with an odd person: how often somebody is in the group of three twice in a row. */
  again: number
}

/**
 * Plans several rounds of groups in the same sizes: nobody meets twice if that can be, every rule is kept in every round,
 * and the aims count in each, the history before it among them. Yields better and better plans; the last is the best.
 *
 * A known construction is taken as it is where nothing but repeats counts, and as a start for the search otherwise.
 * `seats` says for each round which group somebody stays in, by person id; where a rule says otherwise, the rule holds. The
 * same question, seed and steps give the same answer everywhere. The aim to keep people where they are says nothing about
 * several rounds, and is left out; so is `held`, in place of which there are the seats.
 */
export function* planRounds(
  asked: GroupingQuestion,
  budget: { rounds: number; seed: number; steps: number },
  seats: readonly ReadonlyMap<string, number>[] = [],
): Generator<RoundsStep, RoundsStep> {
  const question = {
    ...asked,
    held: new Set<string>(),
    aims: asked.aims.filter(aim => aim.kind !== 'keep'),
  }
  const { problem } = poseQuestion(question)
  const sizes = question.groups.map(group => group.size).sort((one, other) => other - one)
  const units = unitsOf(problem) ?? relaxedUnits(problem)
  const fixed = pairsAlways(units)
  const fixedIn = Array.from({ length: budget.rounds }, (_, round) =>
    seatedIn(units, question.people, seats[round] ?? new Map()),
  )
  const isSeated = seats.some(round => round.size > 0)
  const least = leastRepeats(sizes, budget.rounds, { never: pairsNever(problem), always: fixed.size })
  const cheapest = budget.rounds * lowerBound(problem)
  const odd = sizes[0] === 3 && sizes.every((size, at) => at === 0 || size === 2)
  let best: Plan | undefined
  let steps = 0
  const isProved = (plan: Plan) => plan.broken === 0 && plan.repeats <= least && plan.cost <= cheapest
  const step = (plan: Plan): RoundsStep => ({
    rounds: plan.places.map(places => idsOf(question, places)),
    repeats: plan.repeats,
    leastRepeats: least,
    broken: plan.broken,
    cost: plan.cost,
    proved: isProved(plan),
    method: plan.method,
    steps,
  })
  const take = (places: Int16Array[], method: RoundsMethod): boolean => {
    const ordered = odd && !isSeated ? inTurn(places, question.groups.length) : { places, again: 0 }
    const plan = { ...weighed(problem, ordered.places, fixed, method), again: ordered.again }
    if (best && !isBetterPlan(plan, best)) return false
    best = plan
    return true
  }
  const numbers = new Numbers(budget.seed)
  const repeat = repeatCost(problem, sizes, budget)
  let penalty = startPenalty(problem)
  const stateAt = (places: readonly ArrayLike<number>[]): RoundsState => {
    const state = roundsState(problem, units, fixedIn, { penalty: penalty + 4 * repeat, repeat })
    settleRounds(state, places)
    return state
  }
  let state = stateAt(
    fixedIn.map(each => firstPlaces(searchState(problem, { ...units, fixed: each }, penalty), numbers)),
  )
  if (take(peopleIn(state, units, problem.people), 'search') && best) yield step(best)
  const single = units.members.length === problem.people && !units.relaxed && !isSeated
  let warm = WARM
  /** Takes a construction in, and goes on from it when it is better than what there is. */
  const begin = (designed: DesignedRounds | null): boolean => {
    if (!designed || !single) return false
    const places = seated(designed.rounds, question, budget.seed)
    reseat(problem, units, places, { penalty, steps: RESEAT_STEPS }, numbers)
    // A construction for fewer rounds: those the search began with fill it up.
    places.push(...peopleIn(state, units, problem.people).slice(places.length))
    if (!take(places, designed.method)) return false
    state = stateAt(places.map(at => unitsIn(units, at)))
    warm = WARM_FROM_DESIGN
    return true
  }
  if (begin(longestDesign(sizes, budget.rounds)) && best) yield step(best)
  let developed = best?.repeats === 0
  const target = cheapest + least * repeat
  let cycle = 2000 * units.members.length
  while (steps < budget.steps && best && !isProved(best)) {
    const mean = meanRoundsChange(state, numbers)
    const limited = Math.min(cycle, Math.max(1, budget.steps - steps))
    const before = best.method
    const used = coolRounds(state, { start: warm * mean, end: COLD * mean, steps: limited }, numbers, target)
    // At the target already, and yet not taken: no further cooling would find another.
    if (used === 0) break
    steps += used
    const places = peopleIn(state, units, problem.people)
    // Improved by a search that began with a construction and still has no repeats: it is that construction, reseated.
    if (take(places, best.repeats === 0 ? before : 'search')) yield step(best)
    if (weighed(problem, places, fixed, 'search').broken > 0 && penalty < 1e7) {
      penalty *= 2
      state = stateAt(placesOfRounds(state))
    }
    if (!developed && steps >= SEARCH_FIRST) {
      developed = true
      if (best.repeats > 0 && least === 0 && begin(developedRounds(sizes, budget.rounds))) yield step(best)
    }
    cycle = Math.floor(cycle * 1.5)
  }
  if (!best) throw new Error('A search always has an answer.')
  return step(best)
}

/** The group each unit must be in for one round: that of a rule, otherwise the seat of one of its members, otherwise -1. */
function seatedIn(
  units: Units,
  people: GroupingQuestion['people'],
  seats: ReadonlyMap<string, number>,
): Int16Array {
  return Int16Array.from(units.members, (members, unit) => {
    const byRule = units.fixed[unit] ?? -1
    if (byRule !== -1) return byRule
    return members.map(person => seats.get(people[person]?.id ?? '')).find(seat => seat !== undefined) ?? -1
  })
}

/** Exchanges of seats tried in a construction, before the search goes on from it. */
const RESEAT_STEPS = 100_000

/** Steps before base rounds are looked for: what the search finds at once need not be constructed. */
const SEARCH_FIRST = 1_000_000

/** Where a cooling over several rounds begins and ends, as shares of the mean change. */
const WARM = 0.25
const COLD = 0.03
/** A construction is worth keeping: the search that goes on from it begins colder. */
const WARM_FROM_DESIGN = 0.06

/** Fewer broken is better, then fewer twice in a row in the group of three, then fewer repeats, then lower cost. */
function isBetterPlan(one: Plan, other: Plan): boolean {
  if (one.broken !== other.broken) return one.broken < other.broken
  if (one.again !== other.again) return one.again < other.again
  return one.repeats !== other.repeats ? one.repeats < other.repeats : one.cost < other.cost
}

/** The rounds in the order in which fewest are in the group of three twice in a row. */
function inTurn(places: Int16Array[], groups: number): { places: Int16Array[]; again: number } {
  const rounds = places.map(at =>
    Array.from({ length: groups }, (_, group) => [...at.keys()].filter(person => at[person] === group)),
  )
  const order = threesApart(rounds)
  const threes = order.map(round => rounds[round]?.find(group => group.length === 3) ?? [])
  const again = threes.filter((three, at) => three.some(person => threes[at + 1]?.includes(person))).length
  return { places: order.map(round => places[round] as Int16Array), again }
}

/** Counts a plan from scratch. O(rounds x people^2). */
function weighed(
  problem: Problem,
  places: Int16Array[],
  fixed: ReadonlySet<number>,
  method: RoundsMethod,
): Omit<Plan, 'again'> {
  const { people } = problem
  let [repeats, broken, cost] = [0, 0, 0]
  for (const round of places) {
    const score = scoreOf(problem, round)
    broken += score.broken
    cost += score.cost
  }
  for (let a = 0; a < people; a++) {
    for (let b = a + 1; b < people; b++) {
      if (fixed.has(a * people + b)) continue
      let times = 0
      for (const round of places) if (round[a] === round[b]) times++
      repeats += Math.max(0, times - 1)
    }
  }
  return { places, repeats, broken, cost, method }
}

/** The construction for most of the rounds asked for. */
function longestDesign(sizes: readonly number[], rounds: number): DesignedRounds | null {
  for (let fewer = rounds; fewer > 1; fewer--) {
    const found = designs(sizes, fewer)
    if (found) return found
  }
  return null
}

function designs(sizes: readonly number[], rounds: number): DesignedRounds | null {
  if ((sizes[0] ?? 0) - (sizes.at(-1) ?? 0) > 1) return null
  const found = designedRounds(sizes, rounds)
  if (found) return found
  // Pairs and one group of three.
  const [first, ...others] = sizes
  return first === 3 && others.every(size => size === 2) ? oddPairRounds(3 + 2 * others.length, rounds) : null
}

/** A plan of numbers with the people of the question in a random order; groups of each size in the question's places. */
function seated(rounds: readonly number[][][], question: GroupingQuestion, seed: number): Int16Array[] {
  const order = shuffled([...question.people.keys()], randomStream(seed))
  const bySize = [...question.groups.keys()].sort(
    (one, other) => (question.groups[other]?.size ?? 0) - (question.groups[one]?.size ?? 0),
  )
  return rounds.map(round => {
    const places = new Int16Array(order.length)
    for (const [at, group] of round.entries())
      for (const point of group) places[order[point] ?? 0] = bySize[at] ?? 0
    return places
  })
}

const unitsIn = (units: Units, places: ArrayLike<number>): number[] =>
  units.members.map(members => places[members[0] ?? 0] ?? 0)

const peopleIn = (state: RoundsState, units: Units, people: number): Int16Array[] =>
  state.rounds.map(part => personPlaces(units, part.place, people))

function idsOf(question: GroupingQuestion, places: Int16Array): string[][] {
  const groups = question.groups.map((): string[] => [])
  for (const [number, person] of question.people.entries()) groups[places[number] ?? 0]?.push(person.id)
  return groups
}

/** Pairs a rule keeps apart, each once. */
function pairsNever({ apart, people }: Problem): number {
  return new Set(apart.map(([a, b]) => Math.min(a, b) * people + Math.max(a, b))).size
}

/** Pairs a rule brings together in every round, as `a * people + b` with a < b. */
function pairsAlways(units: Units): Set<number> {
  const people = units.members.reduce((sum, members) => sum + members.length, 0)
  const pairs = new Set<number>()
  const sets = [
    ...units.members,
    ...[...new Set(units.fixed)]
      .filter(group => group >= 0)
      .map(group => units.members.filter((_, unit) => units.fixed[unit] === group).flat()),
  ]
  for (const set of sets) {
    for (const a of set) for (const b of set) if (a < b) pairs.add(a * people + b)
  }
  return pairs
}

/** Repeats come before the aims: in random rounds they cost several times as much together. */
function repeatCost(
  problem: Problem,
  sizes: readonly number[],
  budget: { rounds: number; seed: number },
): number {
  const random = randomStream(budget.seed)
  const seats = sizes.flatMap((size, group) => Array<number>(size).fill(group))
  const draws = Array.from({ length: 20 }, () => costOf(problem, shuffled(seats, random)))
  const aims = (draws.reduce((sum, cost) => sum + cost, 0) / draws.length) * budget.rounds
  const { people } = problem
  const chance = sizes.reduce((sum, size) => sum + size * (size - 1), 0) / Math.max(1, people * (people - 1))
  const each = budget.rounds * chance - 1 + (1 - chance) ** budget.rounds
  const expected = Math.max(1, (each * people * (people - 1)) / 2)
  return Math.min(Math.max(8, Math.ceil((4 * aims) / expected)), Math.floor(2 ** 26 / people))
}
