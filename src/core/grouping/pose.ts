import { type PairPast, pairKey, pairOf } from '../history/pairs'
import type { Column } from '../people/columns'
import { addPairCost, emptyProblem, type GroupRange, type Problem } from './engine/problem'
import { type Aim, type AimContent, groupNamed, type Rule } from './rules'

/** Somebody as the engine needs to know them. */
export interface PersonToGroup {
  id: string
  trainedToLead: boolean
  columns: Record<string, string>
}

/** A grouping to be made: of whom, into which groups, keeping what, aiming at what. */
export interface GroupingQuestion {
  people: readonly PersonToGroup[]
  groups: readonly { name: string; size: number }[]
  rules: readonly Rule[]
  aims: readonly Aim[]
  columns: readonly Column[]
  history: ReadonlyMap<string, PairPast>
  /** Where people are now, by person id: the group's place in `groups`. */
  now: ReadonlyMap<string, number>
  /** Who stays where they are, by person id. */
  held: ReadonlySet<string>
}

/** A question as the engine takes it, and what each piece of it stands for. */
export interface PosedQuestion {
  problem: Problem
  /** What each aim costs alone, before weighing, and how it is weighed. */
  aims: { aim: Aim; problem: Problem; factor: number }[]
  /** Rules that say nothing here: nobody they name takes part, or no group has the name. */
  idle: Rule[]
}

/** Sizes differ by at most one, so a group may be one smaller or larger than asked as long as the sum fits. */
function rangesOf(question: GroupingQuestion): GroupRange[] {
  const sizes = question.groups.map(group => group.size)
  const [least, most] = [Math.min(...sizes), Math.max(...sizes)]
  const bounds = question.rules.flatMap(rule => (rule.kind === 'sizes' ? [rule] : []))
  if (bounds.length === 0) return sizes.map(() => ({ min: least, max: most }))
  return sizes.map(() => ({
    min: Math.max(...bounds.map(rule => rule.least)),
    max: Math.min(...bounds.map(rule => rule.most)),
  }))
}

/**
 * Puts a question to the engine. Costs are whole numbers; each aim is weighed so that at the same strength it costs
 * about the same in a random grouping, whatever it counts: expected values, worked out, not drawn. O(people^2).
 */
export function poseQuestion(question: GroupingQuestion): PosedQuestion {
  const { people, rules } = question
  const ranges = rangesOf(question)
  const problem = emptyProblem(people.length, ranges)
  const place = new Map(people.map((person, number) => [person.id, number]))
  const names = question.groups.map(group => group.name)
  const idle: Rule[] = []
  for (const rule of rules) if (!applyRule(problem, rule, place, names, people)) idle.push(rule)
  for (const id of question.held) {
    const [person, group] = [place.get(id), question.now.get(id)]
    if (person !== undefined && group !== undefined) problem.placed.push([person, group])
  }
  const alone = question.aims.flatMap(aim => {
    const single = emptyProblem(people.length, ranges)
    applyAim(single, aim, question)
    const expected = expectedCost(single, question)
    return expected > 0 ? [{ aim, problem: single, share: 2 ** (aim.strength - 1) / expected }] : []
  })
  const smallest = Math.min(...alone.map(({ share }) => share))
  const aims = alone.map(({ share, ...rest }) => {
    const wanted = Math.round((share / smallest) * (alone.length > 1 ? 4 : 1))
    return { ...rest, factor: Math.max(1, Math.min(wanted, largestFactor(rest.problem))) }
  })
  for (const { problem: single, factor } of aims) addScaled(problem, single, factor)
  return { problem, aims, idle }
}

/** Keeps sums of pair costs, and of penalties a few times as large, below 2^31. */
function largestFactor({ people, pairCosts }: Problem): number {
  const dearest = pairCosts.reduce((most, cost) => Math.max(most, cost), 1)
  return Math.floor(2 ** 27 / (dearest * people))
}

/** Adds what a rule requires; false when it says nothing about these people and groups. */
function applyRule(
  problem: Problem,
  rule: Rule,
  place: ReadonlyMap<string, number>,
  names: readonly string[],
  people: readonly PersonToGroup[],
): boolean {
  if (rule.kind === 'sizes') return true
  if (rule.kind === 'lead-in-each') {
    problem.covers.push({
      members: Uint8Array.from(people, person => Number(person.trainedToLead)),
      least: 1,
    })
    return true
  }
  const named = rule.personIds.flatMap(id => place.get(id) ?? [])
  if (rule.kind === 'placed') {
    const group = groupNamed(names, rule.groupName)
    if (group < 0 || named.length === 0) return false
    for (const person of named) problem.placed.push([person, group])
    return true
  }
  if (named.length < 2) return false
  if (rule.kind === 'together') problem.together.push(named)
  else for (const [at, a] of named.entries()) for (const b of named.slice(at + 1)) problem.apart.push([a, b])
  return true
}

/** Fills a problem with what one aim costs, unweighed. */
function applyAim(problem: Problem, aim: AimContent, question: GroupingQuestion): void {
  const { people, history, now, groups } = question
  if (aim.kind === 'fresh') {
    forPairsMet(people, history, (a, b, past) => addPairCost(problem, a, b, past.weight))
    return
  }
  if (aim.kind === 'keep') {
    const costs = new Int32Array(groups.length * people.length)
    for (const [number, person] of people.entries()) {
      const here = now.get(person.id)
      if (here === undefined) continue
      for (let group = 0; group < groups.length; group++)
        costs[group * people.length + number] = Number(group !== here)
    }
    problem.placeCosts = costs
    return
  }
  const kind = question.columns.find(column => column.name === aim.column)?.kind
  const cells = people.map(person => person.columns[aim.column] ?? '')
  if (kind === 'number') applyNumberAim(problem, aim.kind, cells)
  else applyCategoryAim(problem, aim.kind, cells)
}

/** Somebody whose cell is empty is like nobody and unlike nobody. */
function applyCategoryAim(problem: Problem, kind: 'mixed' | 'matched', cells: readonly string[]): void {
  forPairs(cells.length, (a, b) => {
    const [one, other] = [cells[a] ?? '', cells[b] ?? '']
    if (one === '' || other === '') return
    const alike = one.toLowerCase() === other.toLowerCase()
    if (alike === (kind === 'mixed')) addPairCost(problem, a, b, 1)
  })
}

/**
 * Mixed: sums of the numbers, and of their squares, in proportion to the sizes, so that means and spreads are alike.
 * Matched: the distance of every pair. Numbers are brought to 0 .. 100; an empty cell counts as the mean.
 */
function applyNumberAim(problem: Problem, kind: 'mixed' | 'matched', cells: readonly string[]): void {
  const values = scaled(cells)
  if (kind === 'matched') {
    forPairs(values.length, (a, b) =>
      addPairCost(problem, a, b, Math.abs((values[a] ?? 0) - (values[b] ?? 0))),
    )
    return
  }
  problem.spreads.push({ values: Int32Array.from(values), weight: 2 })
  problem.spreads.push({
    values: Int32Array.from(values, value => Math.round((value * value) / 100)),
    weight: 1,
  })
}

/** Numbers from text brought to whole numbers of 0 .. 100; equal ones become 0, empty ones the mean. */
export function scaled(cells: readonly string[]): number[] {
  const known = cells.filter(cell => cell !== '').map(Number)
  const [least, most] = [Math.min(...known), Math.max(...known)]
  const mean = known.reduce((sum, value) => sum + value, 0) / Math.max(1, known.length)
  const range = most - least
  return cells.map(cell => {
    if (!(range > 0)) return 0
    return Math.round((((cell === '' ? mean : Number(cell)) - least) / range) * 100)
  })
}

/**
 * What a random grouping of these sizes costs on average. Pairs share a group with the chance sum s(s-1) / n(n-1);
 * sums of a group are nearly normal with the variance of drawing without replacement, so |n S_g - s_g T| is sqrt(2/pi)
 * of its deviation on average. Textbook probability.
 */
function expectedCost(problem: Problem, { groups }: GroupingQuestion): number {
  const { people, pairCosts, spreads, placeCosts } = problem
  if (people < 2) return 0
  const sizes = groups.map(group => group.size)
  const pairs = sizes.reduce((sum, size) => sum + size * (size - 1), 0) / (people * (people - 1))
  let expected = (pairCosts.reduce((sum, cost) => sum + cost, 0) / 2) * pairs
  for (const { values, weight } of spreads) {
    const mean = values.reduce((sum, value) => sum + value, 0) / people
    const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / people
    for (const size of sizes) {
      const ofSum = (size * variance * (people - size)) / (people - 1)
      expected += weight * people * Math.sqrt(ofSum) * Math.sqrt(2 / Math.PI)
    }
  }
  if (placeCosts) expected += placeCosts.reduce((sum, cost) => sum + cost, 0) / groups.length
  return expected
}

function addScaled(problem: Problem, single: Problem, factor: number): void {
  problem.pairCosts = problem.pairCosts.map((cost, at) => cost + factor * (single.pairCosts[at] ?? 0))
  problem.spreads.push(...single.spreads.map(({ values, weight }) => ({ values, weight: weight * factor })))
  const added = single.placeCosts
  if (!added) return
  problem.placeCosts = (problem.placeCosts ?? new Int32Array(added.length)).map(
    (cost, at) => cost + factor * (added[at] ?? 0),
  )
}

/** Goes through what is shorter: who has met, or who is here. */
function forPairsMet(
  people: readonly PersonToGroup[],
  history: ReadonlyMap<string, PairPast>,
  each: (a: number, b: number, past: PairPast) => void,
): void {
  if (history.size < (people.length * (people.length - 1)) / 2) {
    const place = new Map(people.map((person, number) => [person.id, number]))
    for (const [key, past] of history) {
      const [a, b] = pairOf(key).map(id => place.get(id))
      if (a !== undefined && b !== undefined) each(a, b, past)
    }
    return
  }
  forPairs(people.length, (a, b) => {
    const past = history.get(pairKey(people[a]?.id ?? '', people[b]?.id ?? ''))
    if (past) each(a, b, past)
  })
}

function forPairs(count: number, each: (a: number, b: number) => void): void {
  for (let a = 0; a < count; a++) for (let b = a + 1; b < count; b++) each(a, b)
}
