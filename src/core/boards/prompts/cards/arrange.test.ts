import * as Y from 'yjs'
import { joinHeap, leaveHeap, moveCard } from './arrange'
import { addCard, cardMap, readCards } from './document'
import { nameHeap, readHeaps, stacksOf } from './heaps'

function withCards(...texts: string[]) {
  const doc = new Y.Doc()
  for (const text of texts) addCard(doc, 'p', text, text)
  return doc
}
const order = (doc: Y.Doc, column = 0) =>
  readCards(doc, 'p')
    .filter(card => (card.column ?? 0) === column)
    .map(card => card.text)
    .join('')

test.each([
  ['d', 'a', 'dabc'],
  ['a', 'c', 'bacd'],
  ['a', null, 'bcda'],
  ['d', null, 'abcd'],
  ['b', 'b', 'abcd'],
  ['b', 'gone', 'acdb'],
  ['gone', 'a', 'abcd'],
])('%s before %s gives %s, and what is added after comes last', (moved, before, expected) => {
  const doc = withCards('a', 'b', 'c', 'd')
  moveCard(doc, 'p', moved, 0, before)
  expect(order(doc)).toBe(expected)
  addCard(doc, 'p', 'e', 'e')
  expect(order(doc)).toBe(`${expected}e`)
})

test('a card moved a hundred times between the same two is where it was put', () => {
  const doc = withCards('a', 'b', 'c')
  for (let time = 0; time < 100; time++) moveCard(doc, 'p', time % 2 ? 'b' : 'c', 0, time % 2 ? 'c' : 'b')
  expect(order(doc)).toBe('abc')
})

test('two who move at once both move, and places that are none are given anew', () => {
  const [ana, bo] = [withCards('a', 'b', 'c', 'd'), new Y.Doc()]
  Y.applyUpdate(bo, Y.encodeStateAsUpdate(ana))
  moveCard(ana, 'p', 'd', 0, 'a')
  moveCard(bo, 'p', 'c', 0, 'a')
  for (const [to, from] of [
    [ana, bo],
    [bo, ana],
  ] as const)
    Y.applyUpdate(to, Y.encodeStateAsUpdate(from))
  expect(order(ana)).toBe(order(bo))
  expect([...order(ana)].toSorted().join('')).toBe('abcd')
  moveCard(ana, 'p', 'b', 0, order(ana)[1] ?? null)
  expect(order(ana)[1]).toBe('b')
  for (const id of ['a', 'b', 'c', 'd']) cardMap(ana, 'p', id)?.set('at', 'a0')
  moveCard(ana, 'p', 'd', 0, 'b')
  expect(order(ana)).toBe('adbc')
})

test('a card changes its column, and leaves its heap there', () => {
  const doc = withCards('a', 'b', 'c')
  joinHeap(doc, 'p', 'a', 'b', 'h')
  moveCard(doc, 'p', 'a', 1, null)
  expect([order(doc), order(doc, 1)]).toEqual(['bc', 'a'])
  expect(readCards(doc, 'p').find(({ id }) => id === 'a')).toEqual({ id: 'a', text: 'a', column: 1 })
})

test('heaps: joined, in the column of the other, named, left; one card alone is none', () => {
  const doc = withCards('a', 'b', 'c')
  addCard(doc, 'p', 'd', 'd', 2)
  joinHeap(doc, 'p', 'a', 'd', 'h')
  joinHeap(doc, 'p', 'c', 'a', 'unused')
  nameHeap(doc, 'p', 'h', ' Water ')
  expect(readHeaps(doc, 'p')).toEqual(new Map([['h', 'Water']]))
  const stacks = () =>
    stacksOf(readCards(doc, 'p')).map(({ heap, cards }) => [heap, cards.map(({ id }) => id).join('')])
  expect(stacks()).toEqual([
    ['h', 'acd'],
    [null, 'b'],
  ])
  expect(order(doc, 2)).toBe('acd')
  leaveHeap(doc, 'p', 'a')
  leaveHeap(doc, 'p', 'c')
  expect(stacks().map(([heap]) => heap)).toEqual([null, null, null, null])
})
