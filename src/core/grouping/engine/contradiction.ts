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

/** Placements looked at before it is given up to prove that rules contradict each other. */
const PROOF_NODES = 60_000
const SEARCH_STEPS = 20_000

/**
 * Finds a smallest set of requirements that contradict each other with these sizes: taking any one of them away lets
 * the rest hold. Null when all can hold, or when no proof was found that they can't.
 *
 * Source of the method: QuickXplain (Junker, 2004), with a search for an arrangement, and through all of them, as its
 * question.
 */
export function findContradiction(problem: Problem): Requirement[] | null {
  const all = requirementsOf(problem)
  if (!isImpossible(withOnly(problem, all))) return null
  if (isImpossible(withOnly(problem, []))) return []
  return quickXplain(problem, [], [], all)
}

function quickXplain(
  problem: Problem,
  kept: Requirement[],
  added: Requirement[],
  rest: Requirement[],
): Requirement[] {
  if (added.length > 0 && isImpossible(withOnly(problem, kept))) return []
  if (rest.length === 1) return rest
  const half = Math.ceil(rest.length / 2)
  const [first, second] = [rest.slice(0, half), rest.slice(half)]
  const fromSecond = quickXplain(problem, [...kept, ...first], first, second)
  const fromFirst = quickXplain(problem, [...kept, ...fromSecond], fromSecond, first)
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

/** True only when it is proved that no arrangement keeps all; false when one was found, or nothing was proved. */
export function isImpossible(problem: Problem): boolean {
  const units = unitsOf(problem)
  if (!units || isPlainlyImpossible(problem, units)) return true
  if (solveToEnd(problem, { seed: 1, steps: SEARCH_STEPS }).score.broken === 0) return false
  const { complete, places } = searchAll(problem, units, Number.POSITIVE_INFINITY, PROOF_NODES)
  return complete && places === null
}

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
  return largestClique(problem, units) > groups.length
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
