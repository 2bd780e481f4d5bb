import type { HelpReason } from '~/core/live/help/reasons'

/** Why a room calls, as it is said to the facilitator. */
export const HELP_REASON_WORDS: Record<HelpReason, string> = {
  stuck: 'stuck',
  question: 'a question',
  disagree: 'they disagree',
  technical: 'something does not work',
}
