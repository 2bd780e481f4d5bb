import { type Column, columnValue, guessKind, MOST_COLUMNS, readYesNo } from '../people/columns'
import { fullName, plainName } from '../people/shown-name'
import { visibleText } from './clean-text'
import type { CsvTable } from './csv'
import {
  columnName,
  likelyMatching,
  type Matching,
  type MatchingProblem,
  matchingProblem,
} from './people-headers'

/** What a list can say of a person. `columns` are the values of the cohort's free columns, by column name. */
export interface ImportedPerson {
  firstName: string
  familyName: string
  shownAs: string
  email: string
  trainedToLead: boolean
  columns: Record<string, string>
}

/** Somebody who is on the cohort's list already. */
export interface ListedForImport extends ImportedPerson {
  id: string
}

export type RowProblem =
  | { code: 'no-name' }
  | { code: 'bad-email'; email: string }
  | { code: 'too-long'; column: string; most: number }
  | { code: 'not-of-kind'; column: string; kind: Column['kind']; value: string }
  | { code: 'repeated-in-file'; firstRow: number }
  | { code: 'several-listed'; name: string }
  | { code: 'broken-quotes' }
  /** Cells that stand under no header say something: perhaps a separator should have been in quotes. */
  | { code: 'too-many-cells'; cells: number; headers: number }

export interface FieldChange {
  what: string
  from: string
  to: string
}

/**
 * What importing does with one row. `row` is the line of the table as a spreadsheet counts it: the header is row 1.
 * `person` is how the person stands on the list afterwards.
 */
export type ImportRow =
  | { row: number; outcome: 'added'; person: ImportedPerson }
  | { row: number; outcome: 'changed'; personId: string; person: ImportedPerson; changes: FieldChange[] }
  | { row: number; outcome: 'same'; personId: string; person: ImportedPerson }
  | { row: number; outcome: 'refused'; text: string; problem: RowProblem }

/** Columns a list may have, those that are left out too. */
const MOST_HEADERS = 200

export type ImportProblem =
  | { code: 'empty' }
  | { code: 'too-many-rows'; rows: number; most: number }
  | { code: 'too-many-columns'; columns: number; most: number }
  | MatchingProblem

export type ImportPlan =
  | { ok: true; headers: string[]; matching: Matching; rows: ImportRow[]; columns: Column[] }
  | { ok: false; headers: string[]; matching: Matching; problem: ImportProblem }

export const MOST_IMPORT_ROWS = 5000
const LONGEST_CELL = 200
const LONGEST_NAME = 80

/**
 * Says of every row of a list what importing it would do. Nothing is changed by it.
 *
 * A row is the person with the same email, otherwise the one with the same whole name; where a cell is empty, what the
 * list has is kept. `columns` are the cohort's free columns: a new one gets the kind its values fit. Without `matching`
 * the headers decide. O(rows + listed).
 */
export function planImport(
  table: CsvTable,
  listed: readonly ListedForImport[],
  columns: readonly Column[],
  chosen?: Matching,
): ImportPlan {
  const [headers = [], ...body] = table.rows
  // Before anything is compared with anything: a row may have as many cells as there are commas.
  if (headers.length > MOST_HEADERS)
    return {
      ok: false,
      headers: [],
      matching: [],
      problem: { code: 'too-many-columns', columns: headers.length, most: MOST_COLUMNS },
    }
  const matching =
    chosen?.length === headers.length
      ? chosen
      : likelyMatching(headers, columns, index => isEmptyColumn(body, index))
  const refusal = problemOf(headers, body, matching, columns)
  if (refusal) return { ok: false, headers, matching, problem: refusal }
  const kinds = kindsOf(headers, body, matching, columns)
  const broken = new Set(table.faults.map(fault => fault.row))
  const numberOf = (index: number) => table.numbers[index + 1] ?? index + 2
  const read = body.map((cells, index) =>
    broken.has(numberOf(index))
      ? { problem: { code: 'broken-quotes' as const } }
      : cells.slice(headers.length).some(cell => cellText(cell) !== '')
        ? { problem: { code: 'too-many-cells' as const, cells: cells.length, headers: headers.length } }
        : readPerson(headers, matching, kinds, cells),
  )
  const emails = read.flatMap(each => ('cells' in each && each.cells.email ? [each.cells.email] : []))
  const find = finder(listed, new Set(emails))
  const repeatOf = repeats()
  const rows = read.map((each, index): ImportRow => {
    const row = numberOf(index)
    const refuse = (problem: RowProblem): ImportRow => {
      const text = (body[index] ?? []).join(', ').slice(0, 120)
      return { row, outcome: 'refused', text, problem }
    }
    if ('problem' in each) return refuse(each.problem)
    const found = find(each.cells)
    if (found === 'several') return refuse({ code: 'several-listed', name: fullName(each.cells) })
    const firstRow = repeatOf(row, each.cells, found?.id)
    if (firstRow !== undefined) return refuse({ code: 'repeated-in-file', firstRow })
    return found
      ? changeOf(row, found, each.cells)
      : { row, outcome: 'added', person: withDefaults(each.cells) }
  })
  return { ok: true, headers, matching, rows, columns: kinds }
}

function problemOf(
  headers: string[],
  body: string[][],
  matching: Matching,
  columns: readonly Column[],
): ImportProblem | undefined {
  if (body.length === 0) return { code: 'empty' }
  if (body.length > MOST_IMPORT_ROWS)
    return { code: 'too-many-rows', rows: body.length, most: MOST_IMPORT_ROWS }
  const names = new Set(columns.map(column => column.name))
  headers.forEach((header, index) => {
    const name = columnName(header, matching[index])
    if (name !== undefined) names.add(name)
  })
  if (names.size > MOST_COLUMNS) return { code: 'too-many-columns', columns: names.size, most: MOST_COLUMNS }
  return matchingProblem(headers, matching)
}

/** All free columns there will be: the cohort's own keep their kind, new ones get the kind that fits their values. */
function kindsOf(
  headers: string[],
  body: string[][],
  matching: Matching,
  columns: readonly Column[],
): Column[] {
  const known = new Set(columns.map(column => column.name))
  const fresh = headers.flatMap((header, index) => {
    const name = columnName(header, matching[index])
    if (name === undefined || known.has(name)) return []
    return [{ name, kind: guessKind(body.map(cells => cellText(cells[index]))) }]
  })
  return [...columns, ...fresh]
}

/** No row says anything under this header. */
const isEmptyColumn = (body: readonly string[][], index: number): boolean =>
  body.every(cells => cellText(cells[index]) === '')

/** What the row says; fields it does not have, or leaves empty, are missing. */
type ReadCells = Partial<ImportedPerson> & { firstName: string; familyName: string }

function readPerson(
  headers: string[],
  matching: Matching,
  kinds: Column[],
  cells: string[],
): { cells: ReadCells } | { problem: RowProblem } {
  const cell = (field: Matching[number]) => cellText(cells[matching.indexOf(field)])
  const has = (field: Matching[number]) => matching.includes(field) && cell(field) !== ''
  const [firstName, familyName] = has('firstName')
    ? [cell('firstName'), cell('familyName')]
    : splitName(cell('name'))
  const long = headers.findIndex((_, index) => cellText(cells[index]).length > LONGEST_CELL)
  if (long >= 0)
    return {
      problem: { code: 'too-long', column: headers[long] || `column ${long + 1}`, most: LONGEST_CELL },
    }
  if (!firstName) return { problem: { code: 'no-name' } }
  if (Math.max(firstName.length, familyName.length) > LONGEST_NAME)
    return { problem: { code: 'too-long', column: 'name', most: LONGEST_NAME } }
  const email = cell('email').toLowerCase()
  if (email && !isEmail(email)) return { problem: { code: 'bad-email', email: cell('email') } }
  const values: Record<string, string> = {}
  for (const [index, header] of headers.entries()) {
    const name = columnName(header, matching[index])
    const kind = kinds.find(column => column.name === name)?.kind
    const text = cellText(cells[index])
    if (name === undefined || !kind || text === '') continue
    const value = columnValue(kind, text)
    if (value === undefined) return { problem: { code: 'not-of-kind', column: name, kind, value: text } }
    values[name] = value
  }
  const read: ReadCells = { firstName, familyName, columns: values }
  if (has('shownAs')) read.shownAs = cell('shownAs')
  if (email) read.email = email
  if (has('trainedToLead')) {
    const trained = readYesNo(cell('trainedToLead'))
    if (trained === undefined) {
      const value = cell('trainedToLead')
      return { problem: { code: 'not-of-kind', column: 'trained to lead', kind: 'yes-no', value } }
    }
    read.trainedToLead = trained
  }
  return { cells: read }
}

/** A cell without blanks around it and what cannot be seen, and without the apostrophe that `writeCsv` puts before what looks like a formula. */
const cellText = (cell: string | undefined): string =>
  visibleText(cell ?? '')
    .trim()
    .replace(/^'(?=[=+\-@\t\r])/, '')

/**
 * Finds who a row is: by email, then by whole name. Somebody of the same name who stands in the file under an email of
 * their own is another person.
 */
function finder(
  listed: readonly ListedForImport[],
  emailsInFile: ReadonlySet<string>,
): (cells: ReadCells) => ListedForImport | 'several' | undefined {
  const byEmail = new Map(listed.filter(person => person.email).map(person => [person.email, person]))
  const byName = new Map<string, ListedForImport[]>()
  for (const person of listed) {
    const name = plainName(fullName(person))
    const others = byName.get(name)
    if (others) others.push(person)
    else byName.set(name, [person])
  }
  return cells => {
    const sameEmail = cells.email ? byEmail.get(cells.email) : undefined
    if (sameEmail) return sameEmail
    const sameName = (byName.get(plainName(fullName(cells))) ?? []).filter(
      person => !cells.email || !emailsInFile.has(person.email),
    )
    return sameName.length > 1 ? 'several' : sameName[0]
  }
}

/** Remembers the rows so far and gives the earlier row that is the same person, if there is one. */
function repeats(): (row: number, cells: ReadCells, personId: string | undefined) => number | undefined {
  const byPerson = new Map<string, number>()
  const byEmail = new Map<string, number>()
  const byName = new Map<string, { row: number; email: string }[]>()
  return (row, cells, personId) => {
    const email = cells.email ?? ''
    const name = plainName(fullName(cells))
    const sameName = personId ? [] : (byName.get(name) ?? [])
    const first =
      (personId ? byPerson.get(personId) : undefined) ??
      (email ? byEmail.get(email) : undefined) ??
      sameName.find(other => !other.email || !email)?.row
    if (first !== undefined) return first
    if (personId) byPerson.set(personId, row)
    else byName.set(name, [...sameName, { row, email }])
    if (email) byEmail.set(email, row)
    return undefined
  }
}

const withDefaults = (cells: ReadCells): ImportedPerson => ({
  shownAs: '',
  email: '',
  trainedToLead: false,
  columns: {},
  ...cells,
})

function changeOf(row: number, listed: ListedForImport, cells: ReadCells): ImportRow {
  const { id, ...before } = listed
  // An empty family name in the list is less than is known: it does not take one away.
  const familyName = cells.familyName || before.familyName
  const columns = { ...before.columns, ...cells.columns }
  const person: ImportedPerson = { ...before, ...cells, familyName, columns }
  const changes = changesBetween(before, person)
  return changes.length > 0
    ? { row, outcome: 'changed', personId: id, person, changes }
    : { row, outcome: 'same', personId: id, person }
}

function changesBetween(before: ImportedPerson, after: ImportedPerson): FieldChange[] {
  const yesNo = (trained: boolean) => (trained ? 'yes' : 'no')
  const fields: FieldChange[] = [
    { what: 'name', from: fullName(before), to: fullName(after) },
    { what: 'shown as', from: before.shownAs, to: after.shownAs },
    { what: 'email', from: before.email, to: after.email },
    { what: 'trained to lead', from: yesNo(before.trainedToLead), to: yesNo(after.trainedToLead) },
    ...Object.keys(after.columns).map(name => ({
      what: name,
      from: before.columns[name] ?? '',
      to: after.columns[name] ?? '',
    })),
  ]
  return fields.filter(change => change.from !== change.to)
}

/** "Family, First" or "First Family": the last word is the family name, one word alone is a first name. */
export function splitName(name: string): [first: string, family: string] {
  const tidy = name.replace(/\s+/g, ' ').trim()
  const comma = tidy.indexOf(',')
  if (comma > 0) return [tidy.slice(comma + 1).trim(), tidy.slice(0, comma).trim()]
  const space = tidy.lastIndexOf(' ')
  return space < 0 ? [tidy, ''] : [tidy.slice(0, space), tidy.slice(space + 1)]
}

const LONGEST_EMAIL = 200

/** Whether a cell can be an email address: something on both sides of one sign, and a dot within the second. */
function isEmail(text: string): boolean {
  if (text.length > LONGEST_EMAIL || /\s/.test(text)) return false
  const [name = '', host = '', ...more] = text.split('@')
  const dot = host.indexOf('.', 1)
  return more.length === 0 && name !== '' && dot !== -1 && dot < host.length - 1
}
