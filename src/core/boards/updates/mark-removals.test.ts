import * as Y from 'yjs'
import { addCard, removeCard } from '../prompts/cards/document'
import { markRemovals } from './mark-removals'

const clockOf = (doc: Y.Doc) => Y.getState(doc.store, doc.clientID)

test('taking text away moves the writer’s clock, in the same update', () => {
  const doc = new Y.Doc()
  const text = doc.getText('t')
  text.insert(0, 'reeds and rushes')
  const stop = markRemovals(doc)
  const updates: Uint8Array[] = []
  doc.on('update', update => updates.push(update))
  const before = clockOf(doc)
  text.delete(5, 4)
  expect(clockOf(doc)).toBe(before + 1)
  const [first] = updates.map(update => Y.decodeUpdate(update))
  expect([first?.structs.length, first?.ds.clients.size]).toEqual([1, 1])
  stop()
  text.delete(0, 5)
  expect(clockOf(doc)).toBe(before + 1)
})

test('what adds something, what others take away, and what changes nothing is not marked', () => {
  const [mine, theirs] = [new Y.Doc(), new Y.Doc()]
  markRemovals(mine)
  addCard(mine, 'c', 'x', 'reeds')
  const before = clockOf(mine)
  removeCard(mine, 'c', 'x')
  expect(clockOf(mine)).toBe(before + 1)
  Y.applyUpdate(theirs, Y.encodeStateAsUpdate(mine))
  theirs.getArray('cards:c').delete(0, 1)
  Y.applyUpdate(mine, Y.encodeStateAsUpdate(theirs))
  expect([clockOf(mine), mine.getArray('cards:c').length]).toEqual([before + 1, 0])
  mine.transact(() => undefined)
  expect(mine.getMap('removals').size).toBe(0)
})
