/**
 * Cards lie in an array of maps `{ id, text }`, where text is a shared text; `removed: true` on one that was taken away, which
 * stays so that it can be put back. `column` is the place of the column it stands in, `at` where it stands among the others
 * (a fractional index; those without one come after, as they were added), `heap` the heap it was joined to. Heaps have their
 * names in a map of their own. Lines of checklists, words and remarks are kept like cards. Root types are named by the prompt, because those made by two writers at once merge,
 * while nested ones made at once would overwrite each other.
 */
import * as Y from 'yjs'
import { PIECE_ID } from '../pieces'

export interface Card {
  id: string
  text: string
  column?: number
  heap?: string
}

/** A card with its shared text instead of what it says. */
export interface StandingCard extends Omit<Card, 'text'> {
  text: Y.Text
}

/** Whether a card was begun under a writer's number: so much is known before anybody has said whose it is. */
export const isBegunUnder = ({ text }: StandingCard, writer: number): boolean =>
  text._item?.id.client === writer

export const cardsName = (promptId: string): string => `cards:${promptId}`
export const cardsOf = (doc: Y.Doc, promptId: string): Y.Array<Y.Map<unknown>> =>
  doc.getArray(cardsName(promptId))

/** Adds a card at the end. `id` must be new in the document. */
export function addCard(doc: Y.Doc, promptId: string, id: string, text: string, column = 0): void {
  const card = new Y.Map<unknown>()
  card.set('id', id)
  card.set('text', new Y.Text(text))
  if (column > 0) card.set('column', column)
  cardsOf(doc, promptId).push([card])
}

/** Takes a card away, so that it can be put back; does nothing when it is already gone. */
export function removeCard(doc: Y.Doc, promptId: string, id: string): void {
  const card = cardMap(doc, promptId, id)
  if (card && card.get('removed') !== true) card.set('removed', true)
}

/** Puts a card that was taken away back where it was; does nothing when it is there. */
export function putCardBack(doc: Y.Doc, promptId: string, id: string): void {
  cardMap(doc, promptId, id)?.delete('removed')
}

/** The shared text of a card, also of one that was taken away; undefined when there is no such card. */
export function cardText(doc: Y.Doc, promptId: string, id: string): Y.Text | undefined {
  const text = cardMap(doc, promptId, id)?.get('text')
  return text instanceof Y.Text ? text : undefined
}

export const cardMap = (doc: Y.Doc, promptId: string, id: string): Y.Map<unknown> | undefined =>
  cardsOf(doc, promptId)
    .toArray()
    .find(candidate => isMap(candidate) && candidate.get('id') === id)

/** All cards by their ids, also those that were taken away; the first of those that call themselves the same. O(cards). */
export function cardMaps(doc: Y.Doc, promptId: string): Map<string, Y.Map<unknown>> {
  const maps = new Map<string, Y.Map<unknown>>()
  for (const card of cardsOf(doc, promptId)) {
    const id = isMap(card) ? card.get('id') : undefined
    if (isMap(card) && typeof id === 'string' && !maps.has(id)) maps.set(id, card)
  }
  return maps
}

/** The cards under a prompt as they stand there, in order. */
export const readCards = (doc: Y.Doc, promptId: string): Card[] =>
  inOrder(cardsOf(doc, promptId).toArray()).flatMap(readCard)

/** The same, each with its shared text. */
export const readStanding = (doc: Y.Doc, promptId: string): StandingCard[] =>
  inOrder(cardsOf(doc, promptId).toArray()).flatMap(card => (isRemoved(card) ? [] : standingIn(card)))

/**
 * Maps of cards as they are shown: those with a place of their own by it, then the others as they were added. `atOf` says what
 * place each has.
 */
export function inOrder(cards: readonly unknown[], atOf = placeOf): readonly unknown[] {
  if (!cards.some(card => atOf(card) !== null)) return cards
  return cards.toSorted((one, other) => {
    const [at, otherAt] = [atOf(one), atOf(other)]
    if (at === otherAt) return 0
    if (at === null || otherAt === null) return at === null ? 1 : -1
    return at < otherAt ? -1 : 1
  })
}

/** Where a card stands among the others, a fractional index; null for one that was never moved. */
export function placeOf(card: unknown): string | null {
  const at = isMap(card) ? card.get('at') : null
  return typeof at === 'string' && /^[0-9A-Za-z]{1,80}$/.test(at) ? at : null
}

/** The cards under a prompt that were taken away and can be put back; those that said nothing are left out. */
export const removedCards = (doc: Y.Doc, promptId: string): Card[] =>
  cardsOf(doc, promptId)
    .toArray()
    .filter(isRemoved)
    .flatMap(cardIn)
    .filter(card => card.text.trim() !== '')

/** A card as it stands in the list; nothing when it was taken away, or does not have the shape of one. */
export const readCard = (card: unknown): Card[] => (isRemoved(card) ? [] : cardIn(card))

export const isRemoved = (card: unknown): boolean => isMap(card) && card.get('removed') === true

const cardIn = (card: unknown): Card[] =>
  standingIn(card).map(({ text, ...standing }) => ({ ...standing, text: text.toString() }))

/** The same with its shared text, whether it was taken away or not; nothing when it does not have the shape of a card. */
export function standingIn(card: unknown): StandingCard[] {
  if (!isMap(card)) return []
  const id = card.get('id')
  const text = card.get('text')
  if (typeof id !== 'string' || !(text instanceof Y.Text)) return []
  const column = card.get('column')
  const heap = card.get('heap')
  return [
    {
      id,
      text,
      ...(typeof column === 'number' && Number.isInteger(column) && column > 0 && { column }),
      ...(typeof heap === 'string' && PIECE_ID.test(heap) && { heap }),
    },
  ]
}

const isMap = (value: unknown): value is Y.Map<unknown> => value instanceof Y.Map
