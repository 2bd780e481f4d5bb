import * as Y from 'yjs'
import { addCard, readCards, removeCard } from '../prompts/cards/document'
import { markRemovals } from './mark-removals'
import { unsent } from './unsent'

const docWith = (number: number) => {
  const doc = new Y.Doc()
  doc.clientID = number
  return doc
}
const clock = (doc: Y.Doc, number: number) => Y.getState(doc.store, number)
const texts = (doc: Y.Doc) => readCards(doc, 'c').map(({ text }) => text)

test('nothing written, nothing new, and numbers nobody wrote under: nothing is unsent', () => {
  const doc = docWith(5000)
  expect(unsent(doc, new Map())).toBeNull()
  expect(unsent(doc, new Map([[5000, 0]]))).toBeNull()
  addCard(doc, 'c', 'one', 'herons')
  expect(unsent(doc, new Map([[5000, clock(doc, 5000)]]))).toBeNull()
  // Another's pieces are the other's to send.
  expect(unsent(doc, new Map([[6000, 0]]))).toBeNull()
})

test('what the server lacks is all it needs, of one page or of several that were opened one after the other', () => {
  const doc = docWith(5000)
  addCard(doc, 'c', 'one', 'herons')
  const server = new Y.Doc()
  Y.applyUpdate(server, Y.encodeStateAsUpdate(doc))
  const storedTo = new Map([[5000, clock(doc, 5000)]])
  addCard(doc, 'c', 'two', 'reeds')
  // Opened again without a line: another number.
  doc.clientID = 7000
  storedTo.set(7000, 0)
  addCard(doc, 'c', 'three', 'mud')
  const missing = unsent(doc, storedTo) as Uint8Array
  Y.applyUpdate(server, missing)
  expect(texts(server)).toEqual(texts(doc))
  expect(server.store.pendingStructs).toBeNull()
  const whole = Y.encodeStateAsUpdate(doc)
  expect(missing.byteLength).toBeLessThan(whole.byteLength)
})

test('what was only taken away is unsent too', () => {
  const doc = docWith(5000)
  markRemovals(doc)
  addCard(doc, 'c', 'one', 'herons')
  const server = new Y.Doc()
  Y.applyUpdate(server, Y.encodeStateAsUpdate(doc))
  const storedTo = new Map([[5000, clock(doc, 5000)]])
  removeCard(doc, 'c', 'one')
  Y.applyUpdate(server, unsent(doc, storedTo) as Uint8Array)
  expect(texts(server)).toEqual([])
})
