import type { ColumnKind } from '~/core/people/columns'
import { KIND_WORDS } from './import-text'

type ColumnProblem =
  | { code: 'name-taken'; name: string }
  | { code: 'too-many'; most: number }
  | { code: 'gone'; name: string }
  | { code: 'not-kept' }
  | { code: 'values-do-not-fit'; kind: ColumnKind; names: readonly string[]; count: number }

/** What is wrong with a column, beside its field. */
export function columnErrors(problem: ColumnProblem): Record<string, string[]> {
  switch (problem.code) {
    case 'name-taken':
      return { name: [`There is already a column "${problem.name}".`] }
    case 'too-many':
      return { name: [`A cohort has at most ${problem.most} columns.`] }
    case 'gone':
      return { name: [columnGoneText(problem.name)] }
    case 'not-kept':
      return {
        name: ['It has been put back already, or so many more were taken away since that it can not be.'],
      }
    case 'values-do-not-fit': {
      const { names, count, kind } = problem
      const others = count > names.length ? ` and ${count - names.length} more` : ''
      return { kind: [`What stands there does not fit "${KIND_WORDS[kind]}": ${names.join(', ')}${others}.`] }
    }
  }
}

/** The same in one sentence. */
export const columnProblemText = (problem: ColumnProblem): string =>
  Object.values(columnErrors(problem)).flat().join(' ')

export const columnGoneText = (name: string): string =>
  `“${name}” is no longer there: somebody has renamed it or taken it away.`

/** Why a value can't stand in a column of this kind. */
export const kindErrorText = (kind: ColumnKind): string =>
  kind === 'number' ? 'Enter a number, such as 3 or 2.5.' : 'Enter yes or no.'
