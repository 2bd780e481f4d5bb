/** The forms of a rehearsal: what it is to play, and what is done while it runs. */
import { z } from 'zod'
import { FASTEST, SLOWEST } from '~/core/rehearsal/pace'
import { FEWEST_PEOPLE, MOST_PEOPLE } from '~/core/rehearsal/script'
import { count } from './fields'

const share = count(0, 100, 'percent', 'percent')
const speed = count(SLOWEST, FASTEST, 'times', 'time')

/** Read as a `Script`. */
export const rehearsalForm = z
  .object({
    people: count(FEWEST_PEOPLE, MOST_PEOPLE, 'people', 'person'),
    absent: share,
    late: share,
    drop: share,
    silent: share,
    busy: share,
    asks: share,
    moves: share,
    speed,
    itself: z.boolean().optional().default(false),
    short: z.boolean().optional().default(false),
  })
  .refine(({ silent, busy }) => silent + busy <= 100, {
    path: ['busy'],
    error: 'With those who write nothing that is more than all of them.',
  })

/** What can be changed of a rehearsal while it runs. */
export const rehearsalChange = z.discriminatedUnion('intent', [
  z.object({ intent: z.literal('speed'), speed }),
  z.object({ intent: z.literal('itself'), on: z.enum(['yes', 'no']) }),
  z.object({ intent: z.literal('end') }),
  z.object({ intent: z.literal('step-into'), participantId: z.string().min(1).max(40) }),
])
