/** What the conformance suite has to know of each kind to try it: a kind without an example does not compile. */
import fc from 'fast-check'
import * as Y from 'yjs'
import { joinHeap, leaveHeap, moveCard } from '~/core/boards/prompts/cards/arrange'
import { addCard, cardsOf, cardText, putCardBack, removeCard } from '~/core/boards/prompts/cards/document'
import { nameHeap } from '~/core/boards/prompts/cards/heaps'
import { giveLine, tick, ticksOf } from '~/core/boards/prompts/checklist/document'
import { becauseOf, decidedOf } from '~/core/boards/prompts/choice/document'
import { marksOf, pinTo, putMark, SHAPES } from '~/core/boards/prompts/drawing/document'
import { eachOf } from '~/core/boards/prompts/each/document'
import { setSpot } from '~/core/boards/prompts/file/document'
import type { PromptKind } from '~/core/boards/prompts/kinds'
import { addedOf, addPicture, takePictureAway } from '~/core/boards/prompts/pictures/added'
import { giveOwn, giveShared, sharedOf } from '~/core/boards/prompts/points/document'
import { orderOf, putAt, takeOut } from '~/core/boards/prompts/put-in-order/document'
import { beginSheets, sheetOf } from '~/core/boards/prompts/sheet/document'
import { fieldOf } from '~/core/boards/prompts/short-answers/document'
import { addRow, cellOf } from '~/core/boards/prompts/table/document'
import { answerOf, reasonOf } from '~/core/boards/prompts/yes-no/document'
import { editText } from '~/core/boards/text-edit'
import type { KindExample } from './prompt-kind'

type Edit = (doc: Y.Doc, promptId: string, fresh: string) => void

const word = fc.constantFrom('reed', 'peat *and* mud', 'old\nreed', '# 1. _ä_', 'x | y')
const person = fc.constantFrom('ana', 'bo', 'chi')

/** The card at a place, removed ones too. */
const cardAt = (doc: Y.Doc, promptId: string, index: number) => {
  const ids = cardsOf(doc, promptId)
    .toArray()
    .map(card => String(card.get('id')))
  return ids[index % Math.max(1, ids.length)]
}

const onCard = (change: (doc: Y.Doc, promptId: string, id: string, said: string, other: string) => void) =>
  fc.tuple(fc.nat(9), word, fc.nat(9)).map(
    ([index, said, otherIndex]): Edit =>
      (doc, promptId) => {
        const id = cardAt(doc, promptId, index)
        if (id !== undefined) change(doc, promptId, id, said, cardAt(doc, promptId, otherIndex) ?? id)
      },
  )

const cardEdits = fc.oneof(
  word.map(
    (said): Edit =>
      (doc, promptId, fresh) =>
        addCard(doc, promptId, fresh, said),
  ),
  onCard((doc, promptId, id, said) => {
    const text = cardText(doc, promptId, id)
    if (text) editText(text, said)
  }),
  onCard(removeCard),
  onCard(putCardBack),
)

const arranging = fc.oneof(
  cardEdits,
  fc.tuple(word, fc.nat(3)).map(
    ([said, column]): Edit =>
      (doc, promptId, fresh) =>
        addCard(doc, promptId, fresh, said, column),
  ),
  fc
    .nat(3)
    .chain(column => onCard((doc, promptId, id, _said, other) => moveCard(doc, promptId, id, column, other))),
  fc.nat(3).chain(column => onCard((doc, promptId, id) => moveCard(doc, promptId, id, column, null))),
  onCard((doc, promptId, id, said, other) => {
    joinHeap(doc, promptId, id, other, `heap-${id}`)
    nameHeap(doc, promptId, `heap-${id}`, said)
  }),
  onCard(leaveHeap),
)

function hostileCards(doc: Y.Doc, promptId: string) {
  const list = cardsOf(doc, promptId) as unknown as Y.Array<unknown>
  const text = new Y.Text('no id')
  list.push(['junk', 7, null, new Y.Map([['id', 7]]), new Y.Map([['text', text]]), new Y.Array()])
  list.push([
    new Y.Map<unknown>([
      ['id', 'x'],
      ['text', 'no shared text'],
      ['at', { strange: true }],
      ['column', -1],
    ]),
  ])
}

function paragraphOf(text: string): Y.XmlElement {
  const paragraph = new Y.XmlElement('paragraph')
  paragraph.insert(0, [new Y.XmlText(text)])
  return paragraph
}

const byEach = (values: fc.Arbitrary<object | null>) =>
  fc.tuple(person, values).map(
    ([id, value]): Edit =>
      (doc, promptId) =>
        value === null ? eachOf(doc, promptId).delete(id) : eachOf(doc, promptId).set(id, { ...value }),
  )

const given = fc
  .tuple(
    fc.constantFrom('x', 'y', 'z'),
    fc.constantFrom('reed', 'peat; 2 mud', '7 up'),
    fc.integer({ min: 1, max: 3 }),
  )
  .map(([id, label, count]) => ({ id, label: `${label} ${id}`, count }))

const byEachPoints = (lists: fc.Arbitrary<object[] | null>) =>
  fc.tuple(person, lists).map(
    ([id, list]): Edit =>
      (doc, promptId) =>
        list === null ? eachOf(doc, promptId).delete(id) : eachOf(doc, promptId).set(id, list),
  )

function hostileEach(doc: Y.Doc, promptId: string) {
  const each = eachOf(doc, promptId)
  for (const value of [
    7,
    'yes',
    null,
    [],
    { answer: '1', reason: '' },
    { value: 99, reason: 'x' },
    { answer: 5, reason: 'x' },
  ])
    each.set(`p${JSON.stringify(value).length}`, value)
  each.set('not an id!', { answer: 0, value: 1, reason: 'x' })
}

function pictureOf(title: string): Y.XmlElement {
  const picture = new Y.XmlElement('picture')
  picture.setAttribute('file', 'a'.repeat(64))
  picture.setAttribute('title', title)
  return picture
}

const sheetEdits = fc.oneof(
  word.map(
    (said): Edit =>
      (doc, promptId) =>
        sheetOf(doc, promptId).insert(0, [paragraphOf(said)]),
  ),
  fc.nat(9).map(
    (index): Edit =>
      (doc, promptId) => {
        const fragment = sheetOf(doc, promptId)
        if (fragment.length > 0) fragment.delete(index % fragment.length)
      },
  ),
)

const tableEdits = (rows: string[]) =>
  fc.oneof(
    fc.tuple(fc.constantFrom(...rows), fc.nat(1), word).map(
      ([row, column, said]): Edit =>
        (doc, promptId) =>
          editText(cellOf(doc, promptId, row, column), said),
    ),
    fc.tuple(fc.constantFrom(...rows), word).map(
      ([id, label]): Edit =>
        (doc, promptId) =>
          addRow(doc, promptId, { id, label }),
    ),
    fc.constantFrom(...rows).map(
      (id): Edit =>
        (doc, promptId) =>
          removeCard(doc, promptId, id),
    ),
  )

const mark = fc
  .record({
    on: fc.nat(3),
    shape: fc.constantFrom(...SHAPES),
    points: fc.array(fc.integer({ min: 0, max: 9_000 }), { minLength: 4, maxLength: 4 }),
    colour: fc.nat(3),
  })
  .map(made => ({
    ...made,
    points: made.shape === 'text' ? made.points.slice(0, 2) : made.points,
    text: made.shape === 'text' ? 'here' : '',
  }))

const drawing = fc.oneof(
  cardEdits,
  onCard((doc, promptId, id, said) =>
    pinTo(doc, promptId, id, said.length > 4 ? { on: 0, x: said.length, y: 7 } : null),
  ),
  fc.tuple(fc.constantFrom('x', 'y', 'z'), mark).map(
    ([id, made]): Edit =>
      (doc, promptId) =>
        putMark(doc, promptId, { id, ...made }),
  ),
  fc.constantFrom('x', 'y', 'z').map(
    (id): Edit =>
      (doc, promptId) =>
        marksOf(doc, promptId).delete(id),
  ),
)

function hostileDrawing(doc: Y.Doc, promptId: string) {
  hostileCards(doc, promptId)
  const marks = marksOf(doc, promptId)
  const sound = { on: 0, shape: 'pen', points: [1, 1, 2, 2], colour: 0, text: '' }
  for (const [id, wrong] of Object.entries({
    a: { ...sound, points: [1, 1, 2] },
    b: { ...sound, points: Array.from({ length: 5_000 }, () => 1) },
    c: { ...sound, points: [1, Number.NaN, 2, Number.POSITIVE_INFINITY] },
    d: { ...sound, shape: 'script' },
    e: { ...sound, on: 10 },
    f: { ...sound, colour: 'url(x)' },
    g: { ...sound, text: 'of a pen' },
    h: { ...sound, shape: 'text', points: [1, 1], text: 'x'.repeat(81) },
    i: { ...sound, points: [1, 1, 1e9, 2] },
    'not an id!': sound,
    k: 'pen',
    l: null,
  }))
    marks.set(id, wrong)
}

const drawn = {
  edits: drawing,
  hostile: hostileDrawing,
  finished: {
    write(doc: Y.Doc, promptId: string) {
      addCard(doc, promptId, 'a', 'The *gate*')
      pinTo(doc, promptId, 'a', { on: 0, x: 10, y: 20 })
      addCard(doc, promptId, 'b', ' ')
      putMark(doc, promptId, { id: 'm', on: 0, shape: 'arrow', points: [1, 2, 3, 4], colour: 1, text: '' })
      putMark(doc, promptId, { id: 'n', on: 0, shape: 'text', points: [1, 2], colour: 1, text: 'wet' })
    },
    texts: ['The *gate*', 'wet'],
  },
  inMarkdown: ['1. The *gate*', '2. wet'],
}

export const EXAMPLES: { [Kind in PromptKind]: Record<string, KindExample> } = {
  file: {
    'pages to read': {
      settings: { show: `${'a'.repeat(64)}|pdf|The | old map` },
      edits: fc.oneof(
        cardEdits,
        onCard((doc, promptId, id, said) => setSpot(doc, promptId, id, said.length)),
      ),
      hostile(doc, promptId) {
        hostileCards(doc, promptId)
        const strange = new Y.Map<unknown>([
          ['id', 'x y'],
          ['text', 'no shared text'],
          ['spot', Number.NaN],
        ])
        cardsOf(doc, promptId).push([strange])
      },
      finished: {
        write(doc, promptId) {
          addCard(doc, promptId, 'a', 'A *reed*')
          setSpot(doc, promptId, 'a', 3)
          addCard(doc, promptId, 'b', ' ')
        },
        texts: ['A *reed*'],
      },
    },
    'a sound': {
      settings: { show: { file: 'b'.repeat(64), is: 'sound', title: 'Wren' } },
      edits: cardEdits,
      hostile: hostileCards,
      finished: { write: (doc, promptId) => addCard(doc, promptId, 'a', 'loud'), texts: ['loud'] },
    },
  },
  pictures: {
    'two beside each other': {
      settings: {
        pictures: [`${'a'.repeat(64)}|1200x800|The | map`, { file: 'b'.repeat(64), title: 'Birds' }],
      },
      ...drawn,
    },
    'of the group’s own': {
      settings: { add: true },
      ...drawn,
      edits: fc.oneof(
        drawn.edits,
        fc.nat(15).map(
          (digit): Edit =>
            (doc, promptId) => {
              addPicture(doc, promptId, { file: digit.toString(16).repeat(64), width: 4, height: 3 })
            },
        ),
        fc.nat(5).map(
          (place): Edit =>
            (doc, promptId) => {
              if (addedOf(doc, promptId).has(String(place))) takePictureAway(doc, promptId, 4 + place)
            },
        ),
      ),
      hostile(doc, promptId) {
        hostileDrawing(doc, promptId)
        const added = addedOf(doc, promptId)
        added.set('0', { file: '../../etc/passwd', width: 4, height: 3 })
        added.set('1', { file: 'a'.repeat(64), width: 0, height: 3 })
        added.set('2', new Y.Text('a'.repeat(64)))
        added.set('9', { file: 'a'.repeat(64), width: 4, height: 3 })
      },
    },
  },
  sketch: { 'on an empty ground': drawn },
  'hidden-text': {
    'a hint': { settings: { hidden: 'Look at the bill.', opens: 'facilitator' }, nothingToWrite: true },
  },
  cards: {
    'in one space': {
      edits: arranging,
      hostile: hostileCards,
      finished: {
        write(doc, promptId) {
          addCard(doc, promptId, 'a', '# one_two')
          addCard(doc, promptId, 'b', ' ')
          addCard(doc, promptId, 'c', '- *three*')
          moveCard(doc, promptId, 'c', 0, 'a')
        },
        texts: ['- *three*', '# one_two'],
      },
    },
    'in columns': {
      settings: { columns: 'For\nAgainst\nFor now', mostEach: 3, seen: 'when-opened' },
      edits: arranging,
      hostile: hostileCards,
      finished: {
        write(doc, promptId) {
          addCard(doc, promptId, 'a', 'dear', 1)
          addCard(doc, promptId, 'b', 'quick')
          addCard(doc, promptId, 'c', 'cheap')
          joinHeap(doc, promptId, 'c', 'b', 'heap')
        },
        texts: ['For: quick', 'For: cheap', 'Against: dear'],
      },
      inMarkdown: ['quick', 'cheap', 'dear'],
    },
  },
  sheet: {
    'begun with a text': {
      settings: { begin: '# What we saw\n\nFirst we\n- heard\n- saw' },
      edits: sheetEdits,
      hostile(doc, promptId) {
        beginSheets(doc, {
          prompts: [
            {
              id: promptId,
              kind: 'sheet',

              settings: { begin: '# What we saw\nFirst we\n- heard\n- saw' },
            },
          ],
        })
      },
      finished: {
        write(doc, promptId) {
          const heading = new Y.XmlElement('heading')
          heading.insert(0, [new Y.XmlText('What we saw')])
          const table = new Y.XmlElement('table')
          table.insert(
            0,
            [
              ['Bird', 'Why'],
              ['Wren', 'small'],
            ].map(cells => {
              const row = new Y.XmlElement('tableRow')
              const made = cells.map(text => {
                const cell = new Y.XmlElement('tableCell')
                cell.insert(0, [paragraphOf(text)])
                return cell
              })
              row.insert(0, made)
              return row
            }),
          )
          sheetOf(doc, promptId).insert(0, [heading, table])
        },
        texts: ['# What we saw\nBird | Why\nWren | small'],
      },
    },
    'with pictures in it, and marks': {
      settings: { pictures: [`${'a'.repeat(64)}|1200x800|The jetty`] },
      edits: fc.oneof(
        sheetEdits,
        fc.constant<Edit>((doc, promptId) => sheetOf(doc, promptId).push([pictureOf('The jetty')])),
      ),
      hostile(doc, promptId) {
        sheetOf(doc, promptId).push([new Y.XmlElement('script')])
      },
      finished: {
        write(doc, promptId) {
          const said = new Y.XmlText()
          said.insert(0, 'It is ')
          said.insert(6, 'rotten', { highlight: {} })
          const paragraph = new Y.XmlElement('paragraph')
          paragraph.insert(0, [said])
          const nameless = pictureOf('')
          nameless.setAttribute('title', { toString: 'no text' } as never)
          sheetOf(doc, promptId).insert(0, [paragraph, pictureOf('The jetty'), nameless])
        },
        texts: ['It is ==rotten==\n[Picture: The jetty]\n[Picture]'],
      },
    },
    'several paragraphs': {
      edits: sheetEdits,
      hostile(doc, promptId) {
        const strange = new Y.XmlElement('script')
        strange.insert(0, [new Y.XmlElement('b'), new Y.XmlHook('hook') as never])
        sheetOf(doc, promptId).insert(0, [strange])
      },
      finished: {
        write: (doc, promptId) =>
          sheetOf(doc, promptId).insert(0, ['Roll it.', '- feel', '- look'].map(paragraphOf)),
        texts: ['Roll it.\n- feel\n- look'],
      },
    },
  },
  'yes-no': {
    'a decision': {
      edits: fc.oneof(
        fc.constantFrom('yes', 'no').map(
          (said): Edit =>
            (doc, promptId) =>
              answerOf(doc, promptId).set('answer', said),
        ),
        fc.constant<Edit>((doc, promptId) => answerOf(doc, promptId).delete('answer')),
        word.map(
          (said): Edit =>
            (doc, promptId) =>
              editText(reasonOf(doc, promptId), said),
        ),
      ),
      hostile(doc, promptId) {
        answerOf(doc, promptId).set('answer', { yes: true })
        answerOf(doc, promptId).set('other', 'yes')
      },
      finished: {
        write(doc, promptId) {
          answerOf(doc, promptId).set('answer', 'yes')
          reasonOf(doc, promptId).insert(0, '*mud*')
        },
        texts: ['Yes: *mud*'],
      },
    },
  },
  choice: {
    'by the group': {
      settings: { options: ['Reeds', 'Reeds: new', 'Peat'], reasons: true },
      edits: fc.oneof(
        fc.nat(4).map(
          (said): Edit =>
            (doc, promptId) =>
              decidedOf(doc, promptId).set('answer', said),
        ),
        fc.constant<Edit>((doc, promptId) => decidedOf(doc, promptId).delete('answer')),
        word.map(
          (said): Edit =>
            (doc, promptId) =>
              editText(becauseOf(doc, promptId), said),
        ),
      ),
      hostile(doc, promptId) {
        decidedOf(doc, promptId).set('answer', '0')
        eachOf(doc, promptId).set('ana', { answer: 0, reason: '' })
      },
      finished: {
        write(doc, promptId) {
          decidedOf(doc, promptId).set('answer', 1)
          becauseOf(doc, promptId).insert(0, 'wet')
        },
        texts: ['B Reeds: new: wet'],
      },
    },
    'by each': {
      settings: { by: 'each', options: 'Yes\nNo' },
      edits: byEach(
        fc.option(
          fc.record({ answer: fc.option(fc.nat(3), { nil: null }), reason: fc.oneof(word, fc.constant('')) }),
        ),
      ),
      hostile: hostileEach,
      finished: {
        write(doc, promptId) {
          eachOf(doc, promptId).set('bo', { answer: 1, reason: 'wet' })
          eachOf(doc, promptId).set('ana', { answer: 0, reason: '' })
        },
        texts: ['A Yes', 'B No: wet'],
      },
    },
  },
  scale: {
    'of five steps': {
      settings: { low: 'Lost', high: 'Ready' },
      edits: byEach(
        fc.option(
          fc.record({
            value: fc.option(fc.integer({ min: 0, max: 6 }), { nil: null }),
            reason: fc.oneof(word, fc.constant('')),
          }),
        ),
      ),
      hostile: hostileEach,
      finished: {
        write(doc, promptId) {
          eachOf(doc, promptId).set('bo', { value: 2, reason: 'wet' })
          eachOf(doc, promptId).set('ana', { value: 5, reason: ' ' })
        },
        texts: ['5 of 5', '2 of 5: wet'],
      },
    },
  },
  'short-answers': {
    'words and numbers': {
      settings: { fields: 'Who you asked\nDepth | cm | 0 to 300\nBirds | |' },
      edits: fc.tuple(fc.nat(3), fc.oneof(word, fc.constantFrom('41', '-3', '2,5'))).map(
        ([place, said]): Edit =>
          (doc, promptId) =>
            editText(fieldOf(doc, promptId, place), said),
      ),
      hostile(doc, promptId) {
        fieldOf(doc, promptId, 77).insert(0, 'no such field')
        doc.getText(`field:${promptId}/x`).insert(0, 'nor this')
      },
      finished: {
        write(doc, promptId) {
          for (const [place, said] of ['Ana *B*', '41', ' 7 '].entries())
            fieldOf(doc, promptId, place).insert(0, said)
        },
        texts: ['Who you asked: Ana *B*', 'Depth: 41 cm', 'Birds: 7'],
      },
    },
  },
  table: {
    'rows that are added': {
      settings: { columns: 'Bird\nWhy' },
      edits: tableEdits(['x', 'y', 'z']),
      hostile: hostileCards,
      finished: {
        write(doc, promptId) {
          addRow(doc, promptId, { id: 'x', label: '' })
          cellOf(doc, promptId, 'x', 0).insert(0, 'heron')
          cellOf(doc, promptId, 'x', 1).insert(0, '*tall*')
        },
        texts: ['Bird heron; Why *tall*'],
      },
    },
    'rows that are given': {
      settings: { rows: 'given', lines: 'Water\nPeat', columns: 'Seen\nWhy' },
      edits: tableEdits(['r0', 'r1', 'r2']),
      hostile(doc, promptId) {
        cellOf(doc, promptId, 'r9', 0).insert(0, 'no such row')
        cellOf(doc, promptId, 'r0', 9).insert(0, 'no such column')
      },
      finished: {
        write(doc, promptId) {
          for (const row of ['r0', 'r1'])
            for (const column of [0, 1]) cellOf(doc, promptId, row, column).insert(0, row)
        },
        texts: ['Water: Seen r0; Why r0', 'Peat: Seen r1; Why r1'],
      },
    },
    'rows of people': {
      settings: { rows: 'people', columns: 'Says\nMeans' },
      edits: tableEdits(['ana', 'bo', 'chi']),
      hostile: hostileCards,
      finished: {
        write(doc, promptId) {
          addRow(doc, promptId, { id: 'ana', label: 'Ana' })
          for (const column of [0, 1]) cellOf(doc, promptId, 'ana', column).insert(0, 'mud')
        },
        texts: ['Ana: Says mud; Means mud'],
      },
    },
  },
  checklist: {
    'given lines and own ones': {
      settings: { lines: 'Boots (high)\nNet', add: true },
      edits: fc.oneof(
        cardEdits,
        fc.tuple(fc.constantFrom('l0', 'l1', 'l2', 'fresh-0', 'fresh-1'), fc.boolean()).map(
          ([id, done]): Edit =>
            (doc, promptId) =>
              tick(doc, promptId, id, done),
        ),
        fc.tuple(fc.constantFrom('l0', 'l1', 'fresh-0'), fc.option(word, { nil: null })).map(
          ([id, name]): Edit =>
            (doc, promptId) =>
              giveLine(doc, promptId, id, name === null ? null : { id: 'ana', name }),
        ),
      ),
      hostile(doc, promptId) {
        hostileCards(doc, promptId)
        ticksOf(doc, promptId).set('l0/done', 'yes')
        ticksOf(doc, promptId).set('l0/for', { name: 7 })
        ticksOf(doc, promptId).set('l77/done', true)
      },
      finished: {
        write(doc, promptId) {
          tick(doc, promptId, 'l0', true)
          giveLine(doc, promptId, 'l0', { id: 'ana', name: 'Ana' })
          tick(doc, promptId, 'l1', true)
        },
        texts: ['[x] Boots (high) (Ana)', '[x] Net'],
      },
    },
  },
  'put-in-order': {
    'by the group': {
      settings: { lines: 'Look\n2. Draw\nName' },
      edits: fc.oneof(
        fc.tuple(fc.nat(2), fc.nat(4)).map(
          ([line, place]): Edit =>
            (doc, promptId) =>
              putAt(doc, promptId, 3, line, place),
        ),
        fc.nat(2).map(
          (line): Edit =>
            (doc, promptId) =>
              takeOut(doc, promptId, line),
        ),
      ),
      hostile(doc, promptId) {
        for (const [key, value] of Object.entries({ l0: 7, l1: '', l2: 'not a place!', l9: 'a0', x: 'a0' }))
          orderOf(doc, promptId).set(key, value)
      },
      finished: {
        write(doc, promptId) {
          for (const [line, place] of [
            [0, 0],
            [2, 0],
            [1, 1],
          ] as const)
            putAt(doc, promptId, 3, line, place)
        },
        texts: ['1. Name', '2. 2. Draw', '3. Look'],
      },
    },
  },
  points: {
    'of each': {
      settings: { over: 'cards', points: 5 },
      edits: fc.oneof(
        byEachPoints(fc.option(fc.array(given, { maxLength: 3 }))),
        fc.tuple(person, given).map(
          ([id, one]): Edit =>
            (doc, promptId) =>
              giveOwn(doc, promptId, id, [], one),
        ),
      ),
      hostile(doc, promptId) {
        hostileEach(doc, promptId)
        eachOf(doc, promptId).set('ana', [{ id: 'x', label: 'all', count: 6 }])
        eachOf(doc, promptId).set('bo', [{ id: 'x', label: 'less than none', count: -1 }])
        sharedOf(doc, promptId).set('x', { id: 'x', label: 'not shared', count: 1 })
      },
      finished: {
        write(doc, promptId) {
          giveOwn(doc, promptId, 'ana', [{ id: 'x', label: 'Reeds', count: 1 }], {
            id: 'y',
            label: '*Otters*',
            count: 2,
          })
          giveOwn(doc, promptId, 'bo', [], { id: 'x', label: 'Reeds', count: 2 })
        },
        texts: ['2 *Otters*\n1 Reeds', '2 Reeds'],
      },
      inMarkdown: ['Reeds: 3 points', '*Otters*: 2 points'],
    },
    'of the group': {
      settings: { over: 'cards', by: 'group', points: 4 },
      edits: fc.tuple(given, fc.nat(3)).map(
        ([one, count]): Edit =>
          (doc, promptId) =>
            giveShared(doc, promptId, { ...one, count }),
      ),
      hostile(doc, promptId) {
        sharedOf(doc, promptId).set('x', { id: 'y', label: 'another', count: 1 })
        sharedOf(doc, promptId).set('y', 7)
        eachOf(doc, promptId).set('ana', [{ id: 'x', label: 'her own', count: 1 }])
      },
      finished: {
        write(doc, promptId) {
          giveShared(doc, promptId, { id: 'x', label: 'Reeds', count: 3 })
          giveShared(doc, promptId, { id: 'y', label: 'Otters', count: 1 })
        },
        texts: ['3 Reeds\n1 Otters'],
      },
      inMarkdown: ['Reeds: 3 points', 'Otters: 1 point'],
    },
  },
  words: {
    'at most three': {
      edits: cardEdits,
      hostile: hostileCards,
      finished: {
        write(doc, promptId) {
          addCard(doc, promptId, 'a', ' Reed ')
          addCard(doc, promptId, 'b', ' ')
          addCard(doc, promptId, 'c', 'wet  feet')
        },
        texts: ['Reed', 'wet feet'],
      },
    },
  },
  link: {
    'with remarks': {
      settings: { address: 'https://lowmarsh.example/map' },
      edits: cardEdits,
      hostile: hostileCards,
      finished: {
        write: (doc, promptId) => addCard(doc, promptId, 'a', '_old_ map'),
        texts: ['_old_ map'],
      },
    },
  },
}
