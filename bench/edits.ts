import * as Y from 'yjs'
import type { Prompt } from '~/core/boards/board'
import { addCard } from '~/core/boards/prompts/cards/document'
import { addLine, tick } from '~/core/boards/prompts/checklist/document'
import { decidedOf } from '~/core/boards/prompts/choice/document'
import { pinTo, putMark } from '~/core/boards/prompts/drawing/document'
import { eachOf } from '~/core/boards/prompts/each/document'
import { setSpot } from '~/core/boards/prompts/file/document'
import { type PromptKind, promptSchema } from '~/core/boards/prompts/kinds'
import { giveOwn } from '~/core/boards/prompts/points/document'
import { putAt } from '~/core/boards/prompts/put-in-order/document'
import { sheetOf } from '~/core/boards/prompts/sheet/document'
import { fieldOf } from '~/core/boards/prompts/short-answers/document'
import { cellOf } from '~/core/boards/prompts/table/document'
import { answerOf } from '~/core/boards/prompts/yes-no/document'

/** One edit on a board by a participant with this id; `number` counts the edits of a writer. */
export type Edit = (doc: Y.Doc, myId: string, number: number, fresh: string) => void

const FILE = 'a'.repeat(64)

const text = (into: Y.Text, number: number) =>
  number % 40 === 39 ? into.delete(0, into.length) : into.insert(into.length, `${number} `)

function paragraph(doc: Y.Doc, promptId: string, words: string): void {
  const made = new Y.XmlElement('paragraph')
  made.insert(0, [new Y.XmlText(words)])
  sheetOf(doc, promptId).push([made])
}

/** A line of a pen as a hand draws it, and a remark now and then. */
const draw: Edit = (doc, _myId, number, fresh) => {
  const promptId = number % 2 === 0 ? 'sketch' : 'pictures'
  const points = Array.from({ length: 40 }, (_, place) => (place * 37 + number) % 1_000)
  if (number % 4 < 3) putMark(doc, promptId, { id: fresh, on: 0, shape: 'pen', points, colour: 1, text: '' })
  else {
    addCard(doc, promptId, fresh, `By the gate ${number}`)
    pinTo(doc, promptId, fresh, { on: 0, x: number % 900, y: 20 })
  }
}

/** What is set about a prompt of each kind, and an edit under it; null where nothing can be written. */
const KINDS: { [Kind in PromptKind]: [settings: object, edit: Edit | null] } = {
  cards: [{}, (doc, _myId, number, fresh) => addCard(doc, 'cards', fresh, `A heron ${number}`, 0)],
  sheet: [
    {},
    (doc, _myId, number) => paragraph(doc, 'sheet', `The water is higher than last week, ${number}`),
  ],
  'put-in-order': [
    { lines: 'Look\nDraw\nName' },
    (doc, _myId, number) => putAt(doc, 'put-in-order', 3, number % 3, (number * 7) % 3),
  ],
  table: [
    { rows: 'given', lines: 'Water\nPeat', columns: 'Seen\nWhy' },
    (doc, _myId, number) => text(cellOf(doc, 'table', `r${number % 2}`, number % 2), number),
  ],
  'yes-no': [{}, (doc, _myId, number) => answerOf(doc, 'yes-no').set('answer', number % 2 ? 'yes' : 'no')],
  choice: [
    { options: ['Reeds', 'Peat'] },
    (doc, _myId, number) => decidedOf(doc, 'choice').set('answer', number % 2),
  ],
  scale: [
    { low: 'Lost', high: 'Ready' },
    (doc, myId, number) =>
      eachOf(doc, 'scale').set(myId, { value: 1 + (number % 5), reason: `now ${number}` }),
  ],
  points: [
    { over: 'cards', points: 5 },
    (doc, myId, number) =>
      giveOwn(doc, 'points', myId, [], { id: 'x', label: 'Reeds', count: 1 + (number % 4) }),
  ],
  checklist: [
    { lines: 'Boots\nNet', add: true },
    (doc, _myId, number, fresh) =>
      number % 8 === 7
        ? addLine(doc, 'checklist', fresh, `Line ${number}`)
        : tick(doc, 'checklist', `l${number % 2}`, number % 4 < 2),
  ],
  pictures: [{ pictures: [`${FILE}|1200x800|The map`] }, draw],
  sketch: [{}, draw],
  words: [{}, (doc, _myId, number, fresh) => addCard(doc, 'words', fresh, `mud ${number}`)],
  link: [
    { address: 'https://lowmarsh.example/map' },
    (doc, _myId, number, fresh) => addCard(doc, 'link', fresh, `old ${number}`),
  ],
  file: [
    { show: `${FILE}|pdf|The map` },
    (doc, _myId, number, fresh) => {
      addCard(doc, 'file', fresh, `See here ${number}`)
      setSpot(doc, 'file', fresh, 1 + (number % 9))
    },
  ],
  'short-answers': [
    { fields: 'Who you asked\nDepth | cm | 0 to 300' },
    (doc, _myId, number) => text(fieldOf(doc, 'short-answers', 0), number),
  ],
  'hidden-text': [{ hidden: 'Look at the bill.', opens: 'facilitator' }, null],
}

/** A prompt of every kind, each called as its kind. */
export const OF_ALL_KINDS: Prompt[] = Object.entries(KINDS).map(([kind, [settings]]) =>
  promptSchema.parse({ id: kind, kind, text: `${kind}?`, settings }),
)

const edits = Object.values(KINDS).flatMap(([, edit]) => edit ?? [])

/** Under one prompt after the other. */
export const editOfAllKinds: Edit = (doc, myId, number, fresh) =>
  doc.transact(() => edits[number % edits.length]?.(doc, myId, Math.floor(number / edits.length), fresh))

export const editCards: Edit = (doc, _myId, _number, fresh) =>
  addCard(doc, 'c', fresh, `Card ${fresh}, a short line of words`)
