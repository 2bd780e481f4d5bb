import { z } from 'zod'
import { idSchema } from '~/core/live/ids'

/** Longest update that is kept aside, in characters of base64: as much as a board's socket takes in at once. */
const LONGEST_UPDATE = 950_000

/** What somebody wrote without a line on a board that is not theirs to write on any more, or beside it under a prompt. */
export const lateForm = z.object({
  copyId: idSchema,
  promptId: idSchema.nullable(),
  update: z.base64().max(LONGEST_UPDATE),
})

/** A late contribution that a facilitator puts on its board after all. */
export const putInForm = z.object({
  copyId: idSchema,
  participantId: idSchema,
  id: z.string().min(1).max(64),
})
export type PutIn = z.infer<typeof putInForm>

/**
 * `kept`: it is kept aside; not when all of it is on the board already. `open`: they may write there still, so it goes there.
 * `refused`: it is kept nowhere, and never will be.
 */
export type LateAnswer =
  | { ok: true; kept: boolean }
  | { ok: false; why: 'open' | 'no-place' | 'refused'; message: string }
