/**
 * What each person answers for themselves lies in a map by participant id, each answer one plain value: nobody else has a hand
 * in it. The server puts back what somebody writes under another's id.
 */
import type * as Y from 'yjs'
import type { z } from 'zod'
import type { ChangedPiece, Follower } from '../kind'
import { differences, PIECE_ID } from '../pieces'

export const eachName = (promptId: string): string => `each:${promptId}`
export const eachOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(eachName(promptId))

/** Most answers that are read. */
const MOST_ANSWERS = 1_000

/** The answers that have the shape of one, by participant id in its order, which is the same in every browser. */
export function readEach<Value>(doc: Y.Doc, promptId: string, shape: z.ZodType<Value>): [string, Value][] {
  return [...eachOf(doc, promptId).entries()]
    .filter(([id]) => PIECE_ID.test(id))
    .sort(([one], [other]) => (one < other ? -1 : 1))
    .slice(0, MOST_ANSWERS)
    .flatMap(([id, kept]): [string, Value][] => {
      const read = shape.safeParse(kept)
      return read.success ? [[id, read.data]] : []
    })
}

/** Follows such answers: whose each is is known from the number it was written under. */
export function followEach(doc: Y.Doc, promptId: string, read: () => Map<string, string>): Follower {
  let texts = read()
  return {
    changed() {
      const before = texts
      texts = read()
      return differences(before, texts).map((piece): ChangedPiece => {
        // Yjs keeps the last entry of each key here, also one that was taken away: that says nothing of who did.
        const entry = eachOf(doc, promptId)._map.get(piece.id)
        return entry && !entry.deleted ? { ...piece, writer: entry.id.client } : piece
      })
    },
  }
}
