import { z } from 'zod'

/** What can be removed, and put back. */
export const REMOVABLE_KINDS = ['cohort', 'grouping', 'board', 'session', 'account', 'material'] as const
export type RemovableKind = (typeof REMOVABLE_KINDS)[number]

export const removalForm = z.object({
  intent: z.enum(['ask', 'remove', 'put-back']),
  kind: z.enum(REMOVABLE_KINDS),
  id: z.string().min(1).max(40),
})

export const removedList = z.object({ kind: z.enum(REMOVABLE_KINDS) })
