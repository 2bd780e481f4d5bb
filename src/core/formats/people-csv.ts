import { plainName } from '../people/shown-name'
import { readCsv } from './csv'

/** A person as a class list gives them. `columns` holds everything the list says beside the known fields. */
export interface ImportedPerson {
  firstName: string
  familyName: string
  shownAs: string
  email: string
  trainedToLead: boolean
  columns: Record<string, string>
}

export type RowProblem =
  | { code: 'no-name' }
  | { code: 'bad-email'; email: string }
  | { code: 'too-long'; column: string; most: number }
  | { code: 'repeated-in-file'; firstRow: number }
  | { code: 'already-listed'; name: string }
  | { code: 'broken-quotes' }

/** `row` is the line of the table as a spreadsheet counts it: the header is row 1. */
export type ImportRow =
  | { row: number; ok: true; person: ImportedPerson }
  | { row: number; ok: false; text: string; problem: RowProblem }

export type ImportProblem =
  | { code: 'empty' }
  | { code: 'no-name-column'; headers: string[] }
  | { code: 'too-many-rows'; rows: number; most: number }

export type ImportPreview =
  | { ok: true; rows: ImportRow[]; columns: string[] }
  | { ok: false; problem: ImportProblem }

export const MOST_IMPORT_ROWS = 5000
const LONGEST_CELL = 200

type Field = 'name' | 'firstName' | 'familyName' | 'shownAs' | 'email' | 'trainedToLead'

/** Headers as lists exported elsewhere commonly write them; compared without case, accents and punctuation. */
const LIKELY_HEADERS: Record<Field, string[]> = {
  name: ['name', 'full name', 'student', 'student name', 'participant', 'person'],
  firstName: ['first name', 'firstname', 'given name', 'givenname', 'first', 'forename'],
  familyName: ['family name', 'familyname', 'last name', 'lastname', 'surname', 'last'],
  shownAs: ['shown as', 'shown name', 'nickname', 'preferred name', 'known as', 'goes by'],
  email: ['email', 'e mail', 'email address', 'mail'],
  trainedToLead: ['trained to lead', 'trained lead', 'lead', 'can lead'],
}

const YES = new Set(['yes', 'y', 'true', '1', 'x'])

/**
 * Reads a class list and says of each row what would happen to it. Nothing is changed by it.
 *
 * A name column, or a first name column, must be there; rows without a name, with something that is no email
 * address, repeated in the file, or already on the list are refused one by one, each with its reason.
 * `listed` are the whole names already in the cohort. O(rows).
 */
export function previewPeople(text: string, listed: readonly string[]): ImportPreview {
  const { rows, faults } = readCsv(text)
  const [headers, ...body] = rows
  if (!headers || body.length === 0) return { ok: false, problem: { code: 'empty' } }
  if (body.length > MOST_IMPORT_ROWS) {
    return { ok: false, problem: { code: 'too-many-rows', rows: body.length, most: MOST_IMPORT_ROWS } }
  }
  const fields = headers.map(fieldOf)
  if (!fields.includes('name') && !fields.includes('firstName')) {
    return { ok: false, problem: { code: 'no-name-column', headers } }
  }
  const already = new Set(listed.map(plainName))
  const seen = new Map<string, number>()
  const broken = new Set(faults.map(fault => fault.row))
  const result = body.map((cells, place): ImportRow => {
    const row = place + 2
    const refuse = (problem: RowProblem): ImportRow => ({
      row,
      ok: false,
      text: cells.join(', ').slice(0, 120),
      problem,
    })
    if (broken.has(place + 2)) return refuse({ code: 'broken-quotes' })
    const person = personFrom(headers, fields, cells)
    const problem = problemOf(person, cells, headers)
    if (problem) return refuse(problem)
    const key = plainName(`${person.firstName} ${person.familyName}`)
    if (already.has(key))
      return refuse({ code: 'already-listed', name: `${person.firstName} ${person.familyName}`.trim() })
    const firstRow = seen.get(key)
    if (firstRow !== undefined) return refuse({ code: 'repeated-in-file', firstRow })
    seen.set(key, row)
    return { row, ok: true, person }
  })
  return {
    ok: true,
    rows: result,
    columns: headers.filter((header, place) => fields[place] === undefined && header.trim()),
  }
}

function fieldOf(header: string): Field | undefined {
  const plain = plainName(header.replace(/[^\p{L}\p{N}]+/gu, ' '))
  const fields = Object.keys(LIKELY_HEADERS) as Field[]
  return fields.find(field => LIKELY_HEADERS[field].includes(plain))
}

function personFrom(headers: string[], fields: (Field | undefined)[], cells: string[]): ImportedPerson {
  const cell = (field: Field) => (cells[fields.indexOf(field)] ?? '').trim()
  const [first, family] = fields.includes('firstName')
    ? [cell('firstName'), cell('familyName')]
    : splitName(cell('name'))
  const columns: Record<string, string> = {}
  headers.forEach((header, place) => {
    if (fields[place] === undefined && header.trim()) columns[header.trim()] = (cells[place] ?? '').trim()
  })
  return {
    firstName: first,
    familyName: family,
    shownAs: cell('shownAs'),
    email: cell('email'),
    trainedToLead: YES.has(cell('trainedToLead').toLowerCase()),
    columns,
  }
}

/** "Family, First" or "First Family": the last word is the family name, one word alone is a first name. */
export function splitName(name: string): [first: string, family: string] {
  const tidy = name.replace(/\s+/g, ' ').trim()
  const comma = tidy.indexOf(',')
  if (comma > 0) return [tidy.slice(comma + 1).trim(), tidy.slice(0, comma).trim()]
  const space = tidy.lastIndexOf(' ')
  return space < 0 ? [tidy, ''] : [tidy.slice(0, space), tidy.slice(space + 1)]
}

function problemOf(person: ImportedPerson, cells: string[], headers: string[]): RowProblem | undefined {
  const long = cells.findIndex(cell => cell.length > LONGEST_CELL)
  if (long >= 0)
    return { code: 'too-long', column: headers[long] ?? `column ${long + 1}`, most: LONGEST_CELL }
  if (!person.firstName) return { code: 'no-name' }
  if (person.email && !/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(person.email))
    return { code: 'bad-email', email: person.email }
  return undefined
}
