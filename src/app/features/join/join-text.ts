import { problemText } from '~/core/live/decide'
import type { LiveProblem } from '~/core/live/topics'

export function codeProblemText(
  problem: { code: 'unknown-code' } | { code: 'too-many-tries'; seconds: number },
): string {
  if (problem.code === 'unknown-code')
    return 'No session has this code. Compare it with the one on the wall, sign by sign.'
  return `Too many codes were tried from here. Wait ${Math.ceil(problem.seconds / 60)} min, then try again.`
}

export function takePlaceProblemText(
  problem: LiveProblem | { code: 'no-such-name' | 'facilitators-name' },
): string {
  switch (problem.code) {
    case 'facilitators-name':
      return 'A facilitator here has this name. Add something that tells you apart, such as a letter of your family name.'
    case 'no-such-name':
      return 'This name is no longer on the list. Choose again.'
    default:
      return problemText(problem)
  }
}
