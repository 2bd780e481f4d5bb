import type { PersonField } from '~/core/formats/people-headers'
import type { ImportProblem, ImportRow, RowProblem } from '~/core/formats/people-import'
import type { ColumnKind } from '~/core/people/columns'

export const FIELD_WORDS: Record<PersonField, string> = {
  name: 'whole name',
  firstName: 'first name',
  familyName: 'family name',
  shownAs: 'shown as',
  email: 'email',
  trainedToLead: 'trained to lead',
}

export const KIND_WORDS: Record<ColumnKind, string> = {
  text: 'text',
  number: 'number',
  'yes-no': 'yes or no',
}

export const OUTCOME_WORDS: Record<ImportRow['outcome'], string> = {
  added: 'added',
  changed: 'changed',
  same: 'left alone',
  refused: 'left out',
}

/** Why a whole list can't be read, in words. */
export function importProblemText(problem: ImportProblem): string {
  switch (problem.code) {
    case 'empty':
      return 'There are no rows below the header. The first row names the columns, every further row is one person.'
    case 'no-name-column':
      return `No column is taken for a name yet. Say below which of these is the name: ${problem.headers.join(', ') || 'there is none'}.`
    case 'matched-twice':
      return `Two columns are taken for the ${FIELD_WORDS[problem.field]}: ${problem.headers.join(', ')}. Keep one of them.`
    case 'column-twice':
      return `Two columns are called "${problem.header}". Leave one of them out.`
    case 'too-many-columns':
      return `There would be ${problem.columns} free columns; a cohort has at most ${problem.most}. Leave some out.`
    case 'too-many-rows':
      return `The list has ${problem.rows} rows; at most ${problem.most} can be imported at once.`
  }
}

type FileProblem =
  | {
      code:
        | 'nothing'
        | 'too-large'
        | 'not-text'
        | 'unknown-zip'
        | 'too-large-inside'
        | 'broken-file'
        | 'several-files'
        | 'no-users-file'
        | 'no-students'
    }
  | { code: 'empty-file'; name: string }
  | { code: 'missing-field'; file: string; field: string }

/** Why nothing could be read from what was sent, in words. */
export function fileProblemText(problem: FileProblem): string {
  switch (problem.code) {
    case 'nothing':
      return 'Choose a file, or paste rows into the box.'
    case 'empty-file':
      return `The file "${problem.name}" is empty. Save the list again, and choose that file.`
    case 'too-large':
      return 'The file is larger than 5 MB. Leave out columns you do not need, or import it in parts.'
    case 'not-text':
      return 'This is neither text nor a spreadsheet. Save the list from your spreadsheet as CSV or XLSX.'
    case 'unknown-zip':
      return 'The ZIP holds neither a spreadsheet nor a OneRoster list (there is no users.csv in it).'
    case 'too-large-inside':
      return 'There is more in this file, or further down or to the right in it, than any class list has: check that it is the right file.'
    case 'broken-file':
      return 'The file is damaged and can not be unpacked. Save or download it again.'
    case 'several-files':
      return 'Several files are read together only as a OneRoster list: users.csv, with enrollments.csv and classes.csv.'
    case 'no-users-file':
      return 'A OneRoster list needs its users.csv.'
    case 'no-students':
      return 'The OneRoster list has nobody in it whose role is student.'
    case 'missing-field':
      return `${problem.file} has no column "${problem.field}", which OneRoster 1.1 gives it.`
  }
}

/** What a OneRoster list had that was not taken, each in a sentence. */
export function leftOutTexts(leftOut: {
  notStudents: number
  toBeDeleted: number
  unknownPeople: number
}): string[] {
  const { notStudents, toBeDeleted, unknownPeople } = leftOut
  return [
    ...(notStudents > 0 ? [`Teachers and others who are no students were left out: ${notStudents}.`] : []),
    ...(toBeDeleted > 0 ? [`People marked to be deleted were left out: ${toBeDeleted}.`] : []),
    ...(unknownPeople > 0
      ? [
          `Enrolments of people who are not in users.csv, or are marked to be deleted there: ${unknownPeople}.`,
        ]
      : []),
  ]
}

/** Why one row is refused, in words. */
export function rowProblemText(problem: RowProblem): string {
  switch (problem.code) {
    case 'no-name':
      return 'There is no name.'
    case 'bad-email':
      return `"${problem.email}" is not an email address.`
    case 'too-long':
      return `"${problem.column}" is longer than ${problem.most} characters.`
    case 'not-of-kind':
      return `"${problem.column}" holds ${problem.kind === 'number' ? 'numbers' : 'yes or no'}; "${problem.value}" does not fit.`
    case 'repeated-in-file':
      return `The same person stands in row ${problem.firstRow}.`
    case 'several-listed':
      return `Several people called ${problem.name} are on the list; only an email would tell which is meant.`
    case 'too-many-cells':
      return `There are ${problem.cells} cells under ${problem.headers} headers. A cell with the separator in it has to stand in quotation marks.`
    case 'broken-quotes':
      return 'A quotation mark is opened and never closed.'
  }
}
