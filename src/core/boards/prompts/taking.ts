/**
 * Taking off a board what hurts, so that no browser has it any more, and giving it back. Not as whoever is in a room takes a card
 * away, who leaves it where it can be put back: what is taken here is out of the document, and only what this gives knows it.
 */
import * as Y from 'yjs'
import { z } from 'zod'
import { cardsOf } from './cards/document'
import { eachOf } from './each/document'
import { PIECE_ID } from './pieces'
import type { Place, Takeable } from './place'

const plain = z.union([z.string(), z.number(), z.boolean(), z.record(z.string(), z.number())])
const keptCard = z.object({ id: z.string().regex(PIECE_ID), text: z.string() }).catchall(plain)

/** What was in each place, as JSON; null where nothing was. */
export type Kept = readonly unknown[]

/** What is in the places of a piece, to be given back there. */
export const keptOf = (places: readonly Place[]): Kept => places.map(keptIn)

function keptIn(place: Place): unknown {
  switch (place.is) {
    case 'card':
      return (
        place.cards
          .toArray()
          .find(card => isCalled(card, place.id))
          ?.toJSON() ?? null
      )
    case 'entry': {
      const kept = place.map.get(place.key) ?? null
      return kept === place.gone ? null : kept
    }
    case 'text':
      return place.text.toString() || null
    case 'lines': {
      const said = place.at.read()
      return said.length > 0 ? said : null
    }
  }
}

/** Takes a piece out of all its places. Call it in a transaction. */
export function takeFrom(places: readonly Place[]): void {
  for (const place of places) if (keptIn(place) !== null) takeOut(place)
}

function takeOut(place: Place): void {
  switch (place.is) {
    case 'card': {
      const { cards, id } = place
      const called = cards.toArray().flatMap((card, index) => (isCalled(card, id) ? [index] : []))
      for (const index of called.toReversed()) cards.delete(index)
      return
    }
    case 'entry':
      if (place.gone !== undefined) place.map.set(place.key, place.gone)
      else place.map.delete(place.key)
      return
    case 'text':
      place.text.delete(0, place.text.length)
      return
    case 'lines':
      place.at.take()
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
