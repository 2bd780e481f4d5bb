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
 * O(n x longest family name), and each name that is tried is made plain once: that is by far the dearest part. The map has
 * an entry for each person.
 */
export function shownNames(people: readonly NamedPerson[]): Map<string, string> {
  const shown = new Map<string, string>()
  const heard = new Map<string, string>()
  const show = (person: NamedPerson, name: string) => {
    shown.set(person.id, name)
    heard.set(person.id, aloud(name))
  }
  for (const person of people) show(person, person.shownAs.trim() || withInitials(person, 1))
  let growing = people.filter(person => !person.shownAs.trim())
  for (let letters = 2; ; letters++) {
    const readers = new Map<string, number>()
    for (const name of heard.values()) readers.set(name, (readers.get(name) ?? 0) + 1)
    growing = growing.filter(person => letterCount(person) >= letters)
    const clashing = growing.filter(person => (readers.get(heard.get(person.id) ?? '') ?? 0) > 1)
    if (clashing.length === 0) return numbered(people, shown, heard)
    for (const person of clashing) show(person, withInitials(person, letters))
  }
}

/** The whole name, for lists only facilitators see. */
export const fullName = (person: Pick<NamedPerson, 'firstName' | 'familyName'>): string =>
  `${person.firstName} ${person.familyName}`.trim()

/** A name for comparing: case, accents, letters like ø, ß and ł, what is not seen, and repeated blanks do not count. */
export const plainName = (name: string): string =>
  withoutMarks(name).toLowerCase().replace(/\s+/g, ' ').trim()

const PLAIN_ASCII = /^[\x20-\x7e]*$/

/** Most names have no marks to take away, and looking for them is what takes long. */
const withoutMarks = (name: string): string =>
  PLAIN_ASCII.test(name) ? name : deburr(name.normalize('NFKD').replace(/[\p{M}\p{DI}]/gu, ''))

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

/** People whose whole names are equal get a number. The next number of a name is remembered: a list may be one name. */
function numbered(
  people: readonly NamedPerson[],
  shown: Map<string, string>,
  heard: ReadonlyMap<string, string>,
): Map<string, string> {
  const taken = new Set<string>()
  const next = new Map<string, number>()
  for (const person of people) {
    const name = shown.get(person.id) ?? ''
    const plain = heard.get(person.id) ?? ''
    let candidate = name
    let spoken = plain
    for (let number = next.get(plain) ?? 2; taken.has(spoken); number++) {
      candidate = `${name} (${number})`
      spoken = aloud(candidate)
      next.set(plain, number + 1)
    }
    taken.add(spoken)
    shown.set(person.id, candidate)
  }
  return shown
}
