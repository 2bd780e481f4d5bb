import fc from 'fast-check'
import { type KindExample, promptKindConforms } from 'tests/conformance/prompt-kind'
import * as Y from 'yjs'
import { editText } from '../text-edit'
import { addCard, cardsOf, cardText, putCardBack, removeCard } from './cards/document'
import { KINDS, type Prompt, type PromptKind, promptSchema, readAnswer } from './kinds'
import { sheetOf } from './sheet/document'
import { answerOf, reasonOf } from './yes-no/document'

const word = fc.constantFrom('reed', 'peat *and* mud', 'old\nreed', '# 1. _ä_', 'x | y')

type Edit = (doc: Y.Doc, promptId: string, fresh: string) => void

/** The card at a place, removed ones too. */
const cardAt = (doc: Y.Doc, promptId: string, index: number) => {
  const ids = cardsOf(doc, promptId)
    .toArray()
    .map(card => String(card.get('id')))
  return ids[index % Math.max(1, ids.length)]
}

const onCard = (change: (doc: Y.Doc, promptId: string, id: string, said: string) => void) =>
  fc.tuple(fc.nat(9), word).map(
    ([index, said]): Edit =>
      (doc, promptId) => {
        const id = cardAt(doc, promptId, index)
        if (id !== undefined) change(doc, promptId, id, said)
      },
  )

function paragraphOf(text: string): Y.XmlElement {
  const paragraph = new Y.XmlElement('paragraph')
  paragraph.insert(0, [new Y.XmlText(text)])
  return paragraph
}

const EXAMPLES: { [Kind in PromptKind]: KindExample } = {
  cards: {
    edits: fc.oneof(
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
    ),
    hostile(doc, promptId) {
      const list = cardsOf(doc, promptId) as unknown as Y.Array<unknown>
      const text = new Y.Text('no id')
      list.push(['junk', 7, null, new Y.Map([['id', 7]]), new Y.Map([['text', text]]), new Y.Array()])
      list.push([
        new Y.Map<unknown>([
          ['id', 'x'],
          ['text', 'no shared text'],
        ]),
      ])
    },
    finished: {
      write(doc, promptId) {
        addCard(doc, promptId, 'a', '# one_two')
        addCard(doc, promptId, 'b', ' ')
        addCard(doc, promptId, 'c', '- *three*')
      },
      texts: ['# one_two', '- *three*'],
    },
  },
  sheet: {
    edits: fc.oneof(
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
    ),
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
  'yes-no': {
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
}

describe.each(Object.keys(KINDS) as PromptKind[])('%s', kind => {
  promptKindConforms(kind, EXAMPLES[kind])
})

test('a kind that is not known here is neither kept nor read as another', () => {
  const unknown = { id: 'p', kind: 'hologram', text: 'What?', settings: {} }
  expect(promptSchema.safeParse(unknown).success).toBe(false)
  expect(() => readAnswer(new Y.Doc(), unknown as unknown as Prompt)).toThrow('hologram')
})
