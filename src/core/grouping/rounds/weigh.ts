import { scoreOf } from '../engine/problem'
import type { RoundsMethod } from './portfolio'
import type { RoundsTask } from './task'
import { threesApart } from './threes'

/** Rounds of groups, and what they are worth. */
export interface Plan {
  /** Rounds x people: the group each is in. */
  places: Int16Array[]
  repeats: number
  broken: number
  cost: number
  method: RoundsMethod
  /** Pairs with an odd person: how often somebody is in the group of three twice in a row. */
  again: number
}

/** Counts a plan from scratch, its rounds put in the order that is best for who makes a pair a group of three. */
export function planOf(task: RoundsTask, places: Int16Array[], method: RoundsMethod): Plan {
  const ordered = task.isOddPairs && !task.isSeated ? inTurn(places, task.sizes.length) : { places, again: 0 }
  return { ...weighed(task, ordered.places), places: ordered.places, again: ordered.again, method }
}

/** Keeps all rules, and no plan has fewer repeats, or as few at a lower cost. */
export function isProved(plan: Plan, { least, cheapest }: RoundsTask): boolean {
  return plan.broken === 0 && plan.repeats <= least && plan.cost <= cheapest
}

/** Fewer broken is better, then fewer twice in a row in the group of three, then fewer repeats, then lower cost. */
export function isBetterPlan(one: Plan, other: Plan): boolean {
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

/** Counts rounds from scratch, in any order. O(rounds x people^2). */
export function weighed(
  { problem, fixedPairs }: RoundsTask,
  places: readonly Int16Array[],
): Pick<Plan, 'repeats' | 'broken' | 'cost'> {
  const { people } = problem
  let [repeats, broken, cost] = [0, 0, 0]
  for (const round of places) {
    const score = scoreOf(problem, round)
    broken += score.broken
    cost += score.cost
  }
  for (let a = 0; a < people; a++) {
    for (let b = a + 1; b < people; b++) {
      if (fixedPairs.has(a * people + b)) continue
      let times = 0
      for (const round of places) if (round[a] === round[b]) times++
      repeats += Math.max(0, times - 1)
    }
  }
  return { repeats, broken, cost }
}
