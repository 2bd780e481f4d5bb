/**
 * Taking off a board what hurts, so that no browser has it any more, and giving it back. Not as whoever is in a room takes a card
 * away, who leaves it where it can be put back: what is taken here is out of the document, and only what this gives knows it.
 */
import * as Y from 'yjs'
import { z } from 'zod'
import { cardsOf } from './cards/document'
import { eachOf } from './each/document'
import { PIECE_ID } from './pieces'

/** What can be taken by itself, and how it reads. */
export interface Takeable {
  pieceId: string
  text: string
}

/** One place of a document in which a piece, or some of it, lies. */
export type Place =
  | { is: 'card'; cards: Y.Array<Y.Map<unknown>>; id: string }
  /** `gone` is left in its place, where the place must not be taken again. */
  | { is: 'entry'; map: Y.Map<unknown>; key: string; gone?: string }
  | { is: 'text'; text: Y.Text }
  | { is: 'lines'; at: LinesPlace }

/** Lines of a rich text that read as they were said to. */
export interface LinesPlace {
  /** Takes them out and gives what they said, each by itself. */
  take(): string[]
  /** Puts them at the end. */
  give(lines: readonly string[]): void
}

const plain = z.union([z.string(), z.number(), z.boolean(), z.record(z.string(), z.number())])
const keptCard = z.object({ id: z.string().regex(PIECE_ID), text: z.string() }).catchall(plain)

/** What was in each place, as JSON; null where nothing was. */
export type Kept = readonly unknown[]

/** Takes a piece out of all its places, and gives what to put back there. Call it in a transaction. */
export const takeFrom = (places: readonly Place[]): Kept => places.map(takeOne)

function takeOne(place: Place): unknown {
  switch (place.is) {
    case 'card': {
      const { cards, id } = place
      const at = cards.toArray().flatMap((card, index) => (isCalled(card, id) ? [index] : []))
      const [first] = at
      if (first === undefined) return null
      const kept: unknown = cards.get(first).toJSON()
      for (const index of at.toReversed()) cards.delete(index)
      return kept
    }
    case 'entry': {
      const { map, key, gone } = place
      const kept = map.get(key) ?? null
      if (kept === gone) return null
      if (gone !== undefined) map.set(key, gone)
      else map.delete(key)
      return kept
    }
    case 'text': {
      const kept = place.text.toString()
      place.text.delete(0, place.text.length)
      return kept || null
    }
    case 'lines':
      return place.at.take()
  }
}

/** Puts back what was taken, wherever nothing else has come meanwhile. Call it in a transaction. */
export function giveTo(places: readonly Place[], kept: Kept): void {
  for (const [index, place] of places.entries()) giveOne(place, kept[index] ?? null)
}

function giveOne(place: Place, kept: unknown): void {
  if (kept === null) return
  switch (place.is) {
    case 'card': {
      const read = keptCard.safeParse(kept)
      if (!read.success || place.cards.toArray().some(card => isCalled(card, place.id))) return
      const card = new Y.Map<unknown>()
      for (const [key, value] of Object.entries(read.data))
        card.set(key, key === 'text' ? new Y.Text(String(value)) : value)
      place.cards.push([card])
      return
    }
    case 'entry': {
      const { map, key, gone } = place
      if (!map.has(key) || map.get(key) === gone) map.set(key, kept)
      return
    }
    case 'text':
      if (typeof kept === 'string' && place.text.length === 0) place.text.insert(0, kept)
      return
    case 'lines': {
      const lines = z.array(z.string()).safeParse(kept)
      if (lines.success) place.at.give(lines.data)
    }
  }
}

const isCalled = (card: unknown, id: string): boolean => card instanceof Y.Map && card.get('id') === id

/** Where a card lies, whether somebody in the room took it away before or not. */
export const placesOfCard = (doc: Y.Doc, { id }: { id: string }, { pieceId }: Takeable): Place[] => [
  { is: 'card', cards: cardsOf(doc, id), id: pieceId },
]

/** Where what somebody answers for themselves lies. */
export const placesOfEach = (doc: Y.Doc, { id }: { id: string }, { pieceId }: Takeable): Place[] => [
  { is: 'entry', map: eachOf(doc, id), key: pieceId },
]
