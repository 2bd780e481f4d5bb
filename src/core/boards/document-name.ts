/**
 * Names of documents: a room's copy of a board, and beside it what one person wrote under a prompt while that was hidden from the
 * others.
 */
export interface DocumentName {
  copyId: string
  own: { promptId: string; participantId: string } | null
}

/** Of copies' and participants' ids, which are ours, and an id of a prompt, of which there may be any. */
const SHAPE = /^([^/]+)(?:\/([^/]+)\/(.+))?$/s
/** No name is longer, in characters. */
export const LONGEST_DOCUMENT_NAME = 128

export const documentName = ({ copyId, own }: DocumentName): string =>
  own === null ? copyId : `${copyId}/${own.participantId}/${own.promptId}`

/** Null for what is no name of a document. */
export function readDocumentName(name: string): DocumentName | null {
  const [, copyId, participantId, promptId] = SHAPE.exec(name) ?? []
  if (copyId === undefined) return null
  return { copyId, own: participantId && promptId ? { promptId, participantId } : null }
}
