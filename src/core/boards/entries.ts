import type * as Y from 'yjs'
import type { Board } from './board'
import type { Follower, Mend } from './prompts/kind'
import { followerOf, rootsOf } from './prompts/kinds'

/** A piece of a board that says something else than before: the empty text when it was taken away. */
export interface ChangedEntry {
  promptId: string
  entryId: string
  text: string
}

/** Follows the pieces of a board as its document changes, whatever the kinds of its prompts. */
export class BoardEntries {
  private readonly followed: { promptId: string; roots: string[]; follower: Follower }[]

  constructor(doc: Y.Doc, board: Board) {
    this.followed = board.prompts.map(prompt => ({
      promptId: prompt.id,
      roots: rootsOf(prompt),
      follower: followerOf(doc, prompt),
    }))
  }

  /** The pieces a transaction changed; to be asked once for every one, before the next. */
  changedBy(transaction: Y.Transaction): ChangedEntry[] {
    const touched = touchedParts(transaction)
    return this.followed.flatMap(({ promptId, roots, follower }) => {
      const parts = roots.flatMap(root => [...(touched.get(root) ?? [])])
      if (parts.length === 0) return []
      return follower.changed(new Set(parts)).map(([entryId, text]) => ({ promptId, entryId, text }))
    })
  }

  /** Ids of pieces that have to be put right after what `changedBy` was asked about. */
  mends(freshId: () => string): Mend[] {
    return this.followed.flatMap(({ follower }) => follower.mends?.(freshId) ?? [])
  }
}

/** Names of the document's root types that a transaction reached into, with what it touched: the root or parts right under it. */
function touchedParts(transaction: Y.Transaction): Map<string, Set<unknown>> {
  const byRoot = new Map<unknown, Set<unknown>>()
  for (const type of transaction.changed.keys()) {
    let part: Y.AbstractType<unknown> = type as Y.AbstractType<unknown>
    let root = part
    while (root.parent) {
      part = root
      root = root.parent as Y.AbstractType<unknown>
    }
    byRoot.set(root, (byRoot.get(root) ?? new Set()).add(part))
  }
  const names = new Map<string, Set<unknown>>()
  for (const [name, type] of transaction.doc.share) {
    const parts = byRoot.get(type)
    if (parts) names.set(name, parts)
  }
  return names
}
