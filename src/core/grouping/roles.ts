import { randomStream, shuffled } from '../random/random'

export const ROLES = ['lead', 'scribe', 'reporter', 'timekeeper'] as const
export type Role = (typeof ROLES)[number]

export const ROLE_RULES = ['alphabet', 'turn', 'random'] as const
/** How roles are given: by a rule anyone can check, by whose turn it is, or at random. */
export type RoleRule = (typeof ROLE_RULES)[number]

export interface RolePerson {
  id: string
  /** The first name as it is shown. */
  firstName: string
  trainedToLead: boolean
  /** How often this person has held each role. */
  held: Partial<Record<Role, number>>
}

/** In a group too small for all roles, the later ones fall away. */
const IMPORTANCE: Role[] = ['lead', 'reporter', 'scribe', 'timekeeper']

/**
 * Gives the roles of one group, nobody two. Who is trained to lead leads before others.
 *
 * By alphabet the earliest first name leads, the latest reports, the next earliest writes and the one after keeps time; the
 * alphabet is the locale's. By turn each role goes to whoever has held it least, then to whoever has held fewest roles,
 * then by alphabet. At random the seed decides. Giving roles by first names is common practice, no source. O(n log n).
 */
export function giveRoles(
  people: readonly RolePerson[],
  rule: RoleRule,
  { locale, seed }: { locale: string; seed: number },
): Partial<Record<Role, string>> {
  const collator = new Intl.Collator(locale)
  const byName = (one: RolePerson, other: RolePerson) =>
    collator.compare(one.firstName, other.firstName) || (one.id < other.id ? -1 : 1)
  const alphabet = [...people].sort(byName)
  const free = new Set(rule === 'random' ? shuffled(alphabet, randomStream(seed)) : alphabet)
  const given: Partial<Record<Role, string>> = {}
  for (const role of IMPORTANCE) {
    const left = [...free]
    const trained = left.filter(person => person.trainedToLead)
    const able = role === 'lead' && trained.length > 0 ? trained : left
    const chosen =
      rule === 'turn'
        ? leastHeld(able, role)
        : rule === 'alphabet' && role === 'reporter'
          ? able.at(-1)
          : able[0]
    if (!chosen) break
    free.delete(chosen)
    given[role] = chosen.id
  }
  return given
}

/**
 * Gives the roles of every group of every round: rounds x groups x people, and back by person id for each round. By turn,
 * what somebody does in a round counts in the rounds after it.
 */
export function giveRolesInRounds(
  rounds: readonly (readonly (readonly RolePerson[])[])[],
  rule: RoleRule,
  { locale, seed }: { locale: string; seed: number },
): Record<string, Role>[] {
  const since = new Map<string, RoleCounts>()
  return rounds.map((groups, round) => {
    const given: Record<string, Role> = {}
    for (const [index, members] of groups.entries()) {
      const people = members.map(person => ({ ...person, held: added(person.held, since.get(person.id)) }))
      const roles = giveRoles(people, rule, { locale, seed: seed + round * groups.length + index })
      for (const [role, id] of Object.entries(roles) as [Role, string][]) given[id] = role
    }
    for (const [id, role] of Object.entries(given)) since.set(id, added(since.get(id), { [role]: 1 }))
    return given
  })
}

type RoleCounts = Partial<Record<Role, number>>

const added = (one: RoleCounts = {}, other: RoleCounts = {}): RoleCounts =>
  Object.fromEntries(ROLES.map(role => [role, (one[role] ?? 0) + (other[role] ?? 0)]))

function leastHeld(people: readonly RolePerson[], role: Role): RolePerson | undefined {
  const held = (person: RolePerson) => person.held[role] ?? 0
  const all = (person: RolePerson) => ROLES.reduce((sum, each) => sum + (person.held[each] ?? 0), 0)
  // The sort is stable: people come in the order of the alphabet.
  return [...people].sort((one, other) => held(one) - held(other) || all(one) - all(other))[0]
}
