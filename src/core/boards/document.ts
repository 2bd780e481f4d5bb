/**
 * How a board copy lies in its shared document. Every prompt has root types of its own, named by its id, because
 * root types made by two writers at once merge, while nested ones made at once would overwrite each other.
 *
 * - cards: an array of maps `{ id, text }`, where text is a shared text; `removed: true` on one that was taken away, which
 *   stays so that it can be put back
 * - sheet: an XML fragment, the form the text editor works on
 * - yes-no: a map with `answer`, and a shared text for the reason
 */
import * as Y from 'yjs'
import type { Board, Prompt } from './board'

export type YesNo = 'yes' | 'no'

export interface Card {
  id: string
  text: string
}

export type Answer =
  | { promptId: string; kind: 'cards'; cards: Card[] }
  | { promptId: string; kind: 'sheet'; text: string }
  | { promptId: string; kind: 'yes-no'; answer: YesNo | null; reason: string }

export const cardsOf = (doc: Y.Doc, promptId: string): Y.Array<Y.Map<unknown>> =>
  doc.getArray(`cards:${promptId}`)
export const sheetName = (promptId: string): string => `sheet:${promptId}`
export const sheetOf = (doc: Y.Doc, promptId: string): Y.XmlFragment =>
  doc.getXmlFragment(sheetName(promptId))
export const answerOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(`answer:${promptId}`)
export const reasonOf = (doc: Y.Doc, promptId: string): Y.Text => doc.getText(`reason:${promptId}`)

/** Adds a card at the end. `id` must be new in the document. */
export function addCard(doc: Y.Doc, promptId: string, id: string, text: string): void {
  const card = new Y.Map<unknown>()
  card.set('id', id)
  card.set('text', new Y.Text(text))
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

const cardMap = (doc: Y.Doc, promptId: string, id: string): Y.Map<unknown> | undefined =>
  cardsOf(doc, promptId)
    .toArray()
    .find(candidate => isMap(candidate) && candidate.get('id') === id)

/** The cards under a prompt that were taken away and can be put back; those that said nothing are left out. */
export function removedCards(doc: Y.Doc, promptId: string): Card[] {
  return cardsOf(doc, promptId)
    .toArray()
    .filter(isRemoved)
    .flatMap(cardIn)
    .filter(card => card.text.trim() !== '')
}

/**
 * Reads what stands in a copy under one prompt. The document comes from writers who are not trusted: whatever does
 * not have the expected shape is left out. O(size of the prompt's content).
 */
export function readAnswer(doc: Y.Doc, prompt: Prompt): Answer {
  const promptId = prompt.id
  switch (prompt.kind) {
    case 'cards':
      return { promptId, kind: 'cards', cards: cardsOf(doc, promptId).toArray().flatMap(readCard) }
    case 'sheet':
      return { promptId, kind: 'sheet', text: fragmentText(sheetOf(doc, promptId)) }
    case 'yes-no': {
      const answer = answerOf(doc, promptId).get('answer')
      const reason = reasonOf(doc, promptId).toString()
      return { promptId, kind: 'yes-no', answer: answer === 'yes' || answer === 'no' ? answer : null, reason }
    }
  }
}

/** All answers of a copy, in the order of the board's prompts. */
export const readAnswers = (doc: Y.Doc, board: Board): Answer[] =>
  board.prompts.map(prompt => readAnswer(doc, prompt))

/** The pieces of an answer that have authors of their own: each card, or the answer as a whole. */
export function entriesOf(answer: Answer): Map<string, string> {
  if (answer.kind === 'cards') return new Map(answer.cards.map(card => [card.id, card.text]))
  const text = answer.kind === 'sheet' ? answer.text : yesNoText(answer)
  return text ? new Map([[WHOLE_ANSWER, text]]) : new Map()
}

/** The entry id of an answer that is one piece. */
export const WHOLE_ANSWER = 'whole'

/** Whether anything stands under the prompt. */
export const isAnswered = (answer: Answer): boolean => entriesOf(answer).size > 0

/** A yes/no answer in one line: `Yes: because`, `No`, or the reason alone while nothing is chosen. */
export function yesNoText(answer: { answer: YesNo | null; reason: string }): string {
  const word = answer.answer === 'yes' ? 'Yes' : answer.answer === 'no' ? 'No' : ''
  return [word, answer.reason.trim()].filter(Boolean).join(': ')
}

/**
 * Plain text of a rich text: a line for each paragraph, `- ` before the points of a list.
 * Elements it does not know give their text.
 */
export function fragmentText(fragment: Y.XmlFragment): string {
  return fragment
    .toArray()
    .map(node => blockText(node, ''))
    .filter(line => line.trim() !== '')
    .join('\n')
}

function blockText(node: unknown, prefix: string): string {
  if (node instanceof Y.XmlText) return prefix + inlineText(node)
  if (!(node instanceof Y.XmlElement)) return ''
  const children = node.toArray()
  if (node.nodeName === 'hardBreak') return '\n'
  const isList = node.nodeName === 'bulletList' || node.nodeName === 'orderedList'
  const isItem = node.nodeName === 'listItem'
  const separator = isList || isItem || node.nodeName === 'blockquote' ? '\n' : ''
  const inner = children.map(child => blockText(child, '')).join(separator)
  return isItem ? `${prefix}- ${inner}` : prefix + inner
}

function inlineText(text: Y.XmlText): string {
  const pieces = text.toDelta() as { insert: unknown }[]
  return pieces.map(piece => (typeof piece.insert === 'string' ? piece.insert : '')).join('')
}

/** A card as it stands in the list; nothing when it was taken away, or does not have the shape of one. */
export const readCard = (card: unknown): Card[] => (isRemoved(card) ? [] : cardIn(card))

const isRemoved = (card: unknown): boolean => isMap(card) && card.get('removed') === true

function cardIn(card: unknown): Card[] {
  if (!isMap(card)) return []
  const id = card.get('id')
  const text = card.get('text')
  if (typeof id !== 'string' || !(text instanceof Y.Text)) return []
  return [{ id, text: text.toString() }]
}

const isMap = (value: unknown): value is Y.Map<unknown> => value instanceof Y.Map
