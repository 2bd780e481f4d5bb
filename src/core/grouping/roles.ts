import { randomStream, shuffled } from '../random/random'

export const ROLES = ['lead', 'scribe', 'reporter', 'timekeeper'] as const
export type Role = (typeof ROLES)[number]

/** How roles are given: by a rule anyone can check, by whose turn it is, or at random. */
export type RoleRule = 'alphabet' | 'turn' | 'random'

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

function leastHeld(people: readonly RolePerson[], role: Role): RolePerson | undefined {
  const held = (person: RolePerson) => person.held[role] ?? 0
  const all = (person: RolePerson) => ROLES.reduce((sum, each) => sum + (person.held[each] ?? 0), 0)
  // The sort is stable: people come in the order of the alphabet.
  return [...people].sort((one, other) => held(one) - held(other) || all(one) - all(other))[0]
}
