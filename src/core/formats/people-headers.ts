import { plainName } from '../people/shown-name'

/** What a column of a list can be matched to, beside a free column of its own or nothing. */
export const PERSON_FIELDS = ['name', 'firstName', 'familyName', 'shownAs', 'email', 'trainedToLead'] as const
export type PersonField = (typeof PERSON_FIELDS)[number]

/** What each column of a list is taken for, in the order of its headers. */
export type Matching = (PersonField | 'column' | 'ignore')[]

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

/** Matches headers to fields by likely names, each field once; what is left becomes a free column, empty headers nothing. */
export function likelyMatching(headers: readonly string[]): Matching {
  const taken = new Set<string>()
  return headers.map(header => {
    const plain = plainName(header.replace(/[^\p{L}\p{N}]+/gu, ' '))
    if (plain === '') return 'ignore'
    const field = PERSON_FIELDS.find(candidate => LIKELY_HEADERS[candidate].includes(plain))
    const match = field && !taken.has(field) ? field : taken.has(`column:${plain}`) ? 'ignore' : 'column'
    taken.add(match === 'column' ? `column:${plain}` : match)
    return match
  })
}

export type MatchingProblem =
  | { code: 'no-name-column'; headers: string[] }
  | { code: 'matched-twice'; field: PersonField; headers: string[] }
  | { code: 'column-twice'; header: string }

/** Why a matching can't be used: without a name column nobody is known, and a field can come from one column only. */
export function matchingProblem(headers: readonly string[], matching: Matching): MatchingProblem | undefined {
  for (const field of PERSON_FIELDS) {
    const from = headers.filter((_, place) => matching[place] === field)
    if (from.length > 1) return { code: 'matched-twice', field, headers: from }
  }
  const columns = headers.filter((_, place) => matching[place] === 'column').map(header => header.trim())
  const repeated = columns.find((header, place) => columns.indexOf(header) !== place)
  if (repeated !== undefined) return { code: 'column-twice', header: repeated }
  if (!matching.includes('name') && !matching.includes('firstName')) {
    return { code: 'no-name-column', headers: [...headers] }
  }
  return undefined
}
