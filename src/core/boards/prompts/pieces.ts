import type * as Y from 'yjs'
import type { ChangedPiece, Follower } from './kind'

/** The id of an answer that is one piece. */
export const WHOLE_ANSWER = 'whole'

/** The pieces of an answer that is one: none while it says nothing. */
export const wholePiece = (text: string): Map<string, string> => new Map(text ? [[WHOLE_ANSWER, text]] : [])

/** A follower for kinds of few pieces: all of them are read each time. */
export function readingAll(doc: Y.Doc, read: (doc: Y.Doc) => Map<string, string>): Follower {
  let texts = read(doc)
  return {
    changed() {
      const before = texts
      texts = read(doc)
      return differences(before, texts)
    },
  }
}

/** What is different now: texts that are new or changed, and the empty text for those that are gone. */
export function differences(
  before: ReadonlyMap<string, string>,
  after: ReadonlyMap<string, string>,
): ChangedPiece[] {
  const changed = [...after].filter(([id, text]) => before.get(id) !== text)
  const gone = [...before.keys()].filter(id => !after.has(id)).map((id): ChangedPiece => [id, ''])
  return [...changed, ...gone]
}
