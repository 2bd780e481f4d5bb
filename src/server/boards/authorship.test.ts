import { board } from 'tests/fixtures/class'
import * as Y from 'yjs'
import type { Board } from '~/core/boards/board'
import { addCard, cardText, removeCard } from '~/core/boards/prompts/cards/document'
import { eachOf } from '~/core/boards/prompts/each/document'
import { promptSchema } from '~/core/boards/prompts/kinds'
import { sheetOf } from '~/core/boards/prompts/sheet/document'
import { addRow, cellOf } from '~/core/boards/prompts/table/document'
import { answerOf, reasonOf } from '~/core/boards/prompts/yes-no/document'
import { editText } from '~/core/boards/text-edit'
import { Authorship } from './authorship.server'
import { type Contribution, mergeContributions } from './contributions.server'

function watched(earlier: Contribution[] = [], owners: Record<number, string> = {}, on: Board = board) {
  const doc = new Y.Doc()
  const authorship = new Authorship('copy', doc, on, earlier)
  const done: Contribution[] = []
  doc.on('afterTransaction', transaction => {
    done.push(
      ...authorship.contributionsOf(
        transaction,
        transaction.origin === null ? null : String(transaction.origin),
        61_000,
        writer => owners[writer],
      ),
    )
  })
  const as = (who: string, work: () => void) => doc.transact(work, who)
  return { doc, authorship, done, as }
}

const short = (done: Contribution[]) =>
  done.map(one => [one.participantId, one.promptId, one.entryId, one.text])

test('a card is its writer’s, also when another corrects it', () => {
  const { doc, authorship, done, as } = watched()
  as('ana', () => addCard(doc, 'c', 'x', 'reeds'))
  as('bo', () => editText(cardText(doc, 'c', 'x') as Y.Text, 'old reeds'))
  expect(short(done)).toEqual([
    ['ana', 'c', 'x', 'reeds'],
    ['bo', 'c', 'x', 'old reeds'],
  ])
  expect(Object.fromEntries(authorship.authors())).toEqual({ 'c/x': 'ana' })
})

test('taking a card away is a contribution without a text', () => {
  const { doc, done, as } = watched()
  as('ana', () => addCard(doc, 'c', 'x', 'reeds'))
  as('bo', () => removeCard(doc, 'c', 'x'))
  expect(short(done).at(-1)).toEqual(['bo', 'c', 'x', ''])
})

test('a sheet and a decision are each one piece', () => {
  const { doc, done, as } = watched()
  as('ana', () => {
    const paragraph = new Y.XmlElement('paragraph')
    paragraph.insert(0, [new Y.XmlText('Roll it.')])
    sheetOf(doc, 's').insert(0, [paragraph])
  })
  as('bo', () => {
    answerOf(doc, 'y').set('answer', 'no')
    reasonOf(doc, 'y').insert(0, 'cold')
  })
  expect(short(done)).toEqual([
    ['ana', 's', 'whole', 'Roll it.'],
    ['bo', 'y', 'whole', 'No: cold'],
  ])
})

test('what one brings of others after the server was gone stays theirs, whoever comes back first', () => {
  const owners: Record<number, string> = { 1: 'ana', 2: 'bo' }
  const [anas, bos] = [new Y.Doc(), new Y.Doc()]
  anas.clientID = 1
  bos.clientID = 2
  const { doc, authorship, done } = watched([], owners)
  addCard(anas, 'c', 'anas', 'reeds')
  const paragraph = new Y.XmlElement('paragraph')
  paragraph.insert(0, [new Y.XmlText('Roll it.')])
  sheetOf(anas, 's').insert(0, [paragraph])
  Y.applyUpdate(bos, Y.encodeStateAsUpdate(anas))
  addCard(bos, 'c', 'bos', 'rushes')
  editText(cardText(bos, 'c', 'anas') as Y.Text, 'old reeds')
  Y.applyUpdate(doc, Y.encodeStateAsUpdate(bos), 'bo')
  const now = new Set(short(done).map(each => each.join(' ')))
  expect(now).toEqual(
    new Set(['ana c anas old reeds', 'bo c anas old reeds', 'bo c bos rushes', 'ana s whole Roll it.']),
  )
  expect(Object.fromEntries(authorship.authors())).toEqual({
    'c/anas': 'ana',
    'c/bos': 'bo',
    's/whole': 'ana',
  })
})

test('what touches no prompt is nobody’s work', () => {
  const { doc, done, as } = watched()
  as('ana', () => doc.getMap('elsewhere').set('authors', 'bo'))
  expect(done).toEqual([])
})

test('who first wrote a piece is remembered when the copy is opened again', () => {
  const earlier = {
    copyId: 'copy',
    promptId: 'c',
    entryId: 'x',
    participantId: 'ana',
    halfMinute: 0,
    edits: 1,
    text: 'r',
    at: 1,
  }
  expect(watched([earlier]).authorship.authors()).toEqual([['c/x', 'ana']])
})

test('contributions of one person to one piece in one half minute are one row', () => {
  const one = {
    copyId: 'copy',
    promptId: 'c',
    entryId: 'x',
    participantId: 'ana',
    halfMinute: 0,
    edits: 1,
    text: 'r',
    at: 1,
  }
  const rows = mergeContributions([
    one,
    { ...one, text: 're', at: 2 },
    { ...one, participantId: 'bo' },
    { ...one, halfMinute: 30_000 },
  ])
  expect(rows.map(row => [row.participantId, row.halfMinute, row.edits, row.text])).toEqual([
    ['ana', 0, 2, 're'],
    ['bo', 0, 1, 'r'],
    ['ana', 30_000, 1, 'r'],
  ])
})

const own: Board = {
  title: 'Own',
  steps: [],
  prompts: [
    promptSchema.parse({ id: 'e', kind: 'choice', text: 'Which?', settings: { by: 'each' } }),
    promptSchema.parse({ id: 't', kind: 'table', text: 'Ask', settings: { rows: 'people' } }),
  ],
}

test('what somebody writes in another’s place is nobody’s work and is put back; what is their own stays', () => {
  const { doc, authorship, done, as } = watched([], {}, own)
  as('ana', () => eachOf(doc, 'e').set('ana', { answer: 0, reason: 'dry' }))
  as('bo', () => eachOf(doc, 'e').set('ana', { answer: 1, reason: 'wet' }))
  as('bo', () => eachOf(doc, 'e').set('chi', { answer: 1, reason: '' }))
  as('bo', () => addRow(doc, 't', { id: 'ana', label: 'Ana' }))
  as('ana', () => cellOf(doc, 't', 'ana', 0).insert(0, 'me'))
  expect(short(done)).toEqual([
    ['ana', 'e', 'ana', 'A Yes: dry'],
    ['bo', 't', 'ana', 'Ana'],
  ])
  doc.transact(() => {
    for (const putBack of authorship.putBacks()) putBack()
  }, null)
  expect(authorship.putBacks()).toEqual([])
  expect(eachOf(doc, 'e').toJSON()).toEqual({ ana: { answer: 0, reason: 'dry' } })
  expect(cellOf(doc, 't', 'ana', 0).toString()).toBe('')
  // What the server put back is nobody's, and the next change is told as what it is.
  as('bo', () => eachOf(doc, 'e').set('bo', { answer: 1, reason: '' }))
  expect(short(done).slice(2)).toEqual([['bo', 'e', 'bo', 'B No']])
})

test('whoever brings what others wrote themselves takes nothing of it, and nothing is put back', () => {
  const anas = new Y.Doc()
  anas.clientID = 1
  eachOf(anas, 'e').set('ana', { answer: 0, reason: '' })
  const { doc, authorship, done } = watched([], { 1: 'ana' }, own)
  Y.applyUpdate(doc, Y.encodeStateAsUpdate(anas), 'bo')
  expect(short(done)).toEqual([['ana', 'e', 'ana', 'A Yes']])
  expect(authorship.putBacks()).toEqual([])
})
