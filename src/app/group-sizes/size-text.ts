import type { SizeProblem } from '~/core/grouping/sizes'

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

/** `6 groups: 4, 4, 3, 3, 3, 3` */
export const sizesText = (sizes: readonly number[]): string =>
  `${sizes.length === 1 ? '1 group' : `${sizes.length} groups`}: ${sizes.join(', ')}`
