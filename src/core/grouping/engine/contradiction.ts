import { searchAll } from './exact'
import type { Problem } from './problem'
import { solveToEnd } from './solve'
import { type Units, unitsOf } from './units'

/** One requirement that can be taken away on its own; sizes are facts and always stay. */
export type Requirement =
  | { kind: 'apart'; pair: [number, number] }
  | { kind: 'together'; pair: [number, number] }
  | { kind: 'placed'; person: number; group: number }
  | { kind: 'cover'; cover: number }

/** Requirements that contradict each other. */
export interface Conflict {
  requirements: Requirement[]
  /** Taking any one of them away lets the rest hold. False when the effort ran out before that was known. */
  smallest: boolean
}

/** Placements looked at before it is given up to prove that rules contradict each other, and steps to find that they don't. */
const PROOF_NODES = 60_000
const SEARCH_STEPS = 20_000
/** Steps and placements for everything a search for a contradiction does: about a second. */
const MOST_EFFORT = 1_500_000

/** What may still be spent. Counted in steps, so that the answer is the same on every machine. */
interface Effort {
  left: number
}

/**
 * Finds a smallest set of requirements that contradict each other with these sizes: taking any one of them away lets
 * the rest hold. Null when all can hold, or when no proof was found that they can't. What can be counted is counted first,
 * and people who are all apart from each other are looked for; searches come after, with a bounded effort.
 *
 * Source of the method: QuickXplain (Junker, 2004), with a search for an arrangement, and through all of them, as its
 * question.
 */
export function findContradiction(problem: Problem, effort: Effort = { left: MOST_EFFORT }): Conflict | null {
  const all = requirementsOf(problem)
  if (isPlainly(withOnly(problem, []))) return { requirements: [], smallest: true }
  // By counting alone: hundreds of questions cost nothing, and leave few requirements for the searches.
  const counted = isPlainly(problem) ? quickXplain(problem, [], [], all, isPlainly) : null
  const suspects = counted ?? all
  if (!counted && verdict(problem, effort) !== 'impossible') return null
  // Of people who are all apart from each other any two are like any other two: one question answers for all.
  if (counted && areAllApart(counted) && verdict(withOnly(problem, counted.slice(1)), effort) === 'holds')
    return { requirements: counted, smallest: true }
  let sure = true
  const found = quickXplain(problem, [], [], suspects, asked => {
    const answer = verdict(asked, effort)
    if (answer === 'unknown') sure = false
    return answer === 'impossible'
  })
  // Where nothing could be proved "unknown" was taken for "holds"; then only what is known to contradict is said.
  return sure ? { requirements: found, smallest: true } : { requirements: suspects, smallest: false }
}

/** Whether these say of some people that each is apart from each, and nothing else. */
function areAllApart(requirements: Requirement[]): boolean {
  const people = new Set(requirements.flatMap(one => (one.kind === 'apart' ? one.pair : [])))
  return (
    requirements.every(one => one.kind === 'apart') &&
    requirements.length === (people.size * (people.size - 1)) / 2
  )
}

const isPlainly = (problem: Problem): boolean => {
  const units = unitsOf(problem)
  return !units || isPlainlyImpossible(problem, units)
}

function quickXplain(
  problem: Problem,
  kept: Requirement[],
  added: Requirement[],
  rest: Requirement[],
  isImpossibleWith: (problem: Problem) => boolean,
): Requirement[] {
  if (added.length > 0 && isImpossibleWith(withOnly(problem, kept))) return []
  if (rest.length === 1) return rest
  const half = Math.ceil(rest.length / 2)
  const [first, second] = [rest.slice(0, half), rest.slice(half)]
  const fromSecond = quickXplain(problem, [...kept, ...first], first, second, isImpossibleWith)
  const fromFirst = quickXplain(problem, [...kept, ...fromSecond], fromSecond, first, isImpossibleWith)
  return [...fromFirst, ...fromSecond]
}

/** Everything a problem requires, in small pieces: a set that must be together as a chain of pairs. */
export function requirementsOf(problem: Problem): Requirement[] {
  return [
    ...problem.covers.map((_, cover): Requirement => ({ kind: 'cover', cover })),
    ...problem.placed.map(([person, group]): Requirement => ({ kind: 'placed', person, group })),
    ...problem.together.flatMap(set =>
      set
        .slice(1)
        .map((person, place): Requirement => ({ kind: 'together', pair: [set[place] ?? 0, person] })),
    ),
    ...problem.apart.map((pair): Requirement => ({ kind: 'apart', pair })),
  ]
}

function withOnly(problem: Problem, wanted: Requirement[]): Problem {
  const { people, groups } = problem
  return {
    people,
    groups,
    pairCosts: new Int32Array(people * people),
    spreads: [],
    placeCosts: null,
    apart: wanted.flatMap(one => (one.kind === 'apart' ? [one.pair] : [])),
    together: wanted.flatMap(one => (one.kind === 'together' ? [one.pair] : [])),
    placed: wanted.flatMap(one =>
      one.kind === 'placed' ? [[one.person, one.group] as [number, number]] : [],
    ),
    covers: wanted.flatMap(one => (one.kind === 'cover' ? (problem.covers[one.cover] ?? []) : [])),
  }
}

/** Whether some arrangement keeps all, none does, or neither was found out. */
function verdict(problem: Problem, effort: Effort): 'holds' | 'impossible' | 'unknown' {
  const units = unitsOf(problem)
  if (!units || isPlainlyImpossible(problem, units)) return 'impossible'
  if (effort.left <= 0) return 'unknown'
  const found = solveToEnd(problem, { seed: 1, steps: Math.min(SEARCH_STEPS, effort.left) })
  effort.left -= found.steps
  if (found.score.broken === 0) return 'holds'
  const nodes = Math.max(0, Math.min(PROOF_NODES, effort.left))
  const { complete, places, nodes: seen } = searchAll(problem, units, Number.POSITIVE_INFINITY, nodes)
  effort.left -= seen
  if (places) return 'holds'
  return complete ? 'impossible' : 'unknown'
}

/** True only when it is proved that no arrangement keeps all; false when one was found, or nothing was proved. */
export const isImpossible = (problem: Problem): boolean =>
  verdict(problem, { left: MOST_EFFORT }) === 'impossible'

/** What can be counted at once: too few or too many people, trained leads, people placed in one group, people apart. */
function isPlainlyImpossible(problem: Problem, units: Units): boolean {
  const { people, groups, covers } = problem
  const sum = (numbers: number[]) => numbers.reduce((total, number) => total + number, 0)
  if (sum(groups.map(group => group.min)) > people || sum(groups.map(group => group.max)) < people)
    return true
  const short = covers.some(({ members, least }) => sum(Array.from(members)) < least * groups.length)
  if (short) return true
  const inGroup = groups.map(() => 0)
  for (const [unit, list] of units.members.entries()) {
    const group = units.fixed[unit] ?? -1
    if (group >= 0) inGroup[group] = (inGroup[group] ?? 0) + list.length
  }
  if (groups.some((group, place) => (inGroup[place] ?? 0) > group.max)) return true
  return !fitBySize(problem, units) || largestClique(problem, units) > groups.length
}

/** Whether units of a size and more are no more than the groups can hold of that size: eleven threes need eleven groups of four. */
function fitBySize({ groups }: Problem, units: Units): boolean {
  const sizes = units.members.map(members => members.length)
  return [...new Set(sizes)].every(size => {
    const room = groups.reduce((sum, group) => sum + Math.floor(group.max / size), 0)
    return sizes.filter(each => each >= size).length <= room
  })
}

/** The size of a large set of units that are all apart from each other: found greedily from every unit, so a lower bound. */
function largestClique(problem: Problem, units: Units): number {
  const unitOf = new Map(units.members.flatMap((list, unit) => list.map(person => [person, unit] as const)))
  const apart = new Map<number, Set<number>>()
  const link = (one: number, other: number) => {
    const others = apart.get(one)
    if (others) others.add(other)
    else apart.set(one, new Set([other]))
  }
  for (const [a, b] of problem.apart) {
    const [one, other] = [unitOf.get(a) ?? 0, unitOf.get(b) ?? 0]
    link(one, other)
    link(other, one)
  }
  let largest = 0
  for (const [start, others] of apart) {
    const clique = [start]
    const byDegree = [...others].sort(
      (one, other) => (apart.get(other)?.size ?? 0) - (apart.get(one)?.size ?? 0),
    )
    for (const unit of byDegree) if (clique.every(member => apart.get(member)?.has(unit))) clique.push(unit)
    largest = Math.max(largest, clique.length)
  }
  return largest
}
