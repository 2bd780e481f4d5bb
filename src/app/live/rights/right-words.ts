import type { WhoWrites } from '~/core/live/rights/writing'

/** Who writes in rooms, to go on a sentence with. */
export const WHO_WORDS: Record<WhoWrites, string> = {
  all: 'everybody writes',
  lead: 'whoever leads writes',
  scribe: 'the scribe writes',
  turn: 'one writes, in turns',
}
