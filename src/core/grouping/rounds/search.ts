import type { Problem } from '../engine/problem'
import { type Cooling, minusLog, type Numbers } from '../engine/search'
import { judgeMove, judgeSwap, move, type SearchState, searchState, settle } from '../engine/state'
import type { Units } from '../engine/units'

/**
 * Several rounds at once: a state of the engine for each, in which a pair's cost grows when the two meet in other rounds.
 * So a swap in one round is judged by the same five reads, whatever the others are like; a swap that is made changes
 * the sums of the other rounds for the few pairs it brings together or parts.
 */
export interface RoundsState {
  rounds: SearchState[]
  /** Units x units: in how many rounds two share a group. */
  times: Int16Array
  /** What each meeting after the first costs; a third and later one costs a little more. */
  repeat: number
  /** Pairs that a rule puts together every round: their meetings are no repeats. */
  fixedPair: Uint8Array
  cost: number
}

/** What one more meeting costs when two already meet `times` times. */
function more(times: number, repeat: number): number {
  if (times === 0) return 0
  return repeat + (times < 8 ? times - 1 : 7)
}

/**
 * Builds the state of a plan, with nobody placed yet. `fixed` says for each round which group a unit must be in, or -1;
 * `repeat` is in units of the problem's cost. O(rounds x people^2).
 */
export function roundsState(
  problem: Problem,
  units: Units,
  fixed: readonly Int16Array[],
  { penalty, repeat }: { penalty: number; repeat: number },
): RoundsState {
  const rounds = fixed.map(each => searchState(problem, { ...units, fixed: each }, penalty))
  const many = units.members.length
  const fixedPair = new Uint8Array(many * many)
  for (let a = 0; a < many; a++) {
    for (let b = 0; b < many; b++) {
      const [one, other] = [units.fixed[a] ?? -1, units.fixed[b] ?? -1]
      if (one !== -1 && one === other) fixedPair[a * many + b] = 1
    }
  }
  return { rounds, times: new Int16Array(many * many), repeat, fixedPair, cost: 0 }
}

/** Puts everybody where `places` says, a list of units' groups for each round, and counts everything anew. */
export function settleRounds(state: RoundsState, places: readonly ArrayLike<number>[]): void {
  const { rounds, times } = state
  const first = rounds[0] as SearchState
  const many = first.count
  const base = searchState(first.problem, first.units, first.penalty).pair
  times.fill(0)
  for (const at of places) {
    for (let a = 0; a < many; a++)
      for (let b = 0; b < many; b++)
        if (a !== b && at[a] === at[b]) times[a * many + b] = (times[a * many + b] as number) + 1
  }
  for (const [round, part] of rounds.entries()) {
    const at = places[round] as ArrayLike<number>
    for (let a = 0; a < many; a++) {
      for (let b = 0; b < many; b++) {
        const pair = a * many + b
        const elsewhere = (times[pair] as number) - (a !== b && at[a] === at[b] ? 1 : 0)
        part.pair[pair] = (base[pair] as number) + (a === b ? 0 : weigh(state, part, a, b, elsewhere))
      }
    }
    settle(part, at)
  }
  state.cost = wholeCost(state)
}

function weigh(state: RoundsState, part: SearchState, a: number, b: number, times: number): number {
  if (state.fixedPair[a * part.count + b]) return 0
  return more(times, state.repeat) * (part.size[a] as number) * (part.size[b] as number)
}

/** The cost of all rounds by their own problem, and of all repeats. */
function wholeCost(state: RoundsState): number {
  const { rounds, times } = state
  const first = rounds[0] as SearchState
  let cost = 0
  for (const part of rounds) cost += part.cost
  // Each round's own cost counts its pairs at what one more meeting costs: taken out, and repeats counted once.
  for (const part of rounds) {
    for (let a = 0; a < first.count; a++) {
      for (let b = a + 1; b < first.count; b++) {
        if (part.place[a] === part.place[b])
          cost -= weigh(state, part, a, b, (times[a * first.count + b] as number) - 1)
      }
    }
  }
  for (let a = 0; a < first.count; a++) {
    for (let b = a + 1; b < first.count; b++) {
      for (let meeting = 1; meeting < (times[a * first.count + b] as number); meeting++)
        cost += weigh(state, first, a, b, meeting)
    }
  }
  return cost
}

/** Moves a unit in one round, and tells the other rounds of the pairs that now meet once more or less. O(units). */
function moveIn(state: RoundsState, part: SearchState, unit: number, group: number): void {
  const { place, count } = part
  const from = place[unit] as number
  move(part, unit, group)
  for (let other = 0; other < count; other++) {
    if (other === unit) continue
    if (place[other] === from) meet(state, part, unit, other, -1)
    else if (place[other] === group) meet(state, part, unit, other, 1)
  }
}

function meet(state: RoundsState, changed: SearchState, a: number, b: number, change: number): void {
  const { rounds, times } = state
  const count = (rounds[0] as SearchState).count
  const before = times[a * count + b] as number
  times[a * count + b] = before + change
  times[b * count + a] = before + change
  if (state.fixedPair[a * count + b]) return
  const size = ((rounds[0] as SearchState).size[a] as number) * ((rounds[0] as SearchState).size[b] as number)
  for (let round = 0; round < rounds.length; round++) {
    const part = rounds[round] as SearchState
    if (part === changed) continue
    const [inA, inB] = [part.place[a] as number, part.place[b] as number]
    const elsewhere = before - (inA === inB ? 1 : 0)
    const by = (more(elsewhere + change, state.repeat) - more(elsewhere, state.repeat)) * size
    if (by === 0) continue
    part.pair[a * count + b] = (part.pair[a * count + b] as number) + by
    part.pair[b * count + a] = (part.pair[b * count + a] as number) + by
    part.sums[inA * count + b] = (part.sums[inA * count + b] as number) + by
    part.sums[inB * count + a] = (part.sums[inB * count + a] as number) + by
  }
}

/** Where every unit is in every round. */
export const placesOfRounds = (state: RoundsState): Int16Array[] =>
  state.rounds.map(part => Int16Array.from(part.place))

/**
 * One cooling over all rounds: swaps, and single moves where sizes leave room, in a round drawn anew for each. Leaves the
 * state at the best it met, and ends early at a cost of `target`. Returns the steps used.
 */
export function coolRounds(state: RoundsState, cooling: Cooling, numbers: Numbers, target: number): number {
  const rounds = state.rounds.filter(part => part.free.length > 1)
  const [first] = rounds
  if (!first || first.groups < 2) return cooling.steps
  const { groups } = first
  // Swaps alone keep the number of people in every group: enough only while that is as it should be, and can't be else.
  const loose =
    first.size.some(size => size !== first.size[0]) ||
    first.min.some((min, group) =>
      rounds.some(part => part.groupSize[group] !== min || part.groupSize[group] !== first.max[group]),
    )
  let best = placesOfRounds(state)
  let bestCost = state.cost
  let bestStands = true
  let temperature = cooling.start
  let step = 0
  for (; step < cooling.steps && bestCost > target; step++) {
    if ((step & 63) === 0) {
      const left = 1 - step / cooling.steps
      temperature = cooling.end + (cooling.start - cooling.end) * left * left
    }
    const limit = temperature * minusLog(numbers)
    const part = rounds[numbers.below(rounds.length)] as SearchState
    const { free } = part
    const a = free[numbers.below(free.length)] as number
    const single = loose && numbers.below(4) === 0
    const b = single ? -1 : (free[numbers.below(free.length)] as number)
    const [inA, inB] = [part.place[a] as number, single ? numbers.below(groups) : (part.place[b] as number)]
    if (inA === inB) continue
    const change = single ? judgeMove(part, a, inB) : judgeSwap(part, a, b)
    if (change > limit) continue
    if (change > 0 && bestStands) {
      best = placesOfRounds(state)
      bestStands = false
    }
    moveIn(state, part, a, inB)
    if (!single) moveIn(state, part, b, inA)
    state.cost += change
    if (state.cost < bestCost) {
      bestCost = state.cost
      bestStands = true
    }
  }
  if (!bestStands) settleRounds(state, best)
  return step
}

/** Mean change of random swaps over all rounds, up or down; penalties left out. At least 1. */
export function meanRoundsChange(state: RoundsState, numbers: Numbers, samples = 400): number {
  const rounds = state.rounds.filter(part => part.free.length > 1)
  let [sum, counted] = [0, 0]
  for (let sample = 0; sample < samples && rounds.length > 0; sample++) {
    const part = rounds[numbers.below(rounds.length)] as SearchState
    const a = part.free[numbers.below(part.free.length)] as number
    const b = part.free[numbers.below(part.free.length)] as number
    if (part.place[a] === part.place[b]) continue
    const change = Math.abs(judgeSwap(part, a, b))
    if (change === 0 || change >= part.penalty) continue
    sum += change
    counted++
  }
  return counted === 0 ? 1 : Math.max(1, sum / counted)
}

/**
 * Seats people anew in a plan that is without repeats: two exchange their places in all rounds at once, so that who meets
 * whom stays as good as it is, and rules and aims are kept better. By annealing; `places` is changed.
 */
export function reseat(
  problem: Problem,
  units: Units,
  places: Int16Array[],
  { penalty, steps }: { penalty: number; steps: number },
  numbers: Numbers,
): void {
  const rounds = places.map(at => {
    const part = searchState(problem, units, penalty)
    settle(part, at)
    return part
  })
  const count = units.members.length
  const cost = () => rounds.reduce((sum, part) => sum + part.cost, 0)
  let [now, least] = [cost(), cost()]
  const start = (WARM_SEATS * least) / (count * rounds.length)
  for (let step = 0; step < steps && least > 0; step++) {
    const left = 1 - step / steps
    const limit = start * left * left * minusLog(numbers)
    const [a, b] = [numbers.below(count), numbers.below(count)]
    const change = judgeSeats(rounds, a, b)
    if (a === b || change > limit) continue
    for (const part of rounds) exchangeSeats(part, a, b)
    now += change
    if (now >= least) continue
    least = now
    for (const [round, part] of rounds.entries()) places[round]?.set(part.place)
  }
}

/** How warm seating begins, as a share of what a seat costs. */
const WARM_SEATS = 2

function judgeSeats(rounds: readonly SearchState[], a: number, b: number): number {
  let change = 0
  for (let round = 0; round < rounds.length; round++) {
    const part = rounds[round] as SearchState
    if (part.place[a] !== part.place[b]) change += judgeSwap(part, a, b)
  }
  return change
}

function exchangeSeats(part: SearchState, a: number, b: number): void {
  const [inA, inB] = [part.place[a] as number, part.place[b] as number]
  if (inA === inB) return
  move(part, a, inB)
  move(part, b, inA)
}
