/**
 * What a group decides together lies in a map with `answer`, the place of what is chosen, and its reason in a shared text; what
 * each decides lies with what each answers (`each`).
 */
import type * as Y from 'yjs'
import { z } from 'zod'

export const LONGEST_REASON = 2_000

export const decidedName = (promptId: string): string => `decided:${promptId}`
export const becauseName = (promptId: string): string => `because:${promptId}`
export const decidedOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(decidedName(promptId))
export const becauseOf = (doc: Y.Doc, promptId: string): Y.Text => doc.getText(becauseName(promptId))

/** What one person chose. */
export const chosenShape = z.object({
  answer: z.number().int().min(0).max(5).nullable(),
  reason: z.string().max(LONGEST_REASON),
})
export type Chosen = z.infer<typeof chosenShape>
