/** Why a room calls for help, if it says so. */
export const HELP_REASONS = ['stuck', 'question', 'disagree', 'technical'] as const
export type HelpReason = (typeof HELP_REASONS)[number]
