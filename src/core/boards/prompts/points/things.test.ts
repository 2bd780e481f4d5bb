import * as Y from 'yjs'
import { addCard } from '../cards/document'
import { addLine } from '../checklist/document'
import { type Prompt, promptSchema } from '../kinds'
import { putAt } from '../put-in-order/document'
import { hasThings, thingsUnder } from './things'

const prompt = (kind: string, settings: object = {}) =>
  promptSchema.parse({ id: 'p', kind, text: 'What?', settings }) as Prompt

test('points can be given to cards, but for those that say nothing', () => {
  const doc = new Y.Doc()
  addCard(doc, 'p', 'a', ' Reeds\n in the wind ')
  addCard(doc, 'p', 'b', ' ')
  addCard(doc, 'elsewhere', 'c', 'Otters')
  expect(thingsUnder(doc, prompt('cards'))).toEqual([{ id: 'a', label: 'Reeds in the wind' }])
})

test('to the lines of a list, wherever they were put in its order, by ids that stay', () => {
  const doc = new Y.Doc()
  const list = prompt('put-in-order', { lines: 'Look\nDraw' })
  putAt(doc, 'p', 2, 1, 0)
  expect(thingsUnder(doc, list)).toEqual([
    { id: 'l0', label: 'Look' },
    { id: 'l1', label: 'Draw' },
  ])
})

test('to the lines of a checklist, given and added', () => {
  const doc = new Y.Doc()
  addLine(doc, 'p', 'own', 'Lights out')
  expect(thingsUnder(doc, prompt('checklist', { lines: 'Shutters', add: true }))).toEqual([
    { id: 'l0', label: 'Shutters' },
    { id: 'own', label: 'Lights out' },
  ])
})

test('and to nothing of other kinds', () => {
  const doc = new Y.Doc()
  addCard(doc, 'p', 'a', 'Reeds')
  for (const kind of ['words', 'scale', 'sheet']) {
    expect(hasThings({ kind: kind as Prompt['kind'] })).toBe(false)
    expect(thingsUnder(doc, prompt(kind))).toEqual([])
  }
})
