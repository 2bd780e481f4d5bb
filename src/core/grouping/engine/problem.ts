/**
 * A grouping problem as the engine takes it: people and groups are numbers from 0, all costs whole numbers, so that two
 * answers compare exactly and the same seed gives the same answer on every machine.
 */

export interface GroupRange {
  /** Fewest and most people in the group. */
  min: number
  max: number
}

/** A number that should come out alike in all groups: costs `weight` x the sum over groups of |n S_g - s_g T|. */
export interface Spread {
  /** Whole number of each person. */
  values: Int32Array
  weight: number
}

/** Every group must have at least `least` of the members (trained leads, or experts of one topic). */
export interface Cover {
  /** 1 for a member, by person. */
  members: Uint8Array
  least: number
}

export interface Problem {
  people: number
  groups: GroupRange[]
  /** Symmetric, people x people, at least 0: what it costs when two are in one group. */
  pairCosts: Int32Array
  /** Pairs who must not be in one group. */
  apart: [number, number][]
  /** Sets who must be in one group. */
  together: number[][]
  /** `[person, group]`: who must be where. */
  placed: [number, number][]
  covers: Cover[]
  spreads: Spread[]
  /** Groups x people, at least 0: what it costs to have somebody in a group; null when it costs nothing. */
  placeCosts: Int32Array | null
}

/** What an arrangement breaks, and what it costs. Fewer broken is better, then lower cost. */
export interface Score {
  /** Pairs together who are apart, sets split (parts beyond one), people misplaced, missing or too many, covers short. */
  broken: number
  cost: number
}

export const isBetter = (one: Score, other: Score): boolean =>
  one.broken !== other.broken ? one.broken < other.broken : one.cost < other.cost

/** A problem without rules and aims, to be filled in. */
export function emptyProblem(people: number, groups: GroupRange[]): Problem {
  return {
    people,
    groups,
    pairCosts: new Int32Array(people * people),
    apart: [],
    together: [],
    placed: [],
    covers: [],
    spreads: [],
    placeCosts: null,
  }
}

/** Adds to what a pair costs, both ways. Changes the problem. */
export function addPairCost(problem: Problem, a: number, b: number, cost: number): void {
  if (a === b) return
  problem.pairCosts[a * problem.people + b] = (problem.pairCosts[a * problem.people + b] ?? 0) + cost
  problem.pairCosts[b * problem.people + a] = (problem.pairCosts[b * problem.people + a] ?? 0) + cost
}

/**
 * Scores an arrangement from scratch: `places` gives the group of each person. O(people^2 + rules).
 * The search keeps the same numbers step by step; this is what they are checked against.
 */
export function scoreOf(problem: Problem, places: ArrayLike<number>): Score {
  return { broken: brokenOf(problem, places), cost: costOf(problem, places) }
}

function brokenOf(problem: Problem, places: ArrayLike<number>): number {
  const { groups, apart, together, placed, covers } = problem
  let broken = 0
  for (const [a, b] of apart) if (places[a] === places[b]) broken++
  for (const set of together) broken += new Set(set.map(person => places[person])).size - 1
  for (const [person, group] of placed) if (places[person] !== group) broken++
  for (const [group, { min, max }] of groups.entries()) {
    const members = membersOf(places, group)
    broken += Math.max(0, members.length - max, min - members.length)
    for (const cover of covers) {
      const found = members.reduce((sum, person) => sum + (cover.members[person] ?? 0), 0)
      broken += Math.max(0, cover.least - found)
    }
  }
  return broken
}

/** What an arrangement costs, whatever it breaks; people in groups that don't exist cost nothing. O(people^2). */
export function costOf(problem: Problem, places: ArrayLike<number>): number {
  const { people, groups, pairCosts, spreads, placeCosts } = problem
  let cost = 0
  for (let a = 0; a < people; a++) {
    for (let b = a + 1; b < people; b++) if (places[a] === places[b]) cost += pairCosts[a * people + b] ?? 0
    if ((places[a] ?? -1) >= 0) cost += placeCosts?.[(places[a] ?? 0) * people + a] ?? 0
  }
  for (const { values, weight } of spreads) {
    const total = values.reduce((sum, value) => sum + value, 0)
    for (const group of groups.keys()) {
      const members = membersOf(places, group)
      const sum = members.reduce((part, person) => part + (values[person] ?? 0), 0)
      cost += weight * Math.abs(people * sum - members.length * total)
    }
  }
  return cost
}

function membersOf(places: ArrayLike<number>, group: number): number[] {
  const members: number[] = []
  for (let person = 0; person < places.length; person++) if (places[person] === group) members.push(person)
  return members
}
