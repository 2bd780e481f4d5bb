import { z } from 'zod'
import { draftGroupingForm } from '~/contracts/forms/groupings'

/** Groups as they were left without saving, in this browser. */
export interface GroupingDraft {
  /** The version of the kept grouping they were made from; null for a new one. */
  version: number | null
  /** Milliseconds since 1970. */
  at: number
  content: z.infer<typeof draftGroupingForm>
}

const draftSchema = z.object({
  version: z.number().nullable(),
  at: z.number(),
  content: draftGroupingForm,
})

/** Where drafts lie; the browser's own storage, or a stand-in in tests. */
type Storage = Pick<globalThis.Storage, 'getItem' | 'setItem' | 'removeItem'>

/** The draft under a key; null where there is none that can be read. */
export function readDraft(storage: Storage, key: string): GroupingDraft | null {
  try {
    const text = storage.getItem(key)
    return text === null ? null : (draftSchema.safeParse(JSON.parse(text)).data ?? null)
  } catch {
    return null
  }
}

/** Keeps a draft, or forgets it; says whether that could be done (a browser may refuse). */
export function writeDraft(storage: Storage, key: string, draft: GroupingDraft | null): boolean {
  try {
    if (draft === null) storage.removeItem(key)
    else storage.setItem(key, JSON.stringify(draft))
    return true
  } catch {
    return false
  }
}

export const draftKey = (cohortId: string, groupingId: string | null): string =>
  groupingId === null ? `draft-grouping-new-${cohortId}` : `draft-grouping-${groupingId}`
