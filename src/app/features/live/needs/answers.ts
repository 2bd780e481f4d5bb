import type { ReasonKind } from '~/core/live/needs/needs'

/** What a facilitator does about a room: goes there to listen, writes to it, or looks at it first. */
export type Answer = 'visit' | 'write' | 'look'

export const ANSWER_WORDS: Record<Answer, string> = { visit: 'Visit', write: 'Write', look: 'Look in' }

/** What answers each reason. A call has a button of its own, and who is alone the moves that mend it. */
export const ANSWERS: Record<ReasonKind, Answer | null> = {
  help: null,
  alone: null,
  missing: 'look',
  signals: 'look',
  silent: 'visit',
  behind: 'write',
  'done-early': 'write',
  'one-writes': 'visit',
  unvisited: 'visit',
}
