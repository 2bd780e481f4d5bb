/** Heaps that cards are joined into, with their names. */
import type * as Y from 'yjs'
import type { StandingCard } from './document'

export const heapsName = (promptId: string): string => `heaps:${promptId}`
export const heapsOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(heapsName(promptId))

const LONGEST_NAME = 80

/** Names of heaps by their ids, those that have one. */
export function readHeaps(doc: Y.Doc, promptId: string): Map<string, string> {
  const named = [...heapsOf(doc, promptId).entries()].flatMap(([id, name]): [string, string][] =>
    typeof name === 'string' && name.trim() ? [[id, name.trim().slice(0, LONGEST_NAME)]] : [],
  )
  return new Map(named)
}

export const nameHeap = (doc: Y.Doc, promptId: string, heap: string, name: string): void => {
  heapsOf(doc, promptId).set(heap, name.slice(0, LONGEST_NAME))
}

/** Cards of a column as they are shown: by themselves, or the cards of a heap together where its first one stands. */
export interface Stack<Placed> {
  heap: string | null
  cards: Placed[]
}

/** A heap of one card is none. O(cards). */
export function stacksOf<Placed extends Pick<StandingCard, 'heap'>>(
  cards: readonly Placed[],
): Stack<Placed>[] {
  const sizes = new Map<string, number>()
  for (const { heap } of cards) if (heap) sizes.set(heap, (sizes.get(heap) ?? 0) + 1)
  const byHeap = new Map<string, Stack<Placed>>()
  const stacks: Stack<Placed>[] = []
  for (const card of cards) {
    const heap = card.heap && (sizes.get(card.heap) ?? 0) > 1 ? card.heap : null
    const stack = heap === null ? undefined : byHeap.get(heap)
    if (stack) {
      stack.cards.push(card)
      continue
    }
    const made: Stack<Placed> = { heap, cards: [card] }
    stacks.push(made)
    if (heap !== null) byHeap.set(heap, made)
  }
  return stacks
}
