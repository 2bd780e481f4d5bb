/** Remarks on a file lie as cards do; `spot` is the page a remark is about, from 1, or the second of a sound or video. */
import type * as Y from 'yjs'
import { type Card, cardMap, readCards } from '../cards/document'

export interface FileRemark extends Card {
  /** Null for one on the whole. */
  spot: number | null
}

/** A day, in seconds; no file has more pages. */
const LARGEST_SPOT = 86_400

export const readFileRemarks = (doc: Y.Doc, promptId: string): FileRemark[] =>
  readCards(doc, promptId).map(card => ({ ...card, spot: spotOf(doc, promptId, card.id) }))

function spotOf(doc: Y.Doc, promptId: string, id: string): number | null {
  const spot = cardMap(doc, promptId, id)?.get('spot')
  return typeof spot === 'number' && Number.isInteger(spot) && spot >= 0 && spot <= LARGEST_SPOT ? spot : null
}

/** Says which page or second a remark is about. */
export function setSpot(doc: Y.Doc, promptId: string, id: string, spot: number): void {
  cardMap(doc, promptId, id)?.set('spot', Math.max(0, Math.min(LARGEST_SPOT, Math.floor(spot))))
}

/** A page or moment in words: `page 3`, `1:05`, `1:00:05`. */
export function spotText(is: 'pdf' | 'sound' | 'video' | null, spot: number): string {
  if (is === 'pdf') return `page ${spot}`
  const two = (value: number) => String(value).padStart(2, '0')
  const [hours, minutes, seconds] = [Math.floor(spot / 3_600), Math.floor(spot / 60) % 60, spot % 60]
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds)}` : `${minutes}:${two(seconds)}`
}
