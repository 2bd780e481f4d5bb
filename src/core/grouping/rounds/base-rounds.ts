import { Numbers } from '../engine/search'
import type { Rounds } from './designs'

/**
 * Points to develop: `rows` rows of the numbers modulo `modulus`, then `fixed` points that stay where they are. Point
 * `row * modulus + residue`; fixed points come last. Adding 1 to every residue of a base round gives the next round.
 */
export interface Frame {
  modulus: number
  rows: number
  fixed: number
  size: number
}

/** Develops base rounds over the cyclic group: `modulus` rounds of each. */
export function develop(frame: Frame, baseRounds: Rounds): Rounds {
  const { modulus, rows } = frame
  const shifted = (point: number, by: number) =>
    point >= rows * modulus
      ? point
      : Math.floor(point / modulus) * modulus + (((point % modulus) + by) % modulus)
  return baseRounds.flatMap(round =>
    Array.from({ length: modulus }, (_, by) => round.map(group => group.map(point => shifted(point, by)))),
  )
}

/**
 * Looks for base rounds whose developed rounds bring nobody together twice: every difference of two residues, by rows, may
 * occur in them once at most. Backtracking over groups that cover all points, the first point not yet covered first, in
 * a random order that the seed decides, given up after `nodes` placements. Null when none was found.
 *
 * The method of differences (Bose, 1939).
 */
export function findBaseRounds(
  frame: Frame,
  count: number,
  { seed, nodes }: { seed: number; nodes: number },
): Rounds | null {
  const points = frame.rows * frame.modulus + frame.fixed
  const slots = slotTable(frame, points)
  const search: Search = {
    points,
    size: frame.size,
    count,
    slots,
    order: shuffledOrder(points, new Numbers(seed)),
    covered: new Uint8Array(points),
    used: new Uint8Array(1 + slots.reduce((most, slot) => Math.max(most, slot), 0)),
    left: nodes,
    rounds: Array.from({ length: count }, () => []),
  }
  return nextGroup(search, 0) ? search.rounds : null
}

interface Search {
  points: number
  size: number
  count: number
  /** Points x points: which difference two points show; -1 when they must not be together. */
  slots: Int32Array
  order: number[]
  covered: Uint8Array
  used: Uint8Array
  left: number
  rounds: number[][][]
}

function slotTable({ modulus, rows }: Frame, points: number): Int32Array {
  const slots = new Int32Array(points * points).fill(-1)
  const moving = rows * modulus
  const firstFixed = rows * rows * modulus
  for (let a = 0; a < points; a++) {
    for (let b = 0; b < points; b++) {
      if (a === b || (a >= moving && b >= moving)) continue
      if (a >= moving || b >= moving) {
        const [still, other] = a >= moving ? [a, b] : [b, a]
        slots[a * points + b] = firstFixed + (still - moving) * rows + Math.floor(other / modulus)
        continue
      }
      const [low, high] = a < b ? [a, b] : [b, a]
      const [rowLow, rowHigh] = [Math.floor(low / modulus), Math.floor(high / modulus)]
      const difference = ((((high % modulus) - (low % modulus)) % modulus) + modulus) % modulus
      if (rowLow === rowHigh) {
        // Half the modulus is its own opposite: developed, it would bring the same two together twice.
        if (difference * 2 === modulus) continue
        slots[a * points + b] =
          (rowLow * rows + rowLow) * modulus + Math.min(difference, modulus - difference)
      } else slots[a * points + b] = (rowLow * rows + rowHigh) * modulus + difference
    }
  }
  return slots
}

function shuffledOrder(points: number, numbers: Numbers): number[] {
  const order = [...Array(points).keys()]
  for (let last = points - 1; last > 0; last--) {
    const chosen = numbers.below(last + 1)
    ;[order[last], order[chosen]] = [order[chosen] as number, order[last] as number]
  }
  return order
}

function nextGroup(search: Search, round: number): boolean {
  const at = firstUncovered(search)
  if (at === search.points) {
    if (round + 1 === search.count) return true
    search.covered.fill(0)
    if (nextGroup(search, round + 1)) return true
    search.covered.fill(1)
    return false
  }
  const first = search.order[at] as number
  search.covered[first] = 1
  if (addPoint(search, round, [first], at + 1)) return true
  search.covered[first] = 0
  return false
}

function firstUncovered({ points, order, covered }: Search): number {
  let at = 0
  while (at < points && covered[order[at] as number]) at++
  return at
}

function addPoint(search: Search, round: number, group: number[], from: number): boolean {
  const { points, size, slots, order, covered, used } = search
  if (group.length === size) {
    const groups = search.rounds[round] as number[][]
    groups.push([...group])
    if (nextGroup(search, round)) return true
    groups.pop()
    return false
  }
  for (let at = from; at < points; at++) {
    const point = order[at] as number
    if (covered[point]) continue
    if (search.left-- <= 0) return false
    let taken = 0
    for (; taken < group.length; taken++) {
      const slot = slots[point * points + (group[taken] as number)] as number
      if (slot < 0 || used[slot]) break
      used[slot] = 1
    }
    if (taken === group.length) {
      covered[point] = 1
      group.push(point)
      if (addPoint(search, round, group, at + 1)) return true
      group.pop()
      covered[point] = 0
    }
    for (let back = 0; back < taken; back++)
      used[slots[point * points + (group[back] as number)] as number] = 0
    if (search.left <= 0) return false
  }
  return false
}
