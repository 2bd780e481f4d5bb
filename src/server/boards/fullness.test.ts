import * as Y from 'yjs'
import { moveClock } from '../clock.server'
import { Fullness } from './fullness.server'

const MEASURED_AT_MOST_EVERY_MS = 2_000

/** A document, and how full it is; what is written in it is told of as on a board. */
function document(characters = 0) {
  const doc = new Y.Doc()
  const text = doc.getText('t')
  if (characters > 0) text.insert(0, 'x'.repeat(characters))
  const fullness = new Fullness(doc)
  doc.on('update', (update: Uint8Array) => fullness.grew(update.byteLength))
  return { text, fullness }
}

test('an empty board has room for all that one holds, and for no more', () => {
  const { fullness } = document()
  expect([fullness.full, fullness.isNear(), fullness.turned()]).toEqual([false, false, false])
  expect([fullness.hasRoom(3_999_000), fullness.hasRoom(4_000_001)]).toEqual([true, false])
})

test('one that is nearly full is said to be so once, and takes what is on its way; with room again, that is said once', () => {
  const { text, fullness } = document(3_400_000)
  expect([fullness.full, fullness.isNear()]).toEqual([false, false])
  text.insert(0, 'y'.repeat(150_000))
  expect(fullness.isNear()).toBe(true)
  expect([fullness.turned(), fullness.full, fullness.turned()]).toEqual([true, true, false])
  expect([fullness.hasRoom(100_000), fullness.hasRoom(500_000)]).toEqual([true, false])
  text.delete(0, 1_000_000)
  // It was measured just now: that reads all of it, so it waits.
  expect([fullness.isNear(), fullness.turned()]).toEqual([true, false])
  moveClock(MEASURED_AT_MOST_EVERY_MS + 1)
  expect(fullness.isNear()).toBe(true)
  expect([fullness.turned(), fullness.full]).toEqual([true, false])
})

test('a board as large as can be takes what is small, so that something can be taken away', () => {
  const { fullness } = document(4_050_000)
  expect([fullness.full, fullness.hasRoom(2_001), fullness.hasRoom(2_000)]).toEqual([true, false, true])
})

test('what counted twice, being written over, is no less room once it is measured', () => {
  const { text, fullness } = document(1_000_000)
  for (let turn = 0; turn < 4; turn++) {
    text.delete(0, 900_000)
    text.insert(0, 'z'.repeat(900_000))
  }
  expect(fullness.hasRoom(1_000_000)).toBe(true)
})

test('where something had no room the board is full, whatever it measures, until something is taken away', () => {
  const { text, fullness } = document(3_000_000)
  expect(fullness.hasRoom(1_500_000)).toBe(false)
  fullness.refused()
  expect([fullness.turned(), fullness.full]).toEqual([true, true])
  text.delete(0, 200_000)
  moveClock(MEASURED_AT_MOST_EVERY_MS + 1)
  expect([fullness.isNear(), fullness.turned(), fullness.full]).toEqual([true, true, false])
})
