/** What a simulated participant writes under a prompt, of every kind there is. */
import * as Y from 'yjs'
import type { Prompt } from '../boards/board'
import { addCard, cardText, readCards } from '../boards/prompts/cards/document'
import { addLine, giveLine, readLines, tick } from '../boards/prompts/checklist/document'
import { becauseOf, decidedOf } from '../boards/prompts/choice/document'
import { MOST_MARKS, marksOf, pinTo, putMark, WIDTH } from '../boards/prompts/drawing/document'
import { eachOf } from '../boards/prompts/each/document'
import { setSpot } from '../boards/prompts/file/document'
import type { PromptKind } from '../boards/prompts/kinds'
import { givenListShape, giveOwn, giveShared, readShared } from '../boards/prompts/points/document'
import { thingsUnder } from '../boards/prompts/points/things'
import { putAt, readOrder } from '../boards/prompts/put-in-order/document'
import { sheetOf } from '../boards/prompts/sheet/document'
import { fieldOf } from '../boards/prompts/short-answers/document'
import { fieldIn } from '../boards/prompts/short-answers/field'
import { addedRows, addRow, cellOf, givenRow } from '../boards/prompts/table/document'
import { answerOf, reasonOf } from '../boards/prompts/yes-no/document'
import type { RandomStream } from '../random/random'
import { sentence, shortWord } from './phrases'

/** Who writes, and with whom they are in the room. */
export interface Hand {
  /** A participant's id. */
  id: string
  members: readonly { id: string; shownName: string }[]
  random: RandomStream
  /** An id nobody has had. */
  freshId(): string
  /** Prompts of the board, for those that are about others. */
  prompts: readonly Prompt[]
}

type Of<Kind extends PromptKind> = Extract<Prompt, { kind: Kind }>
type Write<Kind extends PromptKind> = (doc: Y.Doc, prompt: Of<Kind>, hand: Hand) => void

/**
 * Something a person would do next there: one edit, as their own browser would make it. Where there is nothing left to do, nothing.
 * O(what stands under the prompt).
 */
export function writeUnder(doc: Y.Doc, prompt: Prompt, hand: Hand): void {
  const write = WRITES[prompt.kind] as Write<PromptKind> | null
  doc.transact(() => write?.(doc, prompt as Of<PromptKind>, hand))
}

/** Whether simulated participants have anything to do there. */
export const isWrittenUnder = ({ kind }: Prompt): boolean => WRITES[kind] !== null

/** After so many goes somebody leaves a prompt to others; where there is one answer to give, they give it once. */
export const goesAt = ({ kind }: Prompt): number => GOES[kind] ?? 1
const GOES: Partial<Record<PromptKind, number>> = {
  cards: 3,
  sheet: 3,
  'short-answers': 3,
  table: 3,
  checklist: 3,
  'put-in-order': 4,
  words: 2,
  pictures: 2,
  sketch: 3,
}

const remark = (doc: Y.Doc, { id }: { id: string }, hand: Hand): string => {
  const fresh = hand.freshId()
  addCard(doc, id, fresh, sentence(hand.random))
  return fresh
}

/** A line as a hand draws it, within the picture. */
function draw(doc: Y.Doc, { id }: { id: string }, { random, freshId }: Hand): void {
  if (marksOf(doc, id).size >= MOST_MARKS) return
  let [x, y] = [random.below(WIDTH * 0.8), random.below(WIDTH * 0.4)]
  const points = Array.from({ length: 12 }, () => {
    x = Math.min(WIDTH, x + random.below(200))
    y = Math.max(0, y + random.below(300) - 150)
    return [x, y]
  }).flat()
  putMark(doc, id, { id: freshId(), on: 0, shape: 'pen', points, colour: random.below(4), text: '' })
}

/** One draws, another pins a remark to a place. */
function drawOrPin(doc: Y.Doc, prompt: { id: string }, hand: Hand): void {
  const { random } = hand
  if (random.below(2) === 0) draw(doc, prompt, hand)
  else
    pinTo(doc, prompt.id, remark(doc, prompt, hand), {
      on: 0,
      x: random.below(WIDTH),
      y: random.below(WIDTH / 2),
    })
}

/** Nothing is begun anew where something stands: then the first person's word stays. */
function begin(text: Y.Text, said: string): void {
  if (text.length === 0) text.insert(0, said)
}

const firstEmpty = (texts: readonly Y.Text[], random: RandomStream): Y.Text | undefined =>
  texts.find(text => text.length === 0) ?? texts[random.below(texts.length)]

const WRITES: { [Kind in PromptKind]: Write<Kind> | null } = {
  cards(doc, prompt, hand) {
    const { columns, mostGroup } = prompt.settings
    const cards = readCards(doc, prompt.id)
    const own = cards[hand.random.below(cards.length)]
    const isFull = cards.length >= (mostGroup ?? 60)
    // Now and then somebody goes on with what stands there.
    if (own && (isFull || hand.random.below(5) === 0)) {
      const text = cardText(doc, prompt.id, own.id)
      if (text && text.length < 300) text.insert(text.length, ` ${sentence(hand.random)}`)
    } else if (!isFull)
      addCard(doc, prompt.id, hand.freshId(), sentence(hand.random), hand.random.below(columns?.length ?? 1))
  },
  sheet(doc, { id }, { random }) {
    const sheet = sheetOf(doc, id)
    if (sheet.length > 80) return
    const paragraph = new Y.XmlElement('paragraph')
    paragraph.insert(0, [new Y.XmlText(sentence(random))])
    sheet.push([paragraph])
  },
  'put-in-order'(doc, { id, settings: { lines } }, { random }) {
    const order = readOrder(doc, id, lines.length)
    const missing = lines.map((_, line) => line).filter(line => !order.includes(line))
    const line = missing[random.below(missing.length)] ?? random.below(lines.length)
    if (lines.length > 0) putAt(doc, id, lines.length, line, random.below(order.length + 1))
  },
  table(doc, { id, settings: { rows, lines, columns } }, { id: own, members, random, freshId }) {
    const column = random.below(columns.length)
    if (rows === 'given') {
      const cells = lines.flatMap((_, place) =>
        columns.map((_name, at) => cellOf(doc, id, givenRow(place), at)),
      )
      const empty = firstEmpty(cells, random)
      if (empty) begin(empty, sentence(random))
      return
    }
    if (rows === 'added') {
      const added = addedRows(doc, id, columns.length)
      const row = added.length < 8 ? { id: freshId(), label: '' } : added[random.below(added.length)]
      if (!row) return
      addRow(doc, id, row)
      begin(cellOf(doc, id, row.id, column), sentence(random))
      return
    }
    // Each asks another and writes down what they say.
    const others = members.filter(other => other.id !== own)
    const other = others[random.below(others.length)]
    if (!other) return
    addRow(doc, id, { id: other.id, label: other.shownName })
    begin(cellOf(doc, id, other.id, column), sentence(random))
  },
  'yes-no'(doc, { id }, { random }) {
    if (answerOf(doc, id).get('answer') === undefined)
      answerOf(doc, id).set('answer', random.below(2) === 0 ? 'yes' : 'no')
    else begin(reasonOf(doc, id), sentence(random))
  },
  choice(doc, { id, settings: { by, options, reasons } }, { id: own, random }) {
    const answer = random.below(options.length)
    if (by === 'each') {
      eachOf(doc, id).set(own, { answer, reason: reasons && random.below(2) === 0 ? sentence(random) : '' })
    } else if (decidedOf(doc, id).get('answer') === undefined) decidedOf(doc, id).set('answer', answer)
    else if (reasons) begin(becauseOf(doc, id), sentence(random))
  },
  scale(doc, { id, settings: { steps, reasons } }, { id: own, random }) {
    const reason = reasons && random.below(2) === 0 ? sentence(random) : ''
    eachOf(doc, id).set(own, { value: 1 + random.below(steps), reason })
  },
  points(doc, { id, settings: { over, by, points } }, { id: own, random, prompts }) {
    const to = prompts.find(prompt => prompt.id === over)
    const things = to ? thingsUnder(doc, to) : []
    const thing = things[random.below(things.length)]
    if (!thing) return
    const read = givenListShape.safeParse(eachOf(doc, id).get(own))
    const given = by === 'group' ? readShared(doc, id) : read.success ? read.data : []
    const before = given.find(one => one.id === thing.id)?.count ?? 0
    if (given.reduce((sum, { count }) => sum + count, 0) >= points) return
    const one = { ...thing, count: before + 1 }
    if (by === 'group') giveShared(doc, id, one)
    else giveOwn(doc, id, own, given, one)
  },
  checklist(doc, { id, settings: { lines, add } }, { id: own, members, random, freshId }) {
    const all = readLines(doc, id, lines)
    const open = all.filter(({ done }) => !done)
    const line = open[random.below(open.length)]
    if (add && (!line || (all.length < 12 && random.below(3) === 0)))
      addLine(doc, id, freshId(), sentence(random))
    else if (line && line.owner === null && random.below(2) === 0) {
      const name = members.find(other => other.id === own)?.shownName ?? ''
      giveLine(doc, id, line.id, { id: own, name })
    } else if (line) tick(doc, id, line.id, true)
  },
  // A group that adds its own pictures has none to show: it remarks on the whole.
  pictures: (doc, prompt, hand) =>
    prompt.settings.pictures.length === 0 ? remark(doc, prompt, hand) : drawOrPin(doc, prompt, hand),
  sketch: drawOrPin,
  words(doc, { id }, { random, freshId }) {
    addCard(doc, id, freshId(), shortWord(random))
  },
  link: remark,
  file(doc, prompt, hand) {
    const fresh = remark(doc, prompt, hand)
    if (prompt.settings.show) setSpot(doc, prompt.id, fresh, 1 + hand.random.below(3))
  },
  'short-answers'(doc, { id, settings: { fields } }, { random }) {
    const place = fields.findIndex((_, at) => fieldOf(doc, id, at).length === 0)
    const asked = fieldIn(fields[place] ?? '')
    if (place < 0) return
    const [least, most] = [asked.least ?? 0, asked.most ?? 100]
    const said =
      asked.unit === null ? sentence(random) : String(Math.floor(least + random.below(most - least + 1)))
    begin(fieldOf(doc, id, place), said)
  },
  'hidden-text': null,
}
