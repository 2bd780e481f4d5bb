import * as Y from 'yjs'
import { randomStream } from '~/core/random/random'
import { addCard, cardsOf } from '../prompts/cards/document'
import { sheetOf } from '../prompts/sheet/document'
import { DEEPEST, lookAt } from './look'

/** A document with a sheet in which an element lies in an element, so often. */
function nested(times: number): Y.Doc {
  const doc = new Y.Doc()
  doc.transact(() => {
    let within: Y.XmlFragment = sheetOf(doc, 's')
    for (let depth = 1; depth < times; depth++) {
      const element = new Y.XmlElement('blockquote')
      within.insert(0, [element])
      within = element
    }
  })
  return doc
}
const whole = Y.encodeStateAsUpdate
const why = (look: ReturnType<typeof lookAt>) => (look.ok ? 'ok' : look.why)

/** The updates of a document's life, one for each transaction. */
function updatesOf(doc: Y.Doc): Uint8Array[] {
  const updates: Uint8Array[] = []
  doc.on('update', update => updates.push(update))
  return updates
}

test('what is written goes on from what is there, and says whose numbers it is written under', () => {
  const [doc, server] = [new Y.Doc(), new Y.Doc()]
  const updates = updatesOf(doc)
  addCard(doc, 'c', 'x', 'reeds')
  cardsOf(doc, 'c').delete(0, 1)
  const [added, taken] = updates as [Uint8Array, Uint8Array]
  expect(lookAt(added, server)).toEqual({ ok: true, writers: [doc.clientID], adds: true, roots: ['cards:c'] })
  expect(why(lookAt(taken, server))).toBe('incomplete')
  Y.applyUpdate(server, added)
  expect(lookAt(added, server)).toEqual({ ok: true, writers: [], adds: false, roots: [] })
  expect(lookAt(taken, server)).toEqual({ ok: true, writers: [], adds: false, roots: [] })
  expect(lookAt(whole(new Y.Doc()), server)).toEqual({ ok: true, writers: [], adds: false, roots: [] })
})

test('an update that lacks its beginning, or names what nobody wrote, is incomplete', () => {
  const doc = new Y.Doc()
  const updates = updatesOf(doc)
  const text = doc.getText('t')
  text.insert(0, 'first')
  text.insert(5, 'second')
  expect(why(lookAt(updates[1] as Uint8Array, new Y.Doc()))).toBe('incomplete')
  // Of another writer, who goes on from the first.
  const other = new Y.Doc()
  Y.applyUpdate(other, updates[0] as Uint8Array)
  const others = updatesOf(other)
  other.getText('t').insert(5, '!')
  expect(why(lookAt(others[0] as Uint8Array, new Y.Doc()))).toBe('incomplete')
  expect(lookAt(Y.mergeUpdates([...updates, ...others]), new Y.Doc())).toMatchObject({ ok: true })
})

test('exactly what Yjs itself would have to put aside is incomplete, whatever is left out of what people write', () => {
  const random = randomStream(11)
  let [taken, refused] = [0, 0]
  for (let number = 0; number < 60; number++) {
    const docs = [new Y.Doc(), new Y.Doc(), new Y.Doc()]
    const all: Uint8Array[] = []
    for (const doc of docs)
      doc.on('update', (update: Uint8Array, origin: unknown) => {
        if (origin === 'heard') return
        all.push(update)
        for (const other of docs)
          if (other !== doc && random.below(3) > 0) Y.applyUpdate(other, update, 'heard')
      })
    for (let step = 0; step < 14; step++) {
      const doc = docs[random.below(3)] as Y.Doc
      const text = doc.getText('t')
      if (random.below(3) === 0 && text.length > 2) text.delete(random.below(text.length - 1), 1)
      else if (random.below(2) === 0) text.insert(random.below(text.length + 1), `${step}abc`)
      else addCard(doc, 'c', `${number}-${step}`, 'card')
    }
    const kept = all.filter(() => random.below(8) > 0)
    const server = new Y.Doc()
    for (const update of kept) {
      const look = lookAt(update, server)
      const tried = new Y.Doc()
      Y.applyUpdate(tried, whole(server))
      Y.applyUpdate(tried, update)
      const aside = tried.store.pendingStructs !== null || tried.store.pendingDs !== null
      expect([number, why(look)]).toEqual([number, aside ? 'incomplete' : 'ok'])
      if (look.ok) Y.applyUpdate(server, update)
      if (look.ok) taken++
      else refused++
    }
  }
  expect(taken).toBeGreaterThan(300)
  expect(refused).toBeGreaterThan(100)
})

test('as deep as people nest lists is well; deeper is refused, all at once or bit by bit, however deep', () => {
  expect(why(lookAt(whole(nested(DEEPEST)), new Y.Doc()))).toBe('ok')
  expect(why(lookAt(whole(nested(DEEPEST + 1)), new Y.Doc()))).toBe('too-deep')
  expect(why(lookAt(whole(nested(1_900)), new Y.Doc()))).toBe('too-deep')
  const [doc, server] = [new Y.Doc(), new Y.Doc()]
  const updates = updatesOf(doc)
  let within: Y.XmlFragment = sheetOf(doc, 's')
  for (let depth = 1; depth < DEEPEST + 20; depth++) {
    const element = new Y.XmlElement('blockquote')
    within.insert(0, [element])
    // A sibling beside it lies no deeper.
    within.insert(1, [new Y.XmlElement('paragraph')])
    within = element
  }
  const refused = updates.map(update => {
    const look = lookAt(update, server)
    if (look.ok) Y.applyUpdate(server, update)
    return why(look)
  })
  expect(refused.filter(each => each === 'ok')).toHaveLength(2 * (DEEPEST - 1))
  expect(refused.find(each => each !== 'ok')).toBe('too-deep')
})

test('what no board holds, and what cannot be read, is refused', () => {
  const doc = new Y.Doc()
  doc.getMap('m').set('sub', new Y.Doc())
  expect(why(lookAt(whole(doc), new Y.Doc()))).toBe('unreadable')
  const bytes = new Y.Doc()
  bytes.getMap('m').set('bytes', new Uint8Array(9))
  expect(why(lookAt(whole(bytes), new Y.Doc()))).toBe('unreadable')
  for (const broken of [[], [1], [255, 255, 255], [9, 9, 9, 9, 9, 9, 9]])
    expect(why(lookAt(new Uint8Array(broken), new Y.Doc()))).toBe('unreadable')
})

test('thousands of pieces at once are more than people write; what is known already does not count', () => {
  const many = new Y.Doc()
  many.transact(() => {
    for (let number = 0; number < 6_000; number++) many.getText('t').insert(0, 'x')
  })
  expect(why(lookAt(whole(many), new Y.Doc()))).toBe('too-much')
  expect(why(lookAt(whole(many), many))).toBe('ok')
  const [doc, server] = [new Y.Doc(), new Y.Doc()]
  doc.getText('t').insert(0, 'x'.repeat(20_000))
  Y.applyUpdate(server, whole(doc))
  doc.transact(() => {
    // Every other letter, from the back: that is quicker to do.
    for (let number = 6_000; number > 0; number--) doc.getText('t').delete(2 * number, 1)
  })
  expect(why(lookAt(whole(doc), server))).toBe('too-much')
  expect(why(lookAt(whole(doc), doc))).toBe('ok')
})

test('a table of a hundred people has room for its cells; root types without end are too much', () => {
  const withRoots = (name: string, count: number) => {
    const doc = new Y.Doc()
    for (let index = 0; index < count; index++) doc.getText(`cell:${name}/${index}/0`).insert(0, 'x')
    return Y.encodeStateAsUpdate(doc)
  }
  expect(why(lookAt(withRoots('t', 600), new Y.Doc()))).toBe('ok')
  expect(why(lookAt(withRoots('t', 701), new Y.Doc()))).toBe('too-much')
  const full = new Y.Doc()
  for (const name of ['a', 'b', 'c', 'd']) Y.applyUpdate(full, withRoots(name, 500))
  expect(why(lookAt(withRoots('e', 1), full))).toBe('too-much')
  const more = new Y.Doc()
  more.getText('cell:a/0/0').insert(0, 'more in a cell that is there')
  expect(why(lookAt(Y.encodeStateAsUpdate(more), full))).toBe('ok')
})

test('an answer for everybody of a large room is well; hundreds of keys at once are too much', () => {
  const withKeys = (count: number) => {
    const doc = new Y.Doc()
    for (let index = 0; index < count; index++) doc.getMap('each:e').set(`p${index}`, 1)
    return whole(doc)
  }
  expect(why(lookAt(withKeys(500), new Y.Doc()))).toBe('ok')
  expect(why(lookAt(withKeys(501), new Y.Doc()))).toBe('too-much')
})
