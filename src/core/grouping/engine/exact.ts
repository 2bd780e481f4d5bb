import { lowerBound } from './bound'
import { type Problem, type Score, scoreOf } from './problem'
import { innerCost, personPlaces, type SearchState, searchState, settle, stateScore } from './state'
import type { Units } from './units'

/** What a search through all arrangements found. `complete` is false when the budget ran out before all were seen. */
export interface ExactResult {
  complete: boolean
  /** Cheaper than what was asked to beat, and breaking nothing; null when there is none. */
  places: Int16Array | null
  score: Score | null
  nodes: number
}

/**
 * Goes through all arrangements that keep every rule, leaving out branches that can't be cheaper than `beat`, and
 * groups that are alike. Places the most bound units first. At most `nodes` placements are looked at.
 */
export function searchAll(problem: Problem, units: Units, beat: number, nodes: number): ExactResult {
  return new ExactSearch(problem, units, beat, nodes).run()
}

class ExactSearch {
  private readonly state: SearchState
  private readonly order: number[]
  private readonly blocked: Set<number>[]
  private readonly groupOf: Int16Array
  private readonly size: Int32Array
  private readonly sums: Float64Array
  /** Which earlier group each group is alike, itself when none is. */
  private readonly alike: number[]
  private readonly free: number
  private best: number
  private bestPlaces: Int16Array | null = null
  private seen = 0
  private readonly units: Units

  constructor(
    private readonly problem: Problem,
    units: Units,
    beat: number,
    private readonly most: number,
  ) {
    this.units = units
    this.state = searchState(problem, units, 0)
    const { count, groups } = this.state
    this.best = beat
    this.groupOf = new Int16Array(count).fill(-1)
    this.size = new Int32Array(groups)
    this.sums = new Float64Array(groups * count)
    const unitOf = new Map(units.members.flatMap((list, unit) => list.map(person => [person, unit] as const)))
    this.blocked = units.members.map(() => new Set<number>())
    for (const [a, b] of problem.apart) {
      const [one, other] = [unitOf.get(a) ?? 0, unitOf.get(b) ?? 0]
      this.blocked[one]?.add(other)
      this.blocked[other]?.add(one)
    }
    const weight = (unit: number) =>
      (units.fixed[unit] === -1 ? 0 : 1e9) +
      (this.blocked[unit]?.size ?? 0) * 1e4 +
      (this.state.covers.some(cover => (cover.unit[unit] ?? 0) > 0) ? 500 : 0) +
      (this.state.size[unit] ?? 0) * 1e3 +
      rowSum(this.state.pair, unit, count) / 1e3
    this.order = [...units.members.keys()].sort((one, other) => weight(other) - weight(one) || one - other)
    this.alike = problem.groups.map((_, group) => this.firstAlike(group))
    this.free = innerCost(problem, units) + spreadsOnly(problem)
  }

  run(): ExactResult {
    if (this.problem.placeCosts) {
      for (let group = 0; group < this.state.groups; group++) {
        for (const [unit, members] of this.units.members.entries()) {
          for (const person of members)
            this.sums[group * this.state.count + unit] =
              (this.sums[group * this.state.count + unit] ?? 0) +
              (this.problem.placeCosts[group * this.problem.people + person] ?? 0)
        }
      }
    }
    const complete = this.place(0, innerCost(this.problem, this.units))
    if (!this.bestPlaces) return { complete, places: null, score: null, nodes: this.seen }
    settle(this.state, this.bestPlaces)
    return {
      complete,
      places: Int16Array.from(this.state.place),
      score: stateScore(this.state),
      nodes: this.seen,
    }
  }

  /** Places the units from `depth` on; false when the budget ran out. */
  private place(depth: number, cost: number): boolean {
    const { count, groups } = this.state
    const unit = this.order[depth]
    if (unit === undefined) {
      this.finish(cost)
      return true
    }
    if (cost + this.restBound(depth) >= this.best || !this.canFill(depth)) return true
    const fixed = this.units.fixed[unit] ?? -1
    const tried = new Set<number>()
    const choices: [number, number][] = []
    for (let group = 0; group < groups; group++) {
      if (fixed !== -1 && fixed !== group) continue
      if ((this.size[group] ?? 0) + (this.state.size[unit] ?? 0) > (this.problem.groups[group]?.max ?? 0))
        continue
      if (this.size[group] === 0) {
        if (tried.has(this.alike[group] ?? group)) continue
        tried.add(this.alike[group] ?? group)
      }
      if (this.isBlocked(unit, group)) continue
      choices.push([this.sums[group * count + unit] ?? 0, group])
    }
    choices.sort((one, other) => one[0] - other[0] || one[1] - other[1])
    for (const [added, group] of choices) {
      if (++this.seen > this.most) return false
      this.shift(unit, group, 1)
      const done = this.place(depth + 1, cost + added)
      this.shift(unit, group, -1)
      if (!done) return false
    }
    return true
  }

  private isBlocked(unit: number, group: number): boolean {
    for (const other of this.blocked[unit] ?? []) if (this.groupOf[other] === group) return true
    return false
  }

  private shift(unit: number, group: number, sign: 1 | -1): void {
    const { count, pair, size } = this.state
    this.groupOf[unit] = sign === 1 ? group : -1
    this.size[group] = (this.size[group] ?? 0) + sign * (size[unit] ?? 0)
    for (const cover of this.state.covers)
      cover.group[group] = (cover.group[group] ?? 0) + sign * (cover.unit[unit] ?? 0)
    const [from, row] = [group * count, unit * count]
    for (let other = 0; other < count; other++)
      this.sums[from + other] = (this.sums[from + other] as number) + sign * (pair[row + other] as number)
  }

  /** Units not placed yet cost at least what they cost beside those already there, in the cheapest group. */
  private restBound(depth: number): number {
    const { count, groups } = this.state
    let bound = 0
    for (let at = depth; at < this.order.length; at++) {
      const unit = this.order[at] as number
      let least = Number.POSITIVE_INFINITY
      for (let group = 0; group < groups; group++) {
        if ((this.size[group] as number) >= (this.problem.groups[group]?.max ?? 0)) continue
        least = Math.min(least, this.sums[group * count + unit] as number)
      }
      bound += least
    }
    return bound + (this.free - innerCost(this.problem, this.units))
  }

  /** Whether groups can still reach their least size with those who are left, and their covers. */
  private canFill(depth: number): boolean {
    let left = 0
    for (let at = depth; at < this.order.length; at++) left += this.state.size[this.order[at] ?? 0] ?? 0
    let missing = 0
    for (const [group, { min }] of this.problem.groups.entries())
      missing += Math.max(0, min - (this.size[group] ?? 0))
    if (missing > left) return false
    return this.state.covers.every(({ unit, group, least }) => {
      let there = 0
      for (let at = depth; at < this.order.length; at++) there += unit[this.order[at] ?? 0] ?? 0
      let short = 0
      for (const found of group) short += Math.max(0, least - found)
      return short <= there
    })
  }

  private finish(cost: number): void {
    const score = scoreOf(this.problem, personPlaces(this.units, this.groupOf, this.problem.people))
    if (score.broken > 0 || score.cost >= this.best) return
    // The pairs and places were added up on the way; here the spreads come to them.
    if (cost > score.cost) throw new Error('The exact search lost count.')
    this.best = score.cost
    this.bestPlaces = Int16Array.from(this.groupOf)
  }

  private firstAlike(group: number): number {
    const { groups, placed, placeCosts, people } = this.problem
    const named = new Set(placed.map(([, to]) => to))
    const costs = (which: number) =>
      placeCosts ? placeCosts.subarray(which * people, (which + 1) * people).join() : ''
    if (named.has(group)) return group
    const first = groups.findIndex(
      (other, at) =>
        !named.has(at) &&
        other.min === groups[group]?.min &&
        other.max === groups[group]?.max &&
        costs(at) === costs(group),
    )
    return first
  }
}

const rowSum = (pair: Int32Array, unit: number, count: number): number =>
  pair.subarray(unit * count, (unit + 1) * count).reduce((sum, cost) => sum + cost, 0)

/** The least the spreads alone can cost. */
const spreadsOnly = (problem: Problem): number =>
  lowerBound({ ...problem, pairCosts: new Int32Array(problem.people ** 2), placeCosts: null, apart: [] })
