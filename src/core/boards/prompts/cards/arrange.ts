/** Cards are moved between columns and up and down, and joined into heaps. */
import { generateNKeysBetween } from 'fractional-indexing'
import type * as Y from 'yjs'
import { cardMap, cardMaps, placeOf, readStanding } from './document'

/**
 * Moves a card into a column, before another card there or to its end; it leaves its heap when that is elsewhere. Cards before
 * it that had no place of their own get one, so that what others add meanwhile still comes last. O(cards).
 */
export function moveCard(
  doc: Y.Doc,
  promptId: string,
  id: string,
  column: number,
  beforeId: string | null,
): void {
  const known = cardMaps(doc, promptId)
  const moved = known.get(id)
  if (!moved || beforeId === id) return
  const others = readStanding(doc, promptId).filter(card => card.id !== id && (card.column ?? 0) === column)
  const found = others.findIndex(card => card.id === beforeId)
  const index = found < 0 ? others.length : found
  doc.transact(() => {
    if ((moved.get('column') ?? 0) !== column) {
      moved.set('column', column)
      moved.delete('heap')
    }
    const maps = others.flatMap(card => known.get(card.id) ?? [])
    const [before, after] = [maps.slice(0, index), maps.slice(index)]
    putBetween(before, moved, after)
  })
}

function putBetween(before: Y.Map<unknown>[], moved: Y.Map<unknown>, after: Y.Map<unknown>[]): void {
  const placed = before.filter(card => placeOf(card) !== null)
  const unplaced = [...before.slice(placed.length), moved]
  const low = placed.length > 0 ? placeOf(placed.at(-1)) : null
  const high = after[0] ? placeOf(after[0]) : null
  try {
    const keys = generateNKeysBetween(low, high, unplaced.length)
    for (const [index, card] of unplaced.entries()) card.set('at', keys[index])
  } catch {
    // Two stand at the very same place, or at one that is none: all of them are given places anew.
    const all = [...before, moved, ...after]
    const keys = generateNKeysBetween(null, null, all.length)
    for (const [index, card] of all.entries()) card.set('at', keys[index])
  }
}

/** Joins a card to another: both lie in one heap then, which `freshHeap` names when the other was in none. */
export function joinHeap(doc: Y.Doc, promptId: string, id: string, otherId: string, freshHeap: string): void {
  const [card, other] = [cardMap(doc, promptId, id), cardMap(doc, promptId, otherId)]
  if (!card || !other || card === other) return
  doc.transact(() => {
    const had = other.get('heap')
    const heap = typeof had === 'string' ? had : freshHeap
    if (had !== heap) other.set('heap', heap)
    card.set('heap', heap)
    card.set('column', other.get('column') ?? 0)
  })
}

export const leaveHeap = (doc: Y.Doc, promptId: string, id: string): void => {
  cardMap(doc, promptId, id)?.delete('heap')
}
