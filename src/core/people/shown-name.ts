import deburr from 'lodash-es/deburr.js'

/** What is known of a person's name. `shownAs` is how they asked to be shown; empty means the default. */
export interface NamedPerson {
  id: string
  firstName: string
  familyName: string
  shownAs: string
}

/**
 * Gives every person the name others read: what they asked for, or first name and the initial of the family name.
 * Showing less is the default. Where two would read the same, the initials grow letter by letter, and people
 * whose whole names are equal get a number in list order.
 *
 * O(n x longest family name). The map has an entry for each person.
 */
export function shownNames(people: readonly NamedPerson[]): Map<string, string> {
  const shown = new Map<string, string>()
  for (const person of people) shown.set(person.id, person.shownAs.trim() || withInitials(person, 1))
  for (let letters = 2; ; letters++) {
    const clashing = clashes(people, shown)
    const growing = clashing.filter(person => !person.shownAs.trim() && letterCount(person) >= letters)
    if (growing.length === 0) return numbered(people, shown)
    for (const person of growing) shown.set(person.id, withInitials(person, letters))
  }
}

/** The whole name, for lists only facilitators see. */
export const fullName = (person: Pick<NamedPerson, 'firstName' | 'familyName'>): string =>
  `${person.firstName} ${person.familyName}`.trim()

/** A name for comparing: case, accents, letters like ø, ß and ł, and repeated blanks do not count. */
export const plainName = (name: string): string =>
  deburr(name.normalize('NFKD').replace(/\p{M}/gu, '')).toLowerCase().replace(/\s+/g, ' ').trim()

/** A name as its words alone, for finding: what stands between them does not count. */
const words = (name: string) =>
  ` ${plainName(name)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()}`

/** Whether one of the names has words that begin as typed; nothing typed finds everybody. */
export const isFoundBy = (typed: string, ...names: readonly string[]): boolean =>
  names.some(name => words(name).includes(words(typed).trimEnd()))

/** A name as it sounds: nobody hears the full stop after an initial. */
const aloud = (name: string) => plainName(name).replaceAll('.', '')

const letterCount = (person: NamedPerson) => [...person.familyName.trim()].length

function withInitials(person: NamedPerson, letters: number): string {
  const family = [...person.familyName.trim()]
  if (family.length === 0) return person.firstName.trim()
  const initials = family.slice(0, letters).join('')
  return `${person.firstName.trim()} ${initials}${letters < family.length ? '.' : ''}`
}

function clashes(people: readonly NamedPerson[], shown: Map<string, string>): NamedPerson[] {
  const readers = new Map<string, number>()
  for (const name of shown.values()) readers.set(aloud(name), (readers.get(aloud(name)) ?? 0) + 1)
  return people.filter(person => (readers.get(aloud(shown.get(person.id) ?? '')) ?? 0) > 1)
}

function numbered(people: readonly NamedPerson[], shown: Map<string, string>): Map<string, string> {
  const taken = new Set<string>()
  for (const person of people) {
    const name = shown.get(person.id) ?? ''
    let candidate = name
    for (let number = 2; taken.has(aloud(candidate)); number++) candidate = `${name} (${number})`
    taken.add(aloud(candidate))
    shown.set(person.id, candidate)
  }
  return shown
}
