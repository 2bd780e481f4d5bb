import { type Column, columnNameOf } from '../people/columns'
import { plainName } from '../people/shown-name'

/** What a column of a list can be matched to, beside a free column of its own or nothing. */
export const PERSON_FIELDS = ['name', 'firstName', 'familyName', 'shownAs', 'email', 'trainedToLead'] as const
export type PersonField = (typeof PERSON_FIELDS)[number]

/**
 * What each column of a list is taken for, in the order of its headers: a field, a free column of the header's own
 * name, the free column named after `as:`, or nothing.
 */
export type Matching = (PersonField | 'column' | `as:${string}` | 'ignore')[]

/** The free column that a column of the list is taken for; undefined when it is taken for something else. */
export const columnName = (header: string, match: Matching[number] | undefined): string | undefined =>
  match === 'column'
    ? columnNameOf(header)
    : match?.startsWith('as:')
      ? columnNameOf(match.slice(3))
      : undefined

/** Headers as lists exported elsewhere commonly write them; compared without case, accents and punctuation. */
const LIKELY_HEADERS: Record<PersonField, string[]> = {
  name: [
    'name',
    'full name',
    'fullname',
    'student',
    'student name',
    'participant',
    'person',
    'nom complet',
    'nombre completo',
  ],
  firstName: [
    'first name',
    'firstname',
    'given name',
    'givenname',
    'given names',
    'first',
    'forename',
    'vorname',
    'prenom',
    'nombre',
    'voornaam',
    'imie',
  ],
  familyName: [
    'family name',
    'familyname',
    'last name',
    'lastname',
    'surname',
    'last',
    'nachname',
    'familienname',
    'nom',
    'nom de famille',
    'apellido',
    'apellidos',
    'achternaam',
    'nazwisko',
  ],
  shownAs: ['shown as', 'shown name', 'nickname', 'preferred name', 'known as', 'goes by', 'rufname'],
  email: [
    'email',
    'e mail',
    'email address',
    'e mail address',
    'mail',
    'courriel',
    'correo',
    'correo electronico',
  ],
  trainedToLead: ['trained to lead', 'trained lead', 'lead', 'can lead'],
}

/**
 * Matches headers to fields by likely names, each field once, and to the cohort's columns by theirs; what is left becomes
 * a new free column, but for columns in which no row says anything, and for empty headers.
 */
export function likelyMatching(
  headers: readonly string[],
  columns: readonly Column[] = [],
  isEmpty: (index: number) => boolean = () => false,
): Matching {
  const taken = new Set<string>()
  return headers.map((header, index): Matching[number] => {
    const plain = plainHeader(header)
    if (plain === '') return 'ignore'
    const field = PERSON_FIELDS.find(candidate => LIKELY_HEADERS[candidate].includes(plain))
    if (field && !taken.has(field)) {
      taken.add(field)
      return field
    }
    if (taken.has(`column:${plain}`) || isEmpty(index)) return 'ignore'
    taken.add(`column:${plain}`)
    const own = columns.find(column => plainHeader(column.name) === plain)?.name
    return own === undefined || own === header.trim() ? 'column' : `as:${own}`
  })
}

const plainHeader = (header: string) => plainName(header.replace(/[^\p{L}\p{N}]+/gu, ' '))

export type MatchingProblem =
  | { code: 'no-name-column'; headers: string[] }
  | { code: 'matched-twice'; field: PersonField; headers: string[] }
  | { code: 'column-twice'; header: string }

/** Why a matching can't be used: without a name column nobody is known, and a field can come from one column only. */
export function matchingProblem(headers: readonly string[], matching: Matching): MatchingProblem | undefined {
  for (const field of PERSON_FIELDS) {
    const from = headers.filter((_, index) => matching[index] === field)
    if (from.length > 1) return { code: 'matched-twice', field, headers: from }
  }
  const columns = headers.flatMap((header, index) => columnName(header, matching[index]) ?? [])
  const repeated = columns.find((header, index) => columns.indexOf(header) !== index)
  if (repeated !== undefined) return { code: 'column-twice', header: repeated }
  if (!matching.includes('name') && !matching.includes('firstName')) {
    return { code: 'no-name-column', headers: [...headers] }
  }
  return undefined
}
