import { expect, test } from '@jest/globals'
import * as Y from 'yjs'
import { removeCard } from '../cards/document'
import { promptSchema } from '../kinds'
import { addRow, cellOf } from './document'
import { table } from './table'

const prompt = promptSchema.parse({
  id: 't',
  kind: 'table',
  text: 'What did you find?',
  settings: { rows: 'added', columns: 'Found\nWhere' },
}) as Parameters<typeof table.read>[1]

/** Two who write on one board, and have what the other has. */
function two() {
  const [one, other] = [new Y.Doc(), new Y.Doc()]
  const meet = () => {
    Y.applyUpdate(one, Y.encodeStateAsUpdate(other))
    Y.applyUpdate(other, Y.encodeStateAsUpdate(one))
  }
  return { one, other, meet }
}

const cells = (doc: Y.Doc) => table.read(doc, prompt).rows.map(row => row.cells)

test('an empty row that is taken away is gone, and the others stay where they were', () => {
  const doc = new Y.Doc()
  for (const id of ['aaaa', 'bbbb', 'cccc']) addRow(doc, 't', { id, label: '' })
  cellOf(doc, 't', 'aaaa', 0).insert(0, 'A heron')
  cellOf(doc, 't', 'cccc', 1).insert(0, 'By the gate')
  removeCard(doc, 't', 'bbbb')
  expect(cells(doc)).toEqual([
    ['A heron', ''],
    ['', 'By the gate'],
  ])
})

test('what somebody writes in an empty row while another takes it away stands there afterwards, at its place', () => {
  const { one, other, meet } = two()
  for (const id of ['aaaa', 'bbbb']) addRow(one, 't', { id, label: '' })
  cellOf(one, 't', 'bbbb', 0).insert(0, 'Reeds')
  meet()
  removeCard(one, 't', 'aaaa')
  cellOf(other, 't', 'aaaa', 1).insert(0, 'At the lock')
  meet()
  for (const doc of [one, other])
    expect(cells(doc)).toEqual([
      ['', 'At the lock'],
      ['Reeds', ''],
    ])
  // Emptied again, it is a row that was taken away.
  cellOf(one, 't', 'aaaa', 1).delete(0, 11)
  meet()
  expect(cells(other)).toEqual([['Reeds', '']])
})

test('reading makes nothing of rows that are gone: a document full of them stays as small as it is', () => {
  const doc = new Y.Doc()
  for (let row = 0; row < 300; row++) {
    addRow(doc, 't', { id: `row${row}`, label: '' })
    removeCard(doc, 't', `row${row}`)
  }
  expect(cells(doc)).toEqual([])
  expect([...doc.share.keys()]).toEqual(['cards:t'])
})
