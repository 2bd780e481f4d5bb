import 'fake-indexeddb/auto'
import * as Y from 'yjs'
import { addCard, readCards } from '~/core/boards/prompts/cards/document'
import { KeptDocument, readKept, takeKept } from './kept-document'
import {
  forgetSession,
  keepPageOf,
  keepView,
  keptBoard,
  keptBoards,
  keptName,
  keptPageOf,
  keptSessions,
  keptView,
} from './kept-store'
import { sendLate } from './late'

const texts = (doc: Y.Doc | null) => (doc ? readCards(doc, 'c').map(({ text }) => text) : [])
const clock = (doc: Y.Doc) => Y.getState(doc.store, doc.clientID)
/** What is written goes to the disk by itself, and facts a moment later. */
const settled = () => new Promise(done => setTimeout(done, 450))

let session = 0
let sessionId: string
beforeEach(() => {
  session += 1
  sessionId = `session-${session}`
})
afterEach(() => forgetSession(sessionId))

const about = (copyId: string, participantId: string) => ({
  sessionId,
  participantId,
  copyId,
  promptId: null,
})

/** A page of somebody at a copy, with what was kept. */
async function page(copyId: string, participantId = 'ana') {
  const doc = new Y.Doc()
  const kept = await KeptDocument.open(keptName(copyId, participantId), about(copyId, participantId), doc)
  if (!kept) throw new Error('Nothing can be kept here.')
  const note = (stored: number) =>
    kept.note({ storedTo: { [doc.clientID]: stored }, authors: { 'c/one': 'Ana' } }, true)
  const close = async () => {
    kept.close()
    await settled()
  }
  return { doc, kept, note, close }
}

/** Answers of the server, in order; what was sent to it. */
function answering(...answers: (object | number | 'no line')[]) {
  const sent: { url: string; body: { copyId: string; promptId: string | null; update: string } }[] = []
  global.fetch = (async (url: string, init: { body: string }) => {
    sent.push({ url, body: JSON.parse(init.body) })
    const answer = answers.shift()
    if (answer === undefined || answer === 'no line') throw new TypeError('Failed to fetch')
    return typeof answer === 'number' ? new Response('', { status: answer }) : Response.json(answer)
  }) as typeof fetch
  return sent
}

test('a board that was never open here is empty; closed and opened again it is as it was, with what was known of it', async () => {
  const first = await page('copy')
  expect(first.kept.before).toBeUndefined()
  first.note(0)
  addCard(first.doc, 'c', 'one', 'herons')
  await first.close()
  const again = await page('copy')
  expect(texts(again.doc)).toEqual(['herons'])
  expect(again.kept.before).toMatchObject({
    ...about('copy', 'ana'),
    storedTo: { [first.doc.clientID]: 0 },
    authors: { 'c/one': 'Ana' },
  })
  expect(again.doc.clientID).not.toBe(first.doc.clientID)
  await again.close()
})

test('two pages of one browser at one board lose nothing of each other', async () => {
  const [one, two] = [await page('copy'), await page('copy')]
  one.note(0)
  two.note(0)
  addCard(one.doc, 'c', 'one', 'herons')
  addCard(two.doc, 'c', 'two', 'reeds')
  await one.close()
  await two.close()
  const again = await page('copy')
  expect(texts(again.doc).sort()).toEqual(['herons', 'reeds'])
  expect(Object.keys(again.kept.before?.storedTo ?? {})).toHaveLength(2)
  await again.close()
})

test('what a page wrote that has gone is taken over by another document once, and by nobody who can not', async () => {
  const name = keptName('copy', 'ana')
  const first = await page('copy')
  first.note(0)
  addCard(first.doc, 'c', 'one', 'herons')
  await first.close()
  const taken = new Y.Doc()
  await takeKept(name, () => false)
  await takeKept(name, ({ doc, storedTo }) => {
    Y.applyUpdate(taken, Y.encodeStateAsUpdate(doc))
    expect([...storedTo]).toEqual([[first.doc.clientID, 0]])
    return true
  })
  expect(texts(taken)).toEqual(['herons'])
  await takeKept(name, () => {
    throw new Error('It is there no more.')
  })
})

test('what a page had not got onto the disk when it went is there in the next one', async () => {
  const stored = new Map<string, string>()
  const storage = {
    getItem: (key: string) => stored.get(key) ?? null,
    setItem: (key: string, value: string) => void stored.set(key, value),
    removeItem: (key: string) => void stored.delete(key),
  }
  Object.defineProperty(globalThis, 'localStorage', { value: storage, configurable: true, writable: true })
  const first = await page('copy')
  addCard(first.doc, 'c', 'one', 'herons')
  first.kept.keepLast()
  await first.kept.forget()
  // Nothing of it is on the disk, as when the browser broke off the write.
  expect(stored.size).toBe(0)
  const second = await page('copy')
  addCard(second.doc, 'c', 'two', 'reeds')
  second.kept.keepLast()
  const [lastMoment = ''] = stored.values()
  await second.kept.forget()
  stored.set('round-table/last/ana:copy', lastMoment)
  const third = await page('copy')
  expect(texts(third.doc)).toEqual(['reeds'])
  expect(stored.size).toBe(0)
  await third.close()
  Reflect.deleteProperty(globalThis, 'localStorage')
})

test('who has the browser next gets nothing of it', async () => {
  const anas = await page('copy', 'ana')
  anas.note(0)
  addCard(anas.doc, 'c', 'one', 'herons')
  await anas.close()
  await keepView(sessionId, 'ana', { me: 'ana' }, 5)
  const bos = await page('copy', 'bo')
  expect([texts(bos.doc), bos.kept.before]).toEqual([[], undefined])
  await bos.close()
  expect(await keptView(sessionId, 'bo')).toBeUndefined()
  expect(await keptView(sessionId, 'ana')).toMatchObject({ view: { me: 'ana' }, at: 5 })
})

test('a session that is forgotten leaves nothing, and others as they were', async () => {
  const other = await page('other-copy')
  await keepView('another', 'ana', { stays: true }, 1)
  const own = await page('copy')
  own.note(0)
  addCard(own.doc, 'c', 'one', 'herons')
  await own.close()
  await other.close()
  await keepView(sessionId, 'ana', {}, 1)
  await keepPageOf(sessionId, 'ana')
  expect(await keptPageOf(sessionId)).toBe('ana')
  expect((await keptSessions(Date.now())).kept).toContain(sessionId)
  await forgetSession(sessionId)
  expect((await keptSessions(Date.now())).kept).not.toContain(sessionId)
  expect(await keptPageOf(sessionId)).toBeUndefined()
  expect(await keptBoards(sessionId)).toEqual([])
  expect(await keptView(sessionId, 'ana')).toBeUndefined()
  expect(texts(await readKept(keptName('copy', 'ana')))).toEqual([])
  expect(await keptView('another', 'ana')).toMatchObject({ view: { stays: true } })
  await forgetSession('another')
})

test('what was kept for two weeks and never opened again is known', async () => {
  await keepView(sessionId, 'ana', {}, 1)
  const days = (count: number) => Date.now() + count * 86_400_000
  expect((await keptSessions(days(13))).tooLong).toEqual([])
  expect((await keptSessions(days(15))).tooLong).toEqual([sessionId])
})

describe('what comes too late', () => {
  /** Written without a line, and the page closed. */
  async function written(copyId: string, text: string, participantId = 'ana') {
    const { doc, note, close } = await page(copyId, participantId)
    addCard(doc, 'c', 'stored', 'before')
    const stored = clock(doc)
    note(stored)
    if (text) addCard(doc, 'c', 'late', text)
    await close()
  }

  test('is sent once, alone, and then let go of; the board that is worked on now is left', async () => {
    await written('copy', 'from the bus')
    await written('here', 'goes over the line')
    await written('read', '')
    await written('theirs', 'not mine', 'bo')
    const sent = answering({ ok: true, kept: true })
    expect(await sendLate(sessionId, 'ana', 'here')).toEqual({ kept: 1, refused: [], waits: false })
    expect(sent).toHaveLength(1)
    expect(sent[0]).toMatchObject({ url: `/s/${sessionId}/late`, body: { copyId: 'copy', promptId: null } })
    const server = new Y.Doc()
    Y.applyUpdate(server, Buffer.from(sent[0]?.body.update ?? '', 'base64'))
    // It goes on from what the server has, and holds nothing of that.
    expect(server.store.pendingStructs).not.toBeNull()
    const left = (await keptBoards(sessionId)).map(([, { copyId }]) => copyId)
    expect(left.sort()).toEqual(['here', 'theirs'])
    expect(await sendLate(sessionId, 'ana', 'here')).toEqual({ kept: 0, refused: [], waits: false })
    expect(await keptBoard(keptName('copy', 'ana'))).toBeUndefined()
  })

  test.each([
    ['there is no line', 'no line' as const],
    ['the board is open for them after all', { ok: false, why: 'open', message: '' }],
    ['the place is not known', { ok: false, why: 'no-place', message: '' }],
    ['the server asks for patience', { ok: false, message: 'too much at once' }],
  ])('stays here when %s', async (_when, answer) => {
    await written('copy', 'from the bus')
    answering(answer)
    expect(await sendLate(sessionId, 'ana', null)).toEqual({ kept: 0, refused: [], waits: true })
    expect(await keptBoards(sessionId)).toHaveLength(1)
    answering({ ok: true, kept: true })
    expect(await sendLate(sessionId, 'ana', null)).toMatchObject({ kept: 1, waits: false })
  })

  test.each([
    [{ ok: false, why: 'refused', message: 'You were never there.' }, 'You were never there.'],
    [413, 'It was more than can be kept.'],
  ])('is said to be refused, and let go of', async (answer, message) => {
    await written('copy', 'from the bus')
    answering(answer)
    expect(await sendLate(sessionId, 'ana', null)).toEqual({ kept: 0, refused: [message], waits: false })
    expect(await keptBoards(sessionId)).toEqual([])
  })
})
