import type { SaveGroupingProblem } from '~/contracts/grouping'
import type { SizeProblem } from '~/core/grouping/sizes'

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

/** Why groups cannot be of these sizes, in words. */
export function sizeProblemText(problem: SizeProblem): string {
  switch (problem.code) {
    case 'too-few-people':
      return 'Groups need at least two people.'
    case 'not-a-count':
      return 'Enter a whole number of at least 1.'
    case 'group-of-one':
      return `Nobody is left alone: with ${problem.people} people, at most ${problem.mostGroups} groups of two or more.`
  }
}
