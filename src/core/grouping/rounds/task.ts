import { randomStream, shuffled } from '../../random/random'
import { lowerBound } from '../engine/bound'
import { costOf, type Problem } from '../engine/problem'
import { relaxedUnits, type Units, unitsOf } from '../engine/units'
import { type GroupingQuestion, poseQuestion } from '../pose'
import { leastRepeats } from './repeats'

/** How many rounds, from which random numbers, and within how many steps. */
export interface RoundsBudget {
  rounds: number
  seed: number
  steps: number
}

/** What several rounds have to be, in numbers. */
export interface RoundsTask {
  question: GroupingQuestion
  problem: Problem
  /** Of the groups, largest first. */
  sizes: number[]
  units: Units
  /** Pairs who are together in every round whatever is planned, as `a * people + b` with a < b. */
  fixedPairs: ReadonlySet<number>
  /** For each round the group each unit must be in, or -1. */
  fixedIn: Int16Array[]
  /** Somebody has a seat of their own in some round. */
  isSeated: boolean
  /** Pairs and one group of three. */
  isOddPairs: boolean
  /** No plan has fewer repeats. */
  least: number
  /** No plan costs less by the aims. */
  cheapest: number
  /** What a repeat costs in the search. */
  repeat: number
}

/** Puts a question into numbers; what means nothing over several rounds (keeping people where they are) is left out. */
export function roundsTask(
  asked: GroupingQuestion,
  budget: RoundsBudget,
  seats: readonly ReadonlyMap<string, number>[],
): RoundsTask {
  const question = {
    ...asked,
    held: new Set<string>(),
    aims: asked.aims.filter(aim => aim.kind !== 'keep'),
  }
  const { problem } = poseQuestion(question)
  const sizes = question.groups.map(group => group.size).sort((one, other) => other - one)
  const units = unitsOf(problem) ?? relaxedUnits(problem)
  const fixedPairs = pairsAlways(units)
  return {
    question,
    problem,
    sizes,
    units,
    fixedPairs,
    fixedIn: Array.from({ length: budget.rounds }, (_, round) =>
      seatedIn(units, question.people, seats[round] ?? new Map()),
    ),
    isSeated: seats.some(round => round.size > 0),
    isOddPairs: sizes[0] === 3 && sizes.every((size, at) => at === 0 || size === 2),
    least: leastRepeats(sizes, budget.rounds, { never: pairsNever(problem), always: fixedPairs.size }),
    cheapest: budget.rounds * lowerBound(problem),
    repeat: repeatCost(problem, sizes, budget),
  }
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
function repeatCost(problem: Problem, sizes: readonly number[], budget: RoundsBudget): number {
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
