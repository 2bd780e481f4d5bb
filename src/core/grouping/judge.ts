import { type PairPast, pairKey } from '../history/pairs'
import type { Column } from '../people/columns'
import { randomStream, shuffled } from '../random/random'
import { costOf } from './engine/problem'
import type { Group } from './grouping'
import type { GroupingQuestion, PersonToGroup, PosedQuestion } from './pose'
import { type Aim, groupNamed, type Rule } from './rules'

/** A rule that an arrangement does not keep, with who or where it fails. */
export interface BrokenRule {
  rule: Rule
  /** Pairs who share a group though apart, or do not though together; people outside their group. */
  people: string[][]
  /** Groups without a trained lead, or of a wrong size, by id. */
  groupIds: string[]
}

/** Two who meet again. */
export interface MeetAgain {
  pair: [string, string]
  groupId: string
  past: PairPast
}

/** How the groups compare in one column. */
export interface Balance {
  column: string
  kind: Column['kind']
  /** By group id: the mean of a number, or how many have each value. */
  groups: { groupId: string; mean: number | null; counts: Record<string, number> }[]
}

interface JudgedRules {
  kept: Rule[]
  broken: BrokenRule[]
}

/** Which rules an arrangement keeps. Rules that say nothing about it are in neither list. O(rules x people). */
export function judgeRules(
  groups: readonly Group[],
  rules: readonly Rule[],
  people: ReadonlyMap<string, PersonToGroup>,
): JudgedRules {
  const placeOf = new Map(groups.flatMap(group => group.personIds.map(id => [id, group.id] as const)))
  const judged: JudgedRules = { kept: [], broken: [] }
  for (const rule of rules) {
    const found = judgeRule(rule, groups, placeOf, people)
    if (found === null) continue
    if (found.people.length + found.groupIds.length === 0) judged.kept.push(rule)
    else judged.broken.push({ rule, ...found })
  }
  return judged
}

function judgeRule(
  rule: Rule,
  groups: readonly Group[],
  placeOf: ReadonlyMap<string, string>,
  people: ReadonlyMap<string, PersonToGroup>,
): { people: string[][]; groupIds: string[] } | null {
  if (rule.kind === 'sizes') {
    const wrong = groups.filter(
      ({ personIds }) => personIds.length < rule.least || personIds.length > rule.most,
    )
    return { people: [], groupIds: wrong.map(group => group.id) }
  }
  if (rule.kind === 'lead-in-each') {
    const without = groups.filter(group => !group.personIds.some(id => people.get(id)?.trainedToLead))
    return { people: [], groupIds: without.map(group => group.id) }
  }
  const named = rule.personIds.filter(id => placeOf.has(id))
  if (rule.kind === 'placed') {
    const wanted =
      groups[
        groupNamed(
          groups.map(group => group.name),
          rule.groupName,
        )
      ]
    if (!wanted || named.length === 0) return null
    return { people: named.filter(id => placeOf.get(id) !== wanted.id).map(id => [id]), groupIds: [] }
  }
  if (named.length < 2) return null
  const pairs = named.flatMap((a, at) => named.slice(at + 1).map(b => [a, b]))
  const together = (pair: string[]) => placeOf.get(pair[0] ?? '') === placeOf.get(pair[1] ?? '')
  return { people: pairs.filter(pair => together(pair) === (rule.kind === 'apart')), groupIds: [] }
}

/** Who meets again in these groups, those who met last first. O(people x size). */
export function meetAgain(groups: readonly Group[], history: ReadonlyMap<string, PairPast>): MeetAgain[] {
  const found: MeetAgain[] = []
  for (const { id: groupId, personIds } of groups) {
    for (const [at, a] of personIds.entries()) {
      for (const b of personIds.slice(at + 1)) {
        const past = history.get(pairKey(a, b))
        if (past) found.push({ pair: [a, b], groupId, past })
      }
    }
  }
  return found.sort((one, other) => other.past.lastAt - one.past.lastAt || other.past.times - one.past.times)
}

/** How the groups compare in each column that an aim speaks of. */
export function balances(
  groups: readonly Group[],
  aims: readonly Aim[],
  columns: readonly Column[],
  people: ReadonlyMap<string, PersonToGroup>,
): Balance[] {
  const wanted = new Set(aims.flatMap(aim => ('column' in aim ? [aim.column] : [])))
  return columns
    .filter(column => wanted.has(column.name))
    .map(({ name, kind }) => ({
      column: name,
      kind,
      groups: groups.map(({ id, personIds }) => {
        const cells = personIds
          .map(person => people.get(person)?.columns[name] ?? '')
          .filter(cell => cell !== '')
        // By what people wrote: nothing may be there already.
        const counts: Record<string, number> = Object.create(null)
        for (const cell of cells) counts[cell] = (counts[cell] ?? 0) + 1
        const sum = cells.reduce((total, cell) => total + Number(cell), 0)
        return {
          groupId: id,
          mean: kind === 'number' && cells.length > 0 ? sum / cells.length : null,
          counts,
        }
      }),
    }))
}

/** What an arrangement costs by the aims, whole and each alone; people in no group cost nothing. */
export function judgeCost(
  posed: PosedQuestion,
  question: GroupingQuestion,
  groups: readonly Group[],
): { cost: number; aims: { aim: Aim; cost: number }[] } {
  const placeOf = new Map(groups.flatMap((group, index) => group.personIds.map(id => [id, index] as const)))
  const places = question.people.map((person, number) => placeOf.get(person.id) ?? -1 - number)
  return {
    cost: costOf(posed.problem, places),
    aims: posed.aims.map(({ aim, problem }) => ({ aim, cost: costOf(problem, places) })),
  }
}

/**
 * What random groupings of these sizes cost, sorted: what pencil and paper, or luck, would give. Rules are not kept in
 * them. The same seed gives the same. O(draws x people^2).
 */
export function randomCosts(
  posed: PosedQuestion,
  question: GroupingQuestion,
  seed: number,
  draws = 1000,
): number[] {
  const random = randomStream(seed)
  const seats = question.groups.flatMap((group, index) => Array<number>(group.size).fill(index))
  const costs = Array.from({ length: draws }, () => costOf(posed.problem, shuffled(seats, random)))
  return costs.sort((one, other) => one - other)
}
