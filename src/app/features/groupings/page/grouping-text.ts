import type { SaveGroupingProblem } from '~/contracts/grouping'

/** Why a grouping was not saved, in words. */
export function groupingProblemText(problem: SaveGroupingProblem): string {
  switch (problem.code) {
    case 'changed-meanwhile':
      return `${problem.savedBy} saved this grouping while you were changing it. Yours is still here: save it under another name, or open theirs in a new tab first.`
    case 'person-twice':
      return 'Somebody stands in two groups.'
    case 'not-of-cohort':
      return 'Somebody in these groups is not of this cohort.'
    case 'no-people':
      return 'Put somebody into a group first.'
  }
}
