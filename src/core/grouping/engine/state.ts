import { type Problem, type Score, scoreOf } from './problem'
import type { Units } from './units'

/**
 * Where the search stands: for every unit and group the sum of what the unit would cost there is kept up to date, so
 * that a swap is judged by five reads and a few terms. What is broken costs `penalty` each, so that the search can pass
 * through what it must not keep.
 */
export interface SearchState {
  problem: Problem
  units: Units
  count: number
  groups: number
  penalty: number
  size: Int32Array
  /** Units x units: pair costs, and the penalty for pairs who are apart. */
  pair: Int32Array
  /** Groups x units: what a unit costs in a group as things stand, itself not counted. */
  sums: Int32Array
  place: Int16Array
  groupSize: Int32Array
  min: Int32Array
  max: Int32Array
  /** For each spread: units' sums of values, groups' sums of values, weight and total. */
  spreads: { unit: Int32Array; group: Int32Array; weight: number; total: number }[]
  covers: { unit: Int32Array; group: Int32Array; least: number }[]
  /** What each group costs beside its pairs, as things stand. */
  terms: Float64Array
  /** Whether every swap keeps those terms as they are, so that pairs are all there is to judge. */
  pairsOnly: boolean
  /** Units that may move. */
  free: Int32Array
  cost: number
}

/** Builds the arrays for a problem, with nobody placed yet. O(people^2). */
export function searchState(problem: Problem, units: Units, penalty: number): SearchState {
  const count = units.members.length
  const groups = problem.groups.length
  const unitOf = new Int32Array(problem.people)
  for (const [unit, members] of units.members.entries()) for (const person of members) unitOf[person] = unit
  const sumOf = (values: ArrayLike<number>) =>
    Int32Array.from(units.members, members => members.reduce((sum, person) => sum + (values[person] ?? 0), 0))
  const fixed = units.fixed
  return {
    problem,
    units,
    count,
    groups,
    penalty,
    size: Int32Array.from(units.members, members => members.length),
    pair: pairMatrix(problem, units, unitOf, penalty),
    sums: new Int32Array(groups * count),
    place: new Int16Array(count).fill(-1),
    groupSize: new Int32Array(groups),
    min: Int32Array.from(problem.groups, group => group.min),
    max: Int32Array.from(problem.groups, group => group.max),
    spreads: problem.spreads.map(({ values, weight }) => ({
      unit: sumOf(values),
      group: new Int32Array(groups),
      weight,
      total: values.reduce((sum, value) => sum + value, 0),
    })),
    covers: problem.covers.map(({ members, least }) => ({
      unit: sumOf(members),
      group: new Int32Array(groups),
      least,
    })),
    terms: new Float64Array(groups),
    pairsOnly:
      problem.spreads.length === 0 &&
      problem.covers.length === 0 &&
      units.members.every(members => members.length === 1),
    free: Int32Array.from([...fixed.keys()].filter(unit => fixed[unit] === -1)),
    cost: 0,
  }
}

function pairMatrix(problem: Problem, units: Units, unitOf: Int32Array, penalty: number): Int32Array {
  const { people, pairCosts } = problem
  const count = units.members.length
  const pair = new Int32Array(count * count)
  const add = (a: number, b: number, cost: number) => {
    const [one, other] = [unitOf[a] ?? 0, unitOf[b] ?? 0]
    if (one === other) return
    pair[one * count + other] = (pair[one * count + other] ?? 0) + cost
    pair[other * count + one] = (pair[other * count + one] ?? 0) + cost
  }
  for (let a = 0; a < people; a++) {
    for (let b = a + 1; b < people; b++) {
      const cost = pairCosts[a * people + b] ?? 0
      if (cost !== 0) add(a, b, cost)
    }
  }
  for (const [a, b] of problem.apart) add(a, b, penalty)
  if (units.relaxed) {
    for (const set of problem.together) {
      for (const [place, a] of set.entries()) for (const b of set.slice(place + 1)) add(a, b, -penalty)
    }
  }
  return pair
}

/** Puts every unit where `places` says, and counts all sums anew. O(units^2). */
export function settle(state: SearchState, places: ArrayLike<number>): void {
  const { problem, units, count, groups, sums, penalty } = state
  sums.fill(0)
  if (problem.placeCosts) {
    for (let group = 0; group < groups; group++) {
      for (const [unit, members] of units.members.entries()) {
        for (const person of members)
          sums[group * count + unit] =
            (sums[group * count + unit] ?? 0) + (problem.placeCosts[group * problem.people + person] ?? 0)
      }
    }
  }
  if (units.relaxed) {
    for (const [person, group] of problem.placed) {
      const place = group * count + person
      sums[place] = (sums[place] ?? 0) - penalty
    }
  }
  state.place.fill(-1)
  state.groupSize.fill(0)
  for (const spread of state.spreads) spread.group.fill(0)
  for (const cover of state.covers) cover.group.fill(0)
  for (let unit = 0; unit < count; unit++) if ((places[unit] ?? -1) >= 0) put(state, unit, places[unit] ?? 0)
  for (let group = 0; group < groups; group++) state.terms[group] = groupTerm(state, group, 0, -1, -1)
  state.cost = totalCost(state)
}

/** Adds a unit to a group's sums; the caller keeps the cost. O(units). */
export function put(state: SearchState, unit: number, group: number): void {
  shift(state, unit, group, 1)
  state.place[unit] = group
}

/** Moves a unit from its group to another; the caller keeps the cost. O(units). */
export function move(state: SearchState, unit: number, group: number): void {
  const from = state.place[unit] as number
  shift(state, unit, from, -1)
  put(state, unit, group)
  state.terms[from] = groupTerm(state, from, 0, -1, -1)
  state.terms[group] = groupTerm(state, group, 0, -1, -1)
}

/** Exchanges two units of different groups; the caller keeps the cost. In one pass: most of a search's time is spent here. */
export function swap(state: SearchState, a: number, b: number): void {
  const { count, sums, pair, place, size } = state
  const [inA, inB] = [place[a] as number, place[b] as number]
  const [fromA, fromB, rowA, rowB] = [inA * count, inB * count, a * count, b * count]
  for (let other = 0; other < count; other++) {
    const more = (pair[rowA + other] as number) - (pair[rowB + other] as number)
    if (more === 0) continue
    sums[fromA + other] = (sums[fromA + other] as number) - more
    sums[fromB + other] = (sums[fromB + other] as number) + more
  }
  shiftCounts(state, inA, b, a, (size[b] as number) - (size[a] as number))
  shiftCounts(state, inB, a, b, (size[a] as number) - (size[b] as number))
  place[a] = inB
  place[b] = inA
  state.terms[inA] = groupTerm(state, inA, 0, -1, -1)
  state.terms[inB] = groupTerm(state, inB, 0, -1, -1)
}

/** What a group counts beside its pairs, with one unit in and another out. */
function shiftCounts(state: SearchState, group: number, unitIn: number, unitOut: number, more: number): void {
  state.groupSize[group] = (state.groupSize[group] as number) + more
  for (const { unit, group: sums } of state.spreads)
    sums[group] = (sums[group] as number) + (unit[unitIn] as number) - (unit[unitOut] as number)
  for (const { unit, group: sums } of state.covers)
    sums[group] = (sums[group] as number) + (unit[unitIn] as number) - (unit[unitOut] as number)
}

/** What moving a unit to another group would change the cost by. O(spreads + covers). */
export function judgeMove(state: SearchState, unit: number, group: number): number {
  const { count, sums, terms } = state
  const from = state.place[unit] as number
  const size = state.size[unit] as number
  return (
    (sums[group * count + unit] as number) -
    (sums[from * count + unit] as number) +
    groupTerm(state, from, -size, -1, unit) +
    groupTerm(state, group, size, unit, -1) -
    (terms[from] as number) -
    (terms[group] as number)
  )
}

/** What exchanging two units of different groups would change the cost by. O(spreads + covers). */
export function judgeSwap(state: SearchState, a: number, b: number): number {
  const { count, sums, place, pair, terms, size } = state
  const [inA, inB] = [place[a] as number, place[b] as number]
  const pairs =
    (sums[inB * count + a] as number) +
    (sums[inA * count + b] as number) -
    (sums[inA * count + a] as number) -
    (sums[inB * count + b] as number) -
    2 * (pair[a * count + b] as number)
  if (state.pairsOnly) return pairs
  const more = (size[b] as number) - (size[a] as number)
  return (
    pairs +
    groupTerm(state, inA, more, b, a) +
    groupTerm(state, inB, -more, a, b) -
    (terms[inA] as number) -
    (terms[inB] as number)
  )
}

function shift(state: SearchState, unit: number, group: number, sign: number): void {
  const { count, sums, pair } = state
  const [from, row] = [group * count, unit * count]
  for (let other = 0; other < count; other++) {
    sums[from + other] = (sums[from + other] as number) + sign * (pair[row + other] as number)
  }
  state.groupSize[group] = (state.groupSize[group] ?? 0) + sign * (state.size[unit] ?? 0)
  for (const spread of state.spreads)
    spread.group[group] = (spread.group[group] ?? 0) + sign * (spread.unit[unit] ?? 0)
  for (const cover of state.covers)
    cover.group[group] = (cover.group[group] ?? 0) + sign * (cover.unit[unit] ?? 0)
}

/** What a group costs beside its pairs: sizes and covers missed, and spreads, with so much more in it. */
export function groupTerm(
  state: SearchState,
  group: number,
  more: number,
  unitIn: number,
  unitOut: number,
): number {
  const size = (state.groupSize[group] as number) + more
  let missed = 0
  if (size > (state.max[group] as number)) missed += size - (state.max[group] as number)
  else if (size < (state.min[group] as number)) missed += (state.min[group] as number) - size
  for (let place = 0; place < state.covers.length; place++) {
    const cover = state.covers[place] as SearchState['covers'][number]
    let found = cover.group[group] as number
    if (unitIn >= 0) found += cover.unit[unitIn] as number
    if (unitOut >= 0) found -= cover.unit[unitOut] as number
    if (found < cover.least) missed += cover.least - found
  }
  let cost = missed * state.penalty
  for (let place = 0; place < state.spreads.length; place++) {
    const spread = state.spreads[place] as SearchState['spreads'][number]
    let sum = spread.group[group] as number
    if (unitIn >= 0) sum += spread.unit[unitIn] as number
    if (unitOut >= 0) sum -= spread.unit[unitOut] as number
    cost += spread.weight * Math.abs(state.problem.people * sum - size * spread.total)
  }
  return cost
}

/** The whole cost with penalties, from the sums. O(units + groups). */
export function totalCost(state: SearchState): number {
  const { count, sums, place, problem, units, penalty } = state
  // Pair sums count every pair twice, place costs once: what a unit costs alone is taken out and added again whole.
  let [pairs, alone] = [0, 0]
  for (let unit = 0; unit < count; unit++) {
    const group = place[unit] ?? -1
    if (group < 0) continue
    const own = aloneCost(state, unit, group)
    pairs += (sums[group * count + unit] ?? 0) - own
    alone += own
  }
  let cost = pairs / 2 + alone
  for (let group = 0; group < state.groups; group++) cost += groupTerm(state, group, 0, -1, -1)
  if (units.relaxed) {
    cost += penalty * problem.placed.length
    for (const set of problem.together) cost += (penalty * set.length * (set.length - 1)) / 2
  }
  return cost + innerCost(problem, units)
}

function aloneCost(state: SearchState, unit: number, group: number): number {
  const { problem, units, penalty } = state
  let cost = 0
  for (const person of units.members[unit] ?? [])
    cost += problem.placeCosts?.[group * problem.people + person] ?? 0
  if (units.relaxed) {
    for (const [person, wanted] of problem.placed) if (person === unit && wanted === group) cost -= penalty
  }
  return cost
}

/** Pair costs inside the units: they can't be changed. */
export function innerCost(problem: Problem, units: Units): number {
  let cost = 0
  for (const members of units.members) {
    for (const [place, a] of members.entries()) {
      for (const b of members.slice(place + 1)) cost += problem.pairCosts[a * problem.people + b] ?? 0
    }
  }
  return cost
}

/** The group of each person. */
export function personPlaces(units: Units, place: ArrayLike<number>, people: number): Int16Array {
  const places = new Int16Array(people)
  for (const [unit, members] of units.members.entries()) {
    for (const person of members) places[person] = place[unit] ?? 0
  }
  return places
}

/** The score of where the state stands, without penalties. */
export const stateScore = (state: SearchState): Score =>
  scoreOf(state.problem, personPlaces(state.units, state.place, state.problem.people))
