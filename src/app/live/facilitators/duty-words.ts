import type { DutyKind } from '~/core/live/duties/duty'

/** What somebody at the front does, after their name. */
export const DUTY_WORDS: Record<DutyKind, string> = {
  all: 'does everything',
  clock: 'keeps the clock and the doors',
  watch: 'looks on',
}
