import * as Y from 'yjs'
import { addCard, cardsOf, putCardBack, removeCard } from '../boards/prompts/cards/document'
import { readAnswer } from '../boards/prompts/kinds'
import { removedPieces } from './removed'

const prompt = { id: 'c', kind: 'cards', text: '', settings: {} } as const
const board = {
  title: '',
  steps: [],
  prompts: [prompt, { id: 's', kind: 'sheet', text: '', settings: {} } as const],
}
const wrote = (entryId: string, participantId: string, text: string) => ({
  promptId: 'c',
  entryId,
  participantId,
  text,
})

function written() {
  const doc = new Y.Doc()
  for (const id of ['a', 'b', 'd']) addCard(doc, 'c', id, `Card ${id}`)
  return doc
}

test('nothing was taken away', () => {
  expect(removedPieces(new Y.Doc(), board, [])).toEqual([])
  expect(removedPieces(written(), board, [wrote('a', 'ana', 'Card a')])).toEqual([])
})

test('a card that was taken away is seen as removed, by whom, and not among the answers; put back, it is there', () => {
  const doc = written()
  const records = [wrote('a', 'ana', 'Card a'), wrote('a', 'bo', '')]
  removeCard(doc, 'c', 'a')
  removeCard(doc, 'c', 'a')
  expect(readAnswer(doc, prompt)).toMatchObject({ cards: [{ id: 'b' }, { id: 'd' }] })
  expect(removedPieces(doc, board, records)).toEqual([{ promptId: 'c', text: 'Card a', removedBy: 'bo' }])
  putCardBack(doc, 'c', 'a')
  expect(readAnswer(doc, prompt)).toMatchObject({ cards: [{ id: 'a' }, { id: 'b' }, { id: 'd' }] })
  expect(removedPieces(doc, board, [...records, wrote('a', 'ana', 'Card a')])).toEqual([])
})

test('what a browser deleted outright is known from who wrote what', () => {
  const doc = written()
  cardsOf(doc, 'c').delete(0)
  const records = [wrote('a', 'ana', 'Card a'), wrote('a', 'bo', ''), wrote('x', 'bo', '')]
  expect(removedPieces(doc, board, records)).toEqual([{ promptId: 'c', text: 'Card a', removedBy: 'bo' }])
})

test('two who take the same card away and put it back at once agree in the end', () => {
  const one = written()
  const other = new Y.Doc()
  Y.applyUpdate(other, Y.encodeStateAsUpdate(one))
  removeCard(one, 'c', 'a')
  removeCard(other, 'c', 'a')
  putCardBack(other, 'c', 'a')
  Y.applyUpdate(one, Y.encodeStateAsUpdate(other))
  Y.applyUpdate(other, Y.encodeStateAsUpdate(one))
  expect(readAnswer(one, prompt)).toEqual(readAnswer(other, prompt))
})
