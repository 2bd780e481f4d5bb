import { z } from 'zod'

/** What the page asks the grouping worker. */
export const drawRequest = z.object({
  id: z.number().int(),
  personIds: z.array(z.string()),
  sizes: z.array(z.number().int().min(1)),
  seed: z.number().int(),
  previous: z.array(z.array(z.string())).optional(),
})

export const drawReply = z.object({
  id: z.number().int(),
  groups: z.array(z.array(z.string())),
  /** Null when there was nothing to differ from, false when no other grouping exists. */
  differs: z.boolean().nullable(),
})

export type DrawRequest = z.infer<typeof drawRequest>
export type DrawReply = z.infer<typeof drawReply>
