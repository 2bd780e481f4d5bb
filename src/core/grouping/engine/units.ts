import type { Problem } from './problem'

/**
 * People who must be together move as one unit. With `relaxed` everybody is a unit of their own, and being together or
 * placed becomes a matter of cost: for problems whose rules can't all hold.
 */
export interface Units {
  /** Members of each unit, by person. */
  members: number[][]
  /** The group a unit must be in, or -1. */
  fixed: Int16Array
  relaxed: boolean
}

/** Null when a unit can't exist: its members are apart, placed in two groups, or more than any group holds. */
export function unitsOf(problem: Problem): Units | null {
  const root = Int32Array.from({ length: problem.people }, (_, person) => person)
  const find = (person: number): number => {
    let at = person
    while (root[at] !== at) at = root[at] ?? at
    return at
  }
  for (const set of problem.together) {
    for (const person of set) root[find(person)] = find(set[0] ?? person)
  }
  const byRoot = new Map<number, number[]>()
  for (let person = 0; person < problem.people; person++) {
    const members = byRoot.get(find(person))
    if (members) members.push(person)
    else byRoot.set(find(person), [person])
  }
  const members = [...byRoot.values()]
  const unitOf = new Map(members.flatMap((list, unit) => list.map(person => [person, unit] as const)))
  const fixed = new Int16Array(members.length).fill(-1)
  for (const [person, group] of problem.placed) {
    const unit = unitOf.get(person) ?? 0
    if (fixed[unit] !== -1 && fixed[unit] !== group) return null
    fixed[unit] = group
  }
  if (problem.apart.some(([a, b]) => unitOf.get(a) === unitOf.get(b))) return null
  const largest = Math.max(...problem.groups.map(group => group.max))
  if (members.some(list => list.length > largest)) return null
  return { members, fixed, relaxed: false }
}

export const relaxedUnits = (problem: Problem): Units => ({
  members: Array.from({ length: problem.people }, (_, person) => [person]),
  fixed: new Int16Array(problem.people).fill(-1),
  relaxed: true,
})
