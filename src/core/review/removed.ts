import type * as Y from 'yjs'
import type { Board } from '../boards/board'
import { KINDS, removedUnder } from '../boards/prompts/kinds'

/** A piece of work that was taken off a board: what it said, and who took it away where that is known. */
export interface RemovedPiece {
  promptId: string
  text: string
  /** Participant id. */
  removedBy: string | null
}

/** What somebody did to a piece in one half minute; the empty text when they took it away. */
interface Written {
  promptId: string
  entryId: string
  participantId: string
  text: string
}

/**
 * Everything that was taken off a board: what its document still holds as removed, and what only the record of who wrote
 * what still knows, because a browser deleted it outright. `written` is in the order of time. O(pieces + records).
 */
export function removedPieces(doc: Y.Doc, board: Board, written: readonly Written[]): RemovedPiece[] {
  const known = new Map<string, { said: string; gone: boolean; by: string }>()
  for (const one of written) {
    const key = `${one.promptId}/${one.entryId}`
    const gone = one.text.trim() === ''
    known.set(key, { said: gone ? (known.get(key)?.said ?? '') : one.text, gone, by: one.participantId })
  }
  return board.prompts.flatMap(prompt => {
    // A kind whose answer is one piece has nothing that could be taken away from it.
    if (!('removed' in KINDS[prompt.kind])) return []
    const inDocument = removedUnder(doc, prompt).map(piece => ({
      key: `${prompt.id}/${piece.id}`,
      text: piece.text,
    }))
    const held = new Set(inDocument.map(({ key }) => key))
    const deleted = [...known]
      .filter(([key, { said, gone }]) => key.startsWith(`${prompt.id}/`) && gone && said && !held.has(key))
      .map(([key, { said }]) => ({ key, text: said }))
    return [...inDocument, ...deleted].map(({ key, text }) => {
      const last = known.get(key)
      return { promptId: prompt.id, text, removedBy: last?.gone ? last.by : null }
    })
  })
}
