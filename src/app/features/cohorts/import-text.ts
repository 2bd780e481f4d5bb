import type { ImportProblem, RowProblem } from '~/core/formats/people-csv'

/** Why a whole list can't be read, in words. */
export function importProblemText(problem: ImportProblem): string {
  switch (problem.code) {
    case 'empty':
      return 'There are no rows below the header. The first row names the columns, every further row is one person.'
    case 'no-name-column':
      return `No column is called "name" or "first name". The columns are: ${problem.headers.join(', ') || 'none'}.`
    case 'too-many-rows':
      return `The list has ${problem.rows} rows; at most ${problem.most} can be imported at once.`
  }
}

export const fileProblemText = (code: 'nothing' | 'too-large' | 'not-utf-8'): string =>
  ({
    nothing: 'Choose a file, or paste rows into the box.',
    'too-large': 'The file is larger than 2 MB. Leave out columns you do not need, or import it in parts.',
    'not-utf-8': 'The file is not UTF-8 text. Save it again from your spreadsheet as "CSV UTF-8".',
  })[code]

/** Why one row is refused, in words. */
export function rowProblemText(problem: RowProblem): string {
  switch (problem.code) {
    case 'no-name':
      return 'There is no name.'
    case 'bad-email':
      return `"${problem.email}" is not an email address.`
    case 'too-long':
      return `"${problem.column}" is longer than ${problem.most} characters.`
    case 'repeated-in-file':
      return `The same name stands in row ${problem.firstRow}.`
    case 'already-listed':
      return `${problem.name} is already on the list.`
    case 'broken-quotes':
      return 'A quotation mark is opened and never closed.'
  }
}
