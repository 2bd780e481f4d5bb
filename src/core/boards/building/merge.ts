/**
 * Two people change a board at the same moment: what each of them did to what both began from is done to it. Where both changed
 * the same field the later one stands, and the other is found among the versions.
 */
import { later, mergeFields, mergeLists } from '../../merging/merge'
import type { Board, Part, Prompt } from '../board'

/** What both did to `base`; `mine` is the later. Nothing either of them added or changed is lost with what the other took away. */
export function mergeBoards(base: Board, mine: Board, theirs: Board): Board {
  const parts = mergeLists(base.parts ?? [], mine.parts ?? [], theirs.parts ?? [], mergeFields<Part>)
  return {
    title: later(base.title, mine.title, theirs.title),
    steps: later(base.steps, mine.steps, theirs.steps),
    prompts: mergeLists(base.prompts, mine.prompts, theirs.prompts, mergePrompts),
    ...((base.parts ?? mine.parts ?? theirs.parts) && { parts }),
  }
}

/** Settings belong to their kind: they are merged only where both have the same. */
function mergePrompts(base: Prompt | undefined, mine: Prompt, theirs: Prompt): Prompt {
  const merged = mergeFields(base, mine, theirs)
  if (mine.kind !== theirs.kind) {
    const { kind, settings } = base?.kind === mine.kind ? theirs : mine
    return { ...merged, kind, settings } as Prompt
  }
  const from = base?.kind === mine.kind ? base.settings : undefined
  return { ...merged, settings: mergeFields(from, mine.settings, theirs.settings) } as Prompt
}
