import type { RemovableKind } from '~/contracts/removals'

interface Dependents {
  groupings: number
  choices: number
  plannedSessions: number
  pastSessions: number
}

/** What depends on something that is to be removed, in a sentence. */
export function dependsText(kind: RemovableKind, dependents: Dependents): string {
  const { groupings, choices, plannedSessions, pastSessions } = dependents
  if (kind === 'account') return 'Whoever uses it is signed out at once and cannot sign in any more.'
  if (kind === 'session')
    return 'Its code and its links for participants no longer open; who met in it does not count.'
  if (kind === 'material') return 'Boards on which it stands keep it.'
  const parts = [
    many(groupings, 'grouping'),
    many(choices, 'choice or question', 'choices and questions'),
    many(plannedSessions, 'planned session'),
    many(pastSessions, 'past session'),
  ].filter(Boolean)
  if (parts.length === 0) return 'Nothing else depends on it.'
  const words = parts.length === 1 ? parts[0] : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`
  return kind === 'cohort'
    ? `${words} of it will be out of sight too.`
    : `${words} ${plannedSessions + pastSessions === 1 ? 'uses' : 'use'} it and keep it.`
}

const many = (count: number, one: string, more = `${one}s`) =>
  count === 0 ? '' : `${count} ${count === 1 ? one : more}`

export function removalProblemText(
  problem: { code: 'session-open'; title: string } | { code: 'own-account' },
): string {
  return problem.code === 'own-account'
    ? 'You cannot remove your own account: another facilitator can.'
    : `“${problem.title}” is running with it. End that session first.`
}
