import { MOST_SEGMENTS } from '~/core/schedule/running-order'

/** Why a plan can't be kept or opened, beside the field it is about. */
type PlanProblem =
  | { code: 'no-such-date' }
  | { code: 'already-open' }
  | { code: 'empty-groups'; names: string[] }
  | { code: 'room-names-repeat'; name: string }
  | { code: 'too-many-segments' }

export function sessionProblem(problem: PlanProblem): {
  fieldErrors?: Record<string, string[]>
  formErrors?: string[]
} {
  switch (problem.code) {
    case 'no-such-date':
      return { fieldErrors: { date: ['There is no such date or time.'] } }
    case 'room-names-repeat':
      return { formErrors: [`Two rooms are called "${problem.name}". Give one of them another name.`] }
    default:
      return { formErrors: [openingProblemText(problem)] }
  }
}

/** Why a rehearsal did not begin. */
export const rehearsalProblemText = (problem: PlanProblem | { code: string }): string =>
  problem.code === 'too-many-rehearsals'
    ? 'Others rehearse now, and this server plays no more classes at once. Try again when one of them has ended.'
    : openingProblemText(problem)

export function openingProblemText(problem: PlanProblem | { code: string }): string {
  if (problem.code === 'empty-groups' && 'names' in problem) {
    return `Nobody is in ${problem.names.join(' and ')}. Put somebody in, or take the group out of the grouping.`
  }
  if (problem.code === 'already-open')
    return 'This session has been opened; its plan can no longer be changed.'
  if (problem.code === 'too-many-segments')
    return `A plan has at most ${MOST_SEGMENTS} segments, and others have added some. Take one out.`
  return 'The session can not be opened as it is planned. Look the plan over and save it again.'
}
