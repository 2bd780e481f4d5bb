import { isEqual } from 'lodash-es'
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

/**
 * Where a draft lies that was made from a version somebody has saved over since: beside what is being made now, which would
 * otherwise take its place.
 */
export const earlierKey = (key: string): string => `${key}-earlier`

/**
 * What of before is there for a page that shows `content` of `version`: a draft to go on from, or an earlier one to be offered. A
 * draft of another version is put among the earlier ones, unless it is what the page shows.
 */
export function draftsOf(
  storage: Storage,
  key: string,
  { version, content }: Pick<GroupingDraft, 'version' | 'content'>,
): { here: GroupingDraft | null; earlier: GroupingDraft | null } {
  const here = readDraft(storage, key)
  if (here && here.version !== version) {
    const isShown = isEqual(here.content, content)
    if (isShown || writeDraft(storage, earlierKey(key), here)) writeDraft(storage, key, null)
    return { here: null, earlier: isShown ? readDraft(storage, earlierKey(key)) : here }
  }
  return { here, earlier: readDraft(storage, earlierKey(key)) }
}

export const draftKey = (cohortId: string, groupingId: string | null): string =>
  groupingId === null ? `draft-grouping-new-${cohortId}` : `draft-grouping-${groupingId}`
