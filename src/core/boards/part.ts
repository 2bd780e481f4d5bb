/** A part of a board after its first: what waits until it is opened. */
import { z } from 'zod'

/** Most parts of a board after the first. */
export const MOST_LATER_PARTS = 5

export const OPENINGS = ['hand', 'done', 'after', 'round'] as const
/** How a part opens: by the facilitator's hand, when the part before is done, so many minutes into the round, or with the round. */
export type Opening = (typeof OPENINGS)[number]

export const partSchema = z.object({
  id: z.string().min(1).max(40),
  title: z.string(),
  /** Instructions, at most three steps. */
  steps: z.array(z.string()),
  /** How long it should take; nothing where it is not said. */
  minutes: z.number().int().min(1).max(180).optional(),
  opens: z.enum(OPENINGS),
  /** So many minutes into the round, for a part that opens by itself. */
  after: z.number().int().min(1).max(180).optional(),
})
export type Part = z.infer<typeof partSchema>
