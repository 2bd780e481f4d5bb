import { readCsv } from './csv'

/**
 * A class list in OneRoster 1.1 CSV (IMS Global, "OneRoster 1.1 CSV tables"; field names given from memory): `users.csv`
 * holds the people, and where `enrollments.csv` and `classes.csv` are there, they say who is in which class.
 */
export interface OneRosterList {
  /** Header first. With classes, the last column is the class, and somebody in two classes has two rows. */
  rows: string[][]
  /** Titles of the classes with students, in the order of the file; empty when the files say nothing of classes. */
  classes: string[]
  /** What the files have and the list has not. */
  leftOut: {
    /** People whose role is not student, and rows marked to be deleted. */
    notStudents: number
    toBeDeleted: number
    /** Enrolments of somebody who is not in users.csv. */
    unknownPeople: number
  }
}

export type OneRosterProblem =
  | { code: 'no-users-file' }
  | { code: 'missing-field'; file: string; field: string }
  | { code: 'no-students' }

type Row = (field: string) => string

const HEADERS = ['First name', 'Family name', 'Email', 'Identifier', 'Grades']
export const CLASS_HEADER = 'Class'

/**
 * Takes the students out of OneRoster files, given as texts by file name. Rows marked to be deleted are left out, and
 * so is everybody whose role is not student. O(rows).
 */
export function readOneRoster(
  files: ReadonlyMap<string, string>,
): { ok: true; list: OneRosterList } | { ok: false; problem: OneRosterProblem } {
  const users = fileOf(files, 'users.csv', ['sourcedId', 'givenName', 'familyName', 'role'])
  if (!users) return { ok: false, problem: { code: 'no-users-file' } }
  if ('problem' in users) return { ok: false, problem: users.problem }
  const enrollments = fileOf(files, 'enrollments.csv', ['classSourcedId', 'userSourcedId', 'role'])
  const classes = fileOf(files, 'classes.csv', ['sourcedId', 'title'])
  for (const file of [enrollments, classes]) {
    if (file && 'problem' in file) return { ok: false, problem: file.problem }
  }
  const list =
    enrollments && classes && 'rows' in enrollments && 'rows' in classes
      ? byClass(users.rows, enrollments.rows, classes.rows)
      : { rows: users.rows.filter(isStudent).map(cellsOf), classes: [], unknownPeople: 0 }
  if (list.rows.length === 0) return { ok: false, problem: { code: 'no-students' } }
  const headers = list.classes.length > 0 ? [...HEADERS, CLASS_HEADER] : HEADERS
  const { rows, classes: titles, unknownPeople } = list
  const notStudents = users.rows.filter(user => !isStudent(user)).length
  const leftOut = { notStudents, toBeDeleted: users.toBeDeleted, unknownPeople }
  return { ok: true, list: { rows: [headers, ...rows], classes: titles, leftOut } }
}

function byClass(
  users: Row[],
  enrollments: Row[],
  classes: Row[],
): { rows: string[][]; classes: string[]; unknownPeople: number } {
  const userOf = new Map(users.map(user => [user('sourcedId'), user]))
  const found = classes.map(each => {
    const members = enrollments
      .filter(one => isStudent(one) && one('classSourcedId') === each('sourcedId'))
      .flatMap(one => userOf.get(one('userSourcedId')) ?? [])
    return { title: each('title'), members }
  })
  const filled = found.filter(each => each.members.length > 0)
  return {
    rows: filled.flatMap(({ title, members }) => members.map(user => [...cellsOf(user), title])),
    classes: [...new Set(filled.map(each => each.title))],
    unknownPeople: enrollments.filter(one => isStudent(one) && !userOf.has(one('userSourcedId'))).length,
  }
}

const isStudent = (row: Row) => row('role').toLowerCase() === 'student'

const cellsOf = (user: Row): string[] =>
  ['givenName', 'familyName', 'email', 'identifier', 'grades'].map(field => user(field))

function fileOf(
  files: ReadonlyMap<string, string>,
  name: string,
  needed: string[],
): { rows: Row[]; toBeDeleted: number } | { problem: OneRosterProblem } | undefined {
  const text = files.get(name)
  if (text === undefined) return undefined
  const [headers = [], ...body] = readCsv(text).rows
  const place = new Map(headers.map((header, number) => [header.trim().toLowerCase(), number]))
  const missing = needed.find(field => !place.has(field.toLowerCase()))
  if (missing) return { problem: { code: 'missing-field', file: name, field: missing } }
  const rows = body.map(
    (cells): Row =>
      field =>
        (cells[place.get(field.toLowerCase()) ?? -1] ?? '').trim(),
  )
  const kept = rows.filter(row => row('status').toLowerCase() !== 'tobedeleted')
  return { rows: kept, toBeDeleted: rows.length - kept.length }
}
