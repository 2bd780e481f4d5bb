import * as Y from 'yjs'
import { addCard, cardsOf, readCards, removeCard } from './document'
import { CardsFollower } from './follow-cards'

/** A board at the server: ids that are wrong are put right after every change, as the server does it. */
function mended(doc = new Y.Doc()) {
  const follower = new CardsFollower(doc, 'p')
  let fresh = 0
  doc.on('update', (_update: Uint8Array, _origin: unknown, _doc: Y.Doc, change: Y.Transaction) => {
    follower.changed(new Set<unknown>([...change.changed.keys()]))
    for (const { piece, id } of follower.mends(() => `fresh-${fresh++}`)) piece.set('id', id)
  })
  return doc
}

const ids = (doc: Y.Doc) => readCards(doc, 'p').map(card => card.id)

test('a card whose id is taken gets another one, also when the first was taken away', () => {
  const doc = mended()
  addCard(doc, 'p', 'a', 'one')
  addCard(doc, 'p', 'a', 'two')
  expect(readCards(doc, 'p')).toEqual([
    { id: 'a', text: 'one' },
    { id: 'fresh-0', text: 'two' },
  ])
  removeCard(doc, 'p', 'a')
  addCard(doc, 'p', 'a', 'three')
  expect(ids(doc)).toEqual(['fresh-0', 'fresh-1'])
})

test.each(['', ' ', 'x'.repeat(41), 'a b', 'a/b', '<i>', 'ä'])('%j is no id', id => {
  const doc = mended()
  addCard(doc, 'p', id, 'text')
  expect(ids(doc)).toEqual(['fresh-0'])
})

test('an id that is no text, or was taken off, is put right as well', () => {
  const doc = mended()
  addCard(doc, 'p', 'a', 'one')
  cardsOf(doc, 'p').get(0).set('id', 7)
  expect(ids(doc)).toEqual(['a'])
  cardsOf(doc, 'p').get(0).delete('id')
  expect(ids(doc)).toEqual(['a'])
})

test('a card keeps its id, and cannot take another one’s', () => {
  const doc = mended()
  addCard(doc, 'p', 'a', 'one')
  addCard(doc, 'p', 'b', 'two')
  cardsOf(doc, 'p').get(1).set('id', 'a')
  expect(ids(doc)).toEqual(['a', 'b'])
  cardsOf(doc, 'p').get(1).set('id', 'c')
  expect(ids(doc)).toEqual(['a', 'b'])
})

test('the id of a card that is gone for good can be had again', () => {
  const doc = mended()
  addCard(doc, 'p', 'a', 'one')
  cardsOf(doc, 'p').delete(0)
  addCard(doc, 'p', 'a', 'two')
  expect(ids(doc)).toEqual(['a'])
})

test('ids that an earlier version let in stay as they were', () => {
  const doc = new Y.Doc()
  addCard(doc, 'p', 'a', 'one')
  addCard(doc, 'p', 'a', 'two')
  mended(doc)
  addCard(doc, 'p', 'b', 'three')
  expect(ids(doc)).toEqual(['a', 'a', 'b'])
})
