import { judgeMove, judgeSwap, move, type SearchState, settle, swap } from './state'

/** Whole numbers from a seed, made in place: the inner loop has no time for calls. Source: Marsaglia, "Xorshift RNGs", 2003. */
export class Numbers {
  private state: number
  constructor(seed: number) {
    this.state = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) | 1
  }
  /** A whole number of 0 .. below - 1; for small `below` as good as evenly spread. */
  below(below: number): number {
    let next = this.state
    next ^= next << 13
    next ^= next >>> 17
    next ^= next << 5
    this.state = next
    return (next >>> 0) % below
  }
}

const LOG_STEPS = 4096
/**
 * -ln((k + 1/2) / 4096), from + - * / alone: those are the same on every machine, which Math.log need not be.
 * With m in [1, 2) and x = m / 2^e, ln x = 2 artanh((m - 1) / (m + 1)) - e ln 2.
 */
const MINUS_LOG = Float64Array.from({ length: LOG_STEPS }, (_, k) => {
  let mantissa = (k + 0.5) / LOG_STEPS
  let halvings = 0
  for (; mantissa < 1; mantissa *= 2) halvings++
  return halvings * 2 * artanh(1 / 3) - 2 * artanh((mantissa - 1) / (mantissa + 1))
})

/** -ln of a random number of 0 .. 1: times the temperature, how much dearer an accepted change may be. */
export const minusLog = (numbers: Numbers): number => MINUS_LOG[numbers.below(LOG_STEPS)] as number

function artanh(x: number): number {
  let [term, sum] = [x, 0]
  for (let power = 1; power < 60; power += 2) {
    sum += term / power
    term *= x * x
  }
  return sum
}

/** The temperature of one cooling: from `start` to `end`, both in units of cost. */
export interface Cooling {
  start: number
  end: number
  steps: number
}

/**
 * One cooling by simulated annealing (Kirkpatrick, Gelatt and Vecchi, 1983) over swaps, single moves and exchanges of a
 * unit for several, then a descent to the nearest optimum. Leaves the state at the best it met; returns the steps used.
 */
export function cool(state: SearchState, cooling: Cooling, numbers: Numbers): number {
  const { free, count, groups } = state
  if (free.length < 2 || groups < 2) return 1
  const mixedSizes = state.size.some(size => size !== state.size[0])
  const slack = state.min.some((min, group) => min !== state.max[group])
  const best = Int16Array.from(state.place)
  let bestCost = state.cost
  let temperature = cooling.start
  for (let step = 0; step < cooling.steps; step++) {
    if ((step & 63) === 0) {
      temperature = temperatureAt(cooling, step)
    }
    const limit = temperature * (MINUS_LOG[numbers.below(LOG_STEPS)] as number)
    const unit = free[numbers.below(free.length)] as number
    const kind = slack || mixedSizes ? numbers.below(8) : 7
    if (kind === 0 && mixedSizes) exchange(state, unit, numbers, limit)
    else if (kind < 3) tryMove(state, unit, numbers.below(groups), limit)
    else trySwap(state, unit, free[numbers.below(free.length)] as number, limit)
    if (state.cost < bestCost) {
      bestCost = state.cost
      best.set(state.place)
    }
  }
  settle(state, best)
  const used = cooling.steps + descend(state)
  return count > 0 ? used : 1
}

/** Falls by halves, in equal times, and evenly in between: from + - * / alone, so that it is the same on every machine. */
export function temperatureAt({ start, end, steps }: Cooling, step: number): number {
  let halvings = 1
  for (let reached = start / 2; reached > end; reached /= 2) halvings++
  const passed = (step / steps) * halvings
  let warm = start
  let whole = 0
  for (; whole + 1 <= passed; whole++) warm /= 2
  return warm * (1 - (passed - whole) / 2)
}

function tryMove(state: SearchState, unit: number, group: number, limit: number): void {
  if (state.place[unit] === group) return
  const change = judgeMove(state, unit, group)
  if (change > limit) return
  move(state, unit, group)
  state.cost += change
}

function trySwap(state: SearchState, a: number, b: number, limit: number): void {
  const [inA, inB] = [state.place[a] as number, state.place[b] as number]
  if (inA === inB) return
  const change = judgeSwap(state, a, b)
  if (change > limit) return
  swap(state, a, b)
  state.cost += change
}

/** A unit for as many smaller ones of another group as it has members: sizes stay. Taken back when it costs too much. */
function exchange(state: SearchState, unit: number, numbers: Numbers, limit: number): void {
  const { size, place, free, cost } = state
  const from = place[unit] as number
  const to = numbers.below(state.groups)
  const wanted = size[unit] as number
  if (to === from || wanted < 2) return
  const others: number[] = []
  let gathered = 0
  const offset = numbers.below(free.length)
  for (let at = 0; at < free.length && gathered < wanted; at++) {
    const other = free[(at + offset) % free.length] as number
    if (place[other] !== to || gathered + (size[other] as number) > wanted) continue
    others.push(other)
    gathered += size[other] as number
  }
  if (gathered < wanted) return
  const step = (which: number, group: number) => {
    state.cost += judgeMove(state, which, group)
    move(state, which, group)
  }
  step(unit, to)
  for (const other of others) step(other, from)
  if (state.cost - cost <= limit) return
  move(state, unit, from)
  for (const other of others) move(state, other, to)
  state.cost = cost
}

/** Takes every swap and move that lowers the cost until there is none. Returns the steps used. */
export function descend(state: SearchState): number {
  const { free, groups } = state
  let steps = 0
  for (let better = true; better; ) {
    better = false
    for (let i = 0; i < free.length; i++) {
      const a = free[i] as number
      for (let group = 0; group < groups; group++) {
        if (state.place[a] === group) continue
        steps++
        const before = state.cost
        tryMove(state, a, group, -1)
        if (state.cost < before) better = true
      }
      for (let j = i + 1; j < free.length; j++) {
        steps++
        const before = state.cost
        trySwap(state, a, free[j] as number, -1)
        if (state.cost < before) better = true
      }
    }
  }
  return steps
}

/** Changes of cost by some random swaps, up or down: what temperatures are measured in. Each at least 1. */
export function typicalChanges(
  state: SearchState,
  numbers: Numbers,
  samples = 300,
): { mean: number; small: number } {
  const { free, place } = state
  const changes: number[] = []
  for (let sample = 0; sample < samples && free.length > 1; sample++) {
    const a = free[numbers.below(free.length)] as number
    const b = free[numbers.below(free.length)] as number
    if (place[a] === place[b]) continue
    const change = Math.abs(judgeSwap(state, a, b))
    // A change through the penalty says nothing of what costs are like.
    if (change === 0 || change >= state.penalty) continue
    changes.push(change)
  }
  changes.sort((one, other) => one - other)
  const sum = changes.reduce((total, change) => total + change, 0)
  const small = changes[Math.floor(changes.length / 10)] ?? 1
  return { mean: Math.max(1, sum / Math.max(1, changes.length)), small: Math.max(1, small) }
}
