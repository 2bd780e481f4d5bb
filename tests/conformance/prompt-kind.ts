/** What every kind of prompt has to hold, whatever it is and is set to: run for each kind there is. */
import { Parser } from 'commonmark'
import fc from 'fast-check'
import type { RootContent } from 'mdast'
import { toMarkdown } from 'mdast-util-to-markdown'
import * as Y from 'yjs'
import { BoardEntries, type ChangedEntry } from '~/core/boards/entries'
import { addCard } from '~/core/boards/prompts/cards/document'
import {
  type Answer,
  isBegun,
  isDone,
  KINDS,
  markdownOf,
  missingIn,
  type Prompt,
  type PromptKind,
  paperOf,
  piecesOf,
  placesUnder,
  promptSchema,
  readAnswer,
  removedUnder,
  restoredAnswer,
  summaryOf,
  takeableIn,
  textsOf,
} from '~/core/boards/prompts/kinds'
import type { Takeable } from '~/core/boards/prompts/place'
import { giveTo, type Kept, keptOf, takeFrom } from '~/core/boards/prompts/taking'
import { isIn } from '~/core/boards/touched'
import { lookAt } from '~/core/boards/updates/look'
import { randomStream } from '~/core/random/random'
import { writeUnder } from '~/core/rehearsal/writing'

/** What the suite has to know of a kind to try it. */
export type KindExample = Written | NothingToWrite

/** A kind under which nothing is written has nothing to be tried but its settings. */
interface NothingToWrite {
  settings: object
  nothingToWrite: true
}

interface Written {
  nothingToWrite?: never
  /** What is set about it, as a form has it. */
  settings?: object
  /** Edits as our own page makes them. `fresh` is an id nobody has used. */
  edits: fc.Arbitrary<(doc: Y.Doc, promptId: string, fresh: string) => void>
  /** What no page of ours writes: none of it may be read as an answer. */
  hostile: (doc: Y.Doc, promptId: string) => void
  /** Writes an answer that is done, with exactly these texts. */
  finished: { write: (doc: Y.Doc, promptId: string) => void; texts: string[] }
  /** What of it stands in the Markdown, when that is not the texts themselves. */
  inMarkdown?: string[]
}

const WRITERS = 4

export function promptKindConforms<Kind extends PromptKind>(kind: Kind, example: KindExample): void {
  const prompt = promptSchema.parse({ id: 'p', kind, text: 'What?', settings: example.settings }) as Prompt
  const board = { title: 'Board', steps: [], prompts: [prompt] }

  test('untouched, it is empty in every way', () => {
    const doc = new Y.Doc()
    const answer = readAnswer(doc, prompt)
    expect([isBegun(answer), isDone(answer), textsOf(answer), markdownOf(answer)]).toEqual([
      false,
      false,
      [],
      [],
    ])
    expect(removedUnder(doc, prompt)).toEqual([])
    expect(summaryOf(answer)).not.toBe('')
  })

  test('its settings survive being kept, and an empty form is a valid setting', () => {
    expect(promptSchema.parse(JSON.parse(JSON.stringify(prompt)))).toEqual(prompt)
    const empty = promptSchema.parse({ id: 'p', kind, text: 'What?' })
    expect(promptSchema.parse({ id: 'p', kind, text: 'What?', settings: {} })).toEqual(empty)
    expect(missingIn(prompt)).toBeNull()
  })

  test('it says of itself whether anything is written under it', () => {
    expect((KINDS[kind] as { nothingToWrite?: true }).nothingToWrite).toBe(example.nothingToWrite)
  })

  test('on paper it has room to answer, and nothing that was set about it is left out', () => {
    const paper = paperOf(prompt, ['Ana', 'Bo'])
    expect(paper.length).toBeGreaterThan(0)
    for (const one of paper) if (one.is === 'lines') expect(one.count).toBeGreaterThan(0)
    const settings = Object.entries(prompt.settings).flatMap(([name, value]) =>
      ['columns', 'options', 'lines', 'low', 'high', 'address'].includes(name) ? [value].flat() : [],
    )
    const written = JSON.stringify(paper)
    const isOf = (value: unknown) => written.includes(JSON.stringify(value).slice(1, -1))
    // Rows that are the people of the group, or added, are not given.
    const rowsAre = 'rows' in prompt.settings ? prompt.settings.rows : 'given'
    expect(settings.filter(value => !isOf(value) && rowsAre === 'given')).toEqual([])
  })

  if (example.nothingToWrite) {
    test('nothing that is written in its name is an answer', () => {
      const doc = new Y.Doc()
      addCard(doc, prompt.id, 'a', 'dear')
      doc.getText(prompt.id).insert(0, 'dear')
      expect(KINDS[kind].roots(prompt.id)).toEqual([])
      expect(textsOf(readAnswer(doc, prompt))).toEqual([])
    })
    return
  }

  test('what four write at once through bad networks is the same for all in the end, and nothing else is touched', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(WRITERS - 1), example.edits, fc.nat(WRITERS - 1), fc.boolean()), {
          maxLength: 30,
        }),
        steps => {
          const docs = Array.from({ length: WRITERS }, () => new Y.Doc())
          const at = (index: number) => docs[index] as Y.Doc
          for (const [number, [writer, edit, other, dropped]] of steps.entries()) {
            edit(at(writer), prompt.id, `fresh-${number}`)
            if (!dropped) Y.applyUpdate(at(other), Y.encodeStateAsUpdate(at(writer)))
          }
          for (const from of docs) for (const to of docs) Y.applyUpdate(to, Y.encodeStateAsUpdate(from))
          const [first, ...others] = docs.map(doc => readAnswer(doc, prompt))
          for (const answer of others) expect(answer).toEqual(first)
          const roots = KINDS[kind].roots(prompt.id)
          for (const name of at(0).share.keys()) expect(roots.some(root => isIn(name, root))).toBe(true)
        },
      ),
      { numRuns: 100 },
    )
  })

  test('in a rehearsal each simulated participant writes there what is taken in, and what is read', () => {
    const card = promptSchema.parse({ id: 'cards', kind: 'cards', text: 'Which?', settings: {} }) as Prompt
    const members = ['ana', 'bo', 'chi'].map(id => ({ id, shownName: id }))
    for (const seed of [1, 2, 3, 4, 5]) {
      const server = new Y.Doc()
      const random = randomStream(seed)
      addCard(server, 'cards', 'x', 'Reeds')
      let fresh = 0
      for (let go = 0; go < 12; go++) {
        const browser = new Y.Doc()
        Y.applyUpdate(browser, Y.encodeStateAsUpdate(server))
        browser.on('update', (update: Uint8Array) => {
          expect(lookAt(update, server)).toMatchObject({ ok: true })
          Y.applyUpdate(server, update)
        })
        const { id } = members[go % members.length] as (typeof members)[number]
        writeUnder(browser, prompt, {
          id,
          members,
          random,
          prompts: [card, prompt],
          freshId: () => `f${seed}-${fresh++}`,
        })
      }
      const answer = readAnswer(server, prompt)
      expect(textsOf(answer).length).toBeGreaterThan(0)
      expect(isBegun(answer)).toBe(true)
    }
  })

  test('the pieces that are told as changed add up to those that stand there', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.boolean(), example.edits), { maxLength: 30 }), steps => {
        const [server, client] = [new Y.Doc(), new Y.Doc()]
        const entries = new BoardEntries(server, board)
        const said = new Map<string, string>()
        server.on('update', (_update: Uint8Array, _origin: unknown, _doc: Y.Doc, change: Y.Transaction) => {
          for (const { entryId, text } of entries.changedBy(change)) said.set(entryId, text)
        })
        for (const [number, [here, edit]] of steps.entries()) {
          edit(here ? server : client, prompt.id, `fresh-${number}`)
          Y.applyUpdate(server, Y.encodeStateAsUpdate(client, Y.encodeStateVector(server)))
          Y.applyUpdate(client, Y.encodeStateAsUpdate(server, Y.encodeStateVector(client)))
        }
        const spoken = (pieces: Iterable<[string, string]>) => [...pieces].filter(([, text]) => text).sort()
        expect(spoken(said)).toEqual(spoken(piecesOf(readAnswer(server, prompt))))
        expect(entries.mends(() => 'never')).toEqual([])
      }),
      { numRuns: 100 },
    )
  })

  test('an answer is restored from its pieces, whatever people wrote', () => {
    fc.assert(
      fc.property(fc.array(example.edits, { maxLength: 30 }), edits => {
        const doc = new Y.Doc()
        for (const [number, edit] of edits.entries()) edit(doc, prompt.id, `fresh-${number}`)
        const answer = readAnswer(doc, prompt)
        const restored = restoredAnswer(prompt, piecesOf(answer))
        expect(restored).toMatchObject({ kind, promptId: prompt.id })
        expect(textsOf(restored)).toEqual(textsOf(answer))
        expect([isDone(restored), summaryOf(restored)]).toEqual([isDone(answer), summaryOf(answer)])
      }),
      { numRuns: 100 },
    )
  })

  test('what a hostile writer put there is no answer, and following it does no harm', () => {
    const doc = new Y.Doc()
    const entries = new BoardEntries(doc, board)
    doc.on('update', (_update: Uint8Array, _origin: unknown, _doc: Y.Doc, change: Y.Transaction) => {
      entries.changedBy(change)
    })
    example.hostile(doc, prompt.id)
    expect(textsOf(readAnswer(doc, prompt))).toEqual([])
    expect(isDone(readAnswer(doc, prompt))).toBe(false)
  })

  test('what is finished is done, and its texts stand in the table and in the Markdown', () => {
    const doc = new Y.Doc()
    example.finished.write(doc, prompt.id)
    const answer: Answer = readAnswer(doc, prompt)
    expect([isBegun(answer), isDone(answer)]).toEqual([true, true])
    expect(textsOf(answer)).toEqual(example.finished.texts)
    const read = textIn(markdownOf(answer))
    for (const text of example.inMarkdown ?? example.finished.texts)
      for (const line of text.split('\n')) expect(read).toContain(line.replace(/^[-#] /, ''))
  })

  test('what stands there can be taken off the board, one piece after the other, and given back', () => {
    fc.assert(
      fc.property(fc.array(example.edits, { maxLength: 20 }), edits => {
        const doc = new Y.Doc()
        for (const [number, edit] of edits.entries()) edit(doc, prompt.id, `fresh-${number}`)
        const before = Y.encodeStateAsUpdate(doc)
        const texts = linesOf(readAnswer(doc, prompt))
        const taken: { piece: Takeable; kept: Kept }[] = []
        for (const piece of takeableIn(readAnswer(doc, prompt))) {
          const places = placesUnder(doc, prompt, piece)
          taken.push({ piece, kept: JSON.parse(JSON.stringify(keptOf(places))) })
          doc.transact(() => takeFrom(places))
          // Nor does it come again from somebody who has not heard of it.
          Y.applyUpdate(doc, before)
          expect(keptOf(places).filter(kept => kept !== null)).toEqual([])
        }
        for (const { piece, kept } of taken.toReversed())
          doc.transact(() => giveTo(placesUnder(doc, prompt, piece), kept))
        expect(linesOf(readAnswer(doc, prompt))).toEqual(texts)
      }),
      { numRuns: 100 },
    )
  })

  test('of words that are taken off nothing is left in the document', () => {
    const doc = new Y.Doc()
    example.finished.write(doc, prompt.id)
    const pieces = takeableIn(readAnswer(doc, prompt))
    // Under these nobody writes words of their own.
    expect(pieces.length > 0).toBe(!['points', 'put-in-order'].includes(kind))
    const kept = pieces.map(piece => keptOf(placesUnder(doc, prompt, piece)))
    doc.transact(() => {
      for (const piece of pieces) takeFrom(placesUnder(doc, prompt, piece))
    })
    const left = Buffer.from(Y.encodeStateAsUpdate(doc)).toString('latin1')
    const words = JSON.stringify(kept).match(/[a-z]{5,}/g) ?? []
    for (const word of words.filter(each => !NAMES_OF_FIELDS.has(each))) expect(left).not.toContain(word)
  })

  test('what somebody wrote who may not is brought back to what stood there', () => {
    fc.assert(
      fc.property(fc.array(example.edits, { minLength: 1, maxLength: 15 }), edits => {
        const doc = new Y.Doc()
        const entries = new BoardEntries(doc, board)
        let changed: ChangedEntry[] = []
        doc.on('update', (_update: Uint8Array, _origin: unknown, _doc: Y.Doc, change: Y.Transaction) => {
          changed = entries.changedBy(change)
        })
        for (const [number, edit] of edits.entries()) {
          const before = piecesOf(readAnswer(doc, prompt))
          changed = []
          edit(doc, prompt.id, `fresh-${number}`)
          const wrong = changed.filter(entry => !entry.mayBeBy('bo'))
          doc.transact(() => {
            for (const entry of wrong) entry.putBack()
          })
          const after = piecesOf(readAnswer(doc, prompt))
          for (const { entryId } of wrong) expect(after.get(entryId) ?? '').toBe(before.get(entryId) ?? '')
        }
      }),
      { numRuns: 100 },
    )
  })
}

/** What is said, in whatever order, without what marks it: that is not given back. */
const linesOf = (answer: Answer): string[] =>
  textsOf(answer)
    .flatMap(text => text.replaceAll('==', '').split('\n'))
    .toSorted()

/** What is called so in a document says nothing of anybody. */
const NAMES_OF_FIELDS = new Set([
  'answer',
  'reason',
  'column',
  'points',
  'shape',
  'value',
  'colour',
  'width',
  'height',
])

/** The text of Markdown, as the reference implementation of CommonMark (the package `commonmark`) reads it. */
function textIn(blocks: RootContent[]): string {
  const walker = new Parser().parse(toMarkdown({ type: 'root', children: blocks })).walker()
  let text = ''
  let number = 1
  for (let event = walker.next(); event; event = walker.next()) {
    const list = event.node.parent
    if (event.entering && event.node.type === 'item' && list?.listType === 'ordered') text += `${number++}. `
    if (event.entering && event.node.type === 'list') number = event.node.listStart
    if (event.entering && event.node.literal) text += event.node.literal
    if (!event.entering && event.node.type === 'paragraph') text += '\n'
  }
  return text
}
