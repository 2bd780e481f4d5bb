import fc from 'fast-check'
import * as Y from 'yjs'
import type { Board } from './board'
import { BoardEntries } from './entries'
import { addCard, cardsOf, removeCard } from './prompts/cards/document'
import { piecesOf, readAnswer } from './prompts/kinds'
import { sheetOf } from './prompts/sheet/document'
import { answerOf, reasonOf } from './prompts/yes-no/document'
import { editText } from './text-edit'

const board: Board = {
  title: 'Board',
  steps: [],
  prompts: [
    { id: 'c', kind: 'cards', text: 'Cards?', settings: {} },
    { id: 'd', kind: 'cards', text: 'More cards?', settings: {} },
    { id: 's', kind: 'sheet', text: 'Sheet?', settings: {} },
    { id: 'y', kind: 'yes-no', text: 'Yes?', settings: {} },
  ],
}

/** What the changes told so far add up to, by prompt and entry. */
function following(doc: Y.Doc) {
  const entries = new BoardEntries(doc, board)
  const said = new Map<string, string>()
  for (const prompt of board.prompts)
    for (const [id, text] of piecesOf(readAnswer(doc, prompt))) said.set(`${prompt.id}/${id}`, text)
  const told: string[][] = []
  doc.on('update', (_update: Uint8Array, _origin: unknown, _doc: Y.Doc, transaction: Y.Transaction) => {
    const changed = entries.changedBy(transaction)
    told.push(changed.map(one => `${one.promptId}/${one.entryId}`))
    for (const { promptId, entryId, text } of changed) said.set(`${promptId}/${entryId}`, text)
  })
  return { said, told }
}

const written = (entries: Iterable<[string, string]>): [string, string][] =>
  [...entries].filter(([, text]) => text !== '').sort()

const standing = (doc: Y.Doc): [string, string][] =>
  written(
    board.prompts.flatMap(prompt =>
      [...piecesOf(readAnswer(doc, prompt))].map(([id, text]): [string, string] => [
        `${prompt.id}/${id}`,
        text,
      ]),
    ),
  )

const prompt = fc.constantFrom('c', 'd')
const name = fc.constantFrom('x', 'y', 'z', 'u', 'v')
const place = fc.nat(5)
const word = fc.constantFrom('', 'reed', 'peat', 'old reed')
const edit = fc.oneof(
  fc.record({ kind: fc.constant('add' as const), prompt, name, word }),
  fc.record({ kind: fc.constant('write' as const), prompt, place, word }),
  fc.record({ kind: fc.constant('rename' as const), prompt, place, name }),
  fc.record({ kind: fc.constant('remove' as const), prompt, name }),
  fc.record({ kind: fc.constant('spoil' as const), prompt, place }),
  fc.record({ kind: fc.constant('scrawl' as const), prompt, word }),
  fc.record({ kind: fc.constant('decide' as const), word }),
  fc.record({ kind: fc.constant('sheet' as const), word }),
)

function apply(doc: Y.Doc, one: typeof edit extends fc.Arbitrary<infer Edit> ? Edit : never): unknown {
  const cards = 'prompt' in one ? cardsOf(doc, one.prompt) : undefined
  const card = 'place' in one && cards && cards.length > 0 ? cards.get(one.place % cards.length) : undefined
  switch (one.kind) {
    case 'add':
      return doc.transact(() => addCard(doc, one.prompt, one.name, one.word))
    case 'scrawl':
      // What no browser of ours would write there.
      return (doc.getArray(`cards:${one.prompt}`) as Y.Array<unknown>).push([one.word])
    case 'remove':
      return removeCard(doc, one.prompt, one.name)
    case 'rename':
      return card instanceof Y.Map && card.set('id', one.name)
    case 'spoil':
      return card instanceof Y.Map && card.set('text', 7)
    case 'write': {
      const text = card instanceof Y.Map ? card.get('text') : undefined
      if (text instanceof Y.Text) editText(text, one.word)
      return
    }
    case 'decide':
      return doc.transact(() => {
        answerOf(doc, 'y').set('answer', one.word === '' ? null : 'yes')
        editText(reasonOf(doc, 'y'), one.word)
      })
    case 'sheet':
      return sheetOf(doc, 's').insert(0, [new Y.XmlText(one.word)])
  }
}

test('what was told adds up to what stands there, whatever two writers do and send each other', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.boolean(), edit), { maxLength: 40 }), fc.nat(6), (edits, every) => {
      const [server, client] = [new Y.Doc(), new Y.Doc()]
      const { said } = following(server)
      for (const [number, [atServer, one]] of edits.entries()) {
        apply(atServer ? server : client, one)
        if (number % (every + 1) === 0) {
          Y.applyUpdate(server, Y.encodeStateAsUpdate(client, Y.encodeStateVector(server)))
          Y.applyUpdate(client, Y.encodeStateAsUpdate(server, Y.encodeStateVector(client)))
        }
        expect(written(said)).toEqual(standing(server))
      }
    }),
    { numRuns: 300 },
  )
})

test('a board that was written before is known when it is opened', () => {
  const doc = new Y.Doc()
  addCard(doc, 'c', 'x', 'reed')
  addCard(doc, 'c', 'y', 'peat')
  const { said, told } = following(doc)
  const text = cardsOf(doc, 'c').get(0).get('text') as Y.Text
  editText(text, 'old reed')
  expect(told).toEqual([['c/x']])
  removeCard(doc, 'c', 'y')
  expect(written(said)).toEqual([['c/x', 'old reed']])
})

test('a card that another has doubled is what the last of the two says', () => {
  const doc = new Y.Doc()
  const { said } = following(doc)
  addCard(doc, 'c', 'x', 'reed')
  addCard(doc, 'c', 'x', 'peat')
  expect(written(said)).toEqual([['c/x', 'peat']])
  removeCard(doc, 'c', 'x')
  expect(written(said)).toEqual(standing(doc))
})
