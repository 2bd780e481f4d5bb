import * as Y from 'yjs'
import type { Board, Prompt } from './board'
import { addCard, cardsOf, cardText, removeCard } from './prompts/cards/document'
import { isBegun, piecesOf, readAnswer, readAnswers } from './prompts/kinds'
import { fragmentText, sheetOf } from './prompts/sheet/document'
import { answerOf, reasonOf } from './prompts/yes-no/document'
import { yesNoText } from './prompts/yes-no/yes-no'
import { editText } from './text-edit'

const cards: Prompt = { id: 'c', kind: 'cards', text: 'Cards?', settings: {} }
const sheet: Prompt = { id: 's', kind: 'sheet', text: 'Sheet?', settings: {} }
const yesNo: Prompt = { id: 'y', kind: 'yes-no', text: 'Yes?', settings: {} }
const board: Board = { title: 'Board', steps: [], prompts: [cards, sheet, yesNo] }

/** Two writers who have not heard of each other yet, and then have. */
function exchange(one: Y.Doc, other: Y.Doc) {
  const [first, second] = [Y.encodeStateAsUpdate(one), Y.encodeStateAsUpdate(other)]
  Y.applyUpdate(one, second)
  Y.applyUpdate(other, first)
}

test('two who add cards at once lose nothing', () => {
  const [ana, bo] = [new Y.Doc(), new Y.Doc()]
  for (let number = 0; number < 20; number++) {
    addCard(ana, 'c', `a${number}`, `Ana ${number}`)
    addCard(bo, 'c', `b${number}`, `Bo ${number}`)
  }
  exchange(ana, bo)
  expect(readAnswer(ana, cards)).toEqual(readAnswer(bo, cards))
  expect(piecesOf(readAnswer(ana, cards)).size).toBe(40)
})

test('two who write into one card at once lose nothing', () => {
  const [ana, bo] = [new Y.Doc(), new Y.Doc()]
  addCard(ana, 'c', 'x', 'reeds')
  exchange(ana, bo)
  editText(cardText(ana, 'c', 'x') as Y.Text, 'old reeds')
  editText(cardText(bo, 'c', 'x') as Y.Text, 'reeds and rushes')
  exchange(ana, bo)
  expect(cardText(ana, 'c', 'x')?.toString()).toBe('old reeds and rushes')
})

test('two who begin a reason at once lose nothing', () => {
  const [ana, bo] = [new Y.Doc(), new Y.Doc()]
  reasonOf(ana, 'y').insert(0, 'cold')
  reasonOf(bo, 'y').insert(0, 'dark')
  exchange(ana, bo)
  expect([reasonOf(ana, 'y').toString()]).toContain(reasonOf(bo, 'y').toString())
  expect(reasonOf(ana, 'y').toString()).toHaveLength(8)
})

test('a card is taken away once, and a second time does no harm', () => {
  const doc = new Y.Doc()
  addCard(doc, 'c', 'x', 'one')
  removeCard(doc, 'c', 'x')
  removeCard(doc, 'c', 'x')
  expect(readAnswer(doc, cards)).toEqual({ promptId: 'c', kind: 'cards', cards: [] })
})

test('an untouched board has empty answers', () => {
  expect(readAnswers(new Y.Doc(), board)).toEqual([
    { promptId: 'c', kind: 'cards', cards: [] },
    { promptId: 's', kind: 'sheet', text: '' },
    { promptId: 'y', kind: 'yes-no', answer: null, reason: '' },
  ])
  expect(readAnswers(new Y.Doc(), board).some(isBegun)).toBe(false)
})

test('a sheet reads as lines, with points and without its form', () => {
  const doc = new Y.Doc()
  const element = (name: string, ...children: (Y.XmlElement | Y.XmlText)[]) => {
    const made = new Y.XmlElement(name)
    made.insert(0, children)
    return made
  }
  const bold = new Y.XmlText()
  bold.insert(0, 'old ', {})
  bold.insert(4, 'reeds', { bold: {} })
  sheetOf(doc, 's').insert(0, [
    element('paragraph', bold),
    element('paragraph'),
    element(
      'bulletList',
      element('listItem', element('paragraph', new Y.XmlText('cut'))),
      element('listItem', element('paragraph', new Y.XmlText('leave'))),
    ),
  ])
  expect(readAnswer(doc, sheet)).toEqual({
    promptId: 's',
    kind: 'sheet',
    text: 'old reeds\n- cut\n- leave',
  })
})

test('what a writer put there that is no card or answer is left out', () => {
  const doc = new Y.Doc()
  cardsOf(doc, 'c').push([
    new Y.Map([
      ['id', 7],
      ['text', 'no'],
    ]) as never,
    'junk' as never,
  ])
  answerOf(doc, 'y').set('answer', { yes: true })
  expect(readAnswer(doc, cards)).toEqual({ promptId: 'c', kind: 'cards', cards: [] })
  expect(readAnswer(doc, yesNo)).toMatchObject({ answer: null })
})

test.each([
  [{ answer: 'yes' as const, reason: ' mud ' }, 'Yes: mud'],
  [{ answer: 'no' as const, reason: '' }, 'No'],
  [{ answer: null, reason: 'mud' }, 'mud'],
])('a decision in one line: %j', (answer, text) => {
  expect(yesNoText(answer)).toBe(text)
})

test.each([
  ['reeds', 'reeds and rushes'],
  ['reeds', ''],
  ['aaa', 'aa'],
  ['abc', 'axc'],
  ['', 'new'],
])('a text field’s %j becomes %j', (before, after) => {
  const text = new Y.Doc().getText('t')
  text.insert(0, before)
  editText(text, after)
  expect(text.toString()).toBe(after)
})

test('a sheet with elements thousands deep, as an earlier version took in, is read and followed all the same', () => {
  const doc = new Y.Doc()
  let within: Y.XmlFragment = sheetOf(doc, 's')
  doc.transact(() => {
    for (let depth = 0; depth < 20_000; depth++) {
      const quotation: Y.XmlElement = new Y.XmlElement('blockquote')
      within.insert(0, [quotation])
      within = quotation
    }
    within.insert(0, [new Y.XmlText('at the bottom')])
  })
  const opened = new Y.Doc()
  Y.applyUpdate(opened, Y.encodeStateAsUpdate(doc))
  expect(fragmentText(sheetOf(opened, 's'))).toBe('at the bottom')
})
