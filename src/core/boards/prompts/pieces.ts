import type { ChangedPiece, Follower } from './kind'

/** What an id may look like: those of this program and of browsers (RFC 9562) do. */
export const PIECE_ID = /^[\w-]{1,40}$/

/** The id of an answer that is one piece. */
export const WHOLE_ANSWER = 'whole'

/** The pieces of an answer that is one: none while it says nothing. */
export const wholePiece = (text: string): Map<string, string> => new Map(text ? [[WHOLE_ANSWER, text]] : [])

/**
 * A follower for kinds of few pieces: all of them are read each time. `partOf` gives the part of the document a piece lies in,
 * for kinds whose pieces lie apart, so that who wrote one is not taken for the writer of another.
 */
export function readingAll(read: () => Map<string, string>, partOf?: (pieceId: string) => unknown): Follower {
  let texts = read()
  return {
    changed() {
      const before = texts
      texts = read()
      const changed = differences(before, texts)
      return partOf ? changed.map(piece => ({ ...piece, part: partOf(piece.id) })) : changed
    },
  }
}

/** What is different now: texts that are new or changed, and the empty text for those that are gone. */
export function differences(
  before: ReadonlyMap<string, string>,
  after: ReadonlyMap<string, string>,
): ChangedPiece[] {
  const changed = [...after].filter(([id, text]) => before.get(id) !== text)
  const gone = [...before.keys()].filter(id => !after.has(id)).map((id): [string, string] => [id, ''])
  return [...changed, ...gone].map(([id, text]) => ({ id, text, before: before.get(id) ?? '' }))
}
