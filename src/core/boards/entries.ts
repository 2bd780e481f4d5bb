import * as Y from 'yjs'
import type { Board, Prompt } from './board'
import type { Follower, Mend } from './prompts/kind'
import { followerOf, mayWrite, putBack, rootsOf } from './prompts/kinds'
import { isIn, touchedParts } from './touched'

/** A piece of a board that says something else than before: the empty text when it was taken away. */
export interface ChangedEntry {
  promptId: string
  entryId: string
  text: string
  /** The numbers of those who wrote in it, whoever made it first; nobody's when something was only taken away. */
  writers(): number[]
  /** Whether this is a piece that this person may write. */
  mayBeBy(participantId: string): boolean
  /** Brings it back to what it said before. */
  putBack(): void
}

interface Followed {
  prompt: Prompt
  roots: string[]
  follower: Follower
}

/** Follows the pieces of a board as its document changes, whatever the kinds of its prompts. */
export class BoardEntries {
  private readonly followed: readonly Followed[]
  /** Under which prompts each root type that was ever touched lies: asked for every edit. */
  private readonly under = new Map<string, readonly Followed[]>()

  constructor(
    private readonly doc: Y.Doc,
    board: Board,
  ) {
    this.followed = board.prompts.map(prompt => ({
      prompt,
      roots: rootsOf(prompt),
      follower: followerOf(doc, prompt),
    }))
  }

  /** The pieces a transaction changed; to be asked once for every one, before the next. */
  changedBy(transaction: Y.Transaction): ChangedEntry[] {
    const touched = new Map<Followed, [name: string, parts: Set<unknown>][]>()
    for (const part of touchedParts(transaction))
      for (const followed of this.promptsOver(part[0]))
        touched.set(followed, [...(touched.get(followed) ?? []), part])
    const written = new Written(transaction)
    return [...touched].flatMap(([{ prompt, follower }, inside]) => {
      const parts = new Set(inside.flatMap(([, touchedParts]) => [...touchedParts]))
      return follower.changed(parts).map(({ id, text, before, part, writer }) => ({
        promptId: prompt.id,
        entryId: id,
        text,
        writers: () =>
          writer === undefined
            ? written.in(part ? [part] : inside.map(([name]) => transaction.doc.share.get(name)))
            : [writer],
        mayBeBy: (participantId: string) => mayWrite(prompt, id, participantId),
        putBack: () => putBack(this.doc, prompt, id, before ?? ''),
      }))
    })
  }

  private promptsOver(name: string): readonly Followed[] {
    const known = this.under.get(name)
    if (known) return known
    const found = this.followed.filter(({ roots }) => roots.some(root => isIn(name, root)))
    this.under.set(name, found)
    return found
  }

  /** Ids of pieces that have to be put right after what `changedBy` was asked about. */
  mends(freshId: () => string): Mend[] {
    return this.followed.flatMap(({ follower }) => follower.mends?.(freshId) ?? [])
  }
}

/** The numbers of those whose pieces a transaction brought. */
export function writersIn({ beforeState, afterState }: Y.Transaction): number[] {
  return [...afterState.keys()].filter(
    client => (afterState.get(client) ?? 0) > (beforeState.get(client) ?? 0),
  )
}

/** Whose pieces a transaction brought, by the parts they lie in; looked up only when it is asked for. */
class Written {
  private found: { makers: Map<unknown, number>; writers: Map<unknown, Set<number>> } | undefined

  constructor(private readonly transaction: Y.Transaction) {}

  in(parts: readonly unknown[]): number[] {
    this.found ??= this.find()
    const { makers, writers } = this.found
    return [
      ...new Set(
        parts.flatMap(part => [
          ...(makers.has(part) ? [makers.get(part) as number] : []),
          ...(writers.get(part) ?? []),
        ]),
      ),
    ]
  }

  private find() {
    const makers = new Map<unknown, number>()
    const writers = new Map<unknown, Set<number>>()
    const { doc, beforeState } = this.transaction
    for (const client of writersIn(this.transaction)) {
      const from = beforeState.get(client) ?? 0
      const structs = doc.store.clients.get(client) ?? []
      for (let index = structs.length - 1; index >= 0; index--) {
        const struct = structs[index] as Y.Item | Y.GC
        if (struct.id.clock + struct.length <= from) break
        if (!(struct instanceof Y.Item)) continue
        if (struct.content instanceof Y.ContentType) makers.set(struct.content.type, client)
        let at = struct.parent as Y.AbstractType<unknown> | null
        while (at) {
          writers.set(at, (writers.get(at) ?? new Set()).add(client))
          at = at.parent as Y.AbstractType<unknown> | null
        }
      }
    }
    return { makers, writers }
  }
}
