import type { WhoWrites } from '~/core/live/rights/writing'

/** Who writes in rooms, in few words: they stand in the head of Live. */
export const WHO_WORDS: Record<WhoWrites, string> = {
  all: 'all write',
  lead: 'lead writes',
  scribe: 'scribe writes',
  turn: 'write in turns',
}
