import { eq } from 'drizzle-orm'
import { boardLines } from 'tests/fixtures/board-lines'
import { runningServer } from 'tests/fixtures/running'
import * as Y from 'yjs'
import { addCard, readCards } from '~/core/boards/prompts/cards/document'
import { readAnswer } from '~/core/boards/prompts/kinds'
import { fragmentText, sheetOf } from '~/core/boards/prompts/sheet/document'
import { boardCopies } from '../db/schema.server'

let running: Awaited<ReturnType<typeof runningServer>>
let lines: Awaited<ReturnType<typeof boardLines>>
/** Two in one room; which of them a line is from is said by their place here. */
let participantIds: string[]
/** The number of a line that is the facilitator's. */
const FACILITATOR = 99
let copyId: string

beforeAll(async () => {
  running = await runningServer()
  lines = await boardLines(running.boards, who =>
    who === FACILITATOR ? { accountId: running.facilitator.accountId } : (participantIds[who] ?? null),
  )
  const { sessionId, hub, facilitator } = running
  participantIds = [await running.join(0), await running.join(1)]
  const [room] = (await hub.state(sessionId)).rooms
  if (!room) throw new Error('The session has no room.')
  copyId = room.copyId
  for (const participantId of participantIds)
    await hub.command(sessionId, facilitator, { type: 'place', participantId, roomId: room.id })
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
})
afterAll(async () => {
  lines.close()
  await running.stop()
})

const line = (doc: Y.Doc, who = 0, copy = copyId) => lines.open(doc, who, copy)

const clockOf = (doc: Y.Doc) => Y.decodeStateVector(Y.encodeStateVector(doc)).get(doc.clientID) ?? 0

test('a writer hears that a card is on disk and whose it is; who comes back later hears it at once', async () => {
  const doc = new Y.Doc()
  const first = await line(doc)
  addCard(doc, 'c', 'x', 'reeds')
  const key = String(doc.clientID)
  const told = await first.until(({ stored }) => stored[key] === clockOf(doc))
  expect(told.authors).toEqual({ 'c/x': 'Ana' })
  const kept = readAnswer(await running.boards.read(copyId), {
    id: 'c',
    kind: 'cards',
    text: '',
    settings: {},
  })
  expect(kept).toMatchObject({ cards: [{ id: 'x', text: 'reeds' }] })

  // The board stays open for another; then it is opened anew from disk.
  const second = await line(new Y.Doc())
  expect((await second.until(() => true)).stored[key]).toBe(clockOf(doc))
  first.close()
  second.close()
  const third = await line(new Y.Doc())
  const greeting = await third.until(() => true)
  expect(greeting.stored[key]).toBe(clockOf(doc))
  expect(greeting.authors).toEqual({ 'c/x': 'Ana' })
  third.close()
})

test('a facilitator looks on until they join in; what they write then is theirs, and the line that wrote ends with the visit', async () => {
  const { hub, sessionId, facilitator, boards } = running
  const cards = async () => readCards(await boards.read(copyId), 'c').map(({ text }) => text)
  const [room] = (await hub.state(sessionId)).rooms
  await hub.command(sessionId, facilitator, { type: 'facilitator-comes' })
  await hub.command(sessionId, facilitator, { type: 'visit', roomId: room?.id ?? '' })
  const ana = await line(new Y.Doc())
  const looking = new Y.Doc()
  const looks = await line(looking, FACILITATOR)
  expect((await looks.until(() => true)).writer).toBeUndefined()
  addCard(looking, 'c', 'no', 'Unasked')
  await hub.command(sessionId, facilitator, { type: 'join-in', joins: true })
  const writing = new Y.Doc()
  const writes = await line(writing, FACILITATOR)
  expect((await writes.until(({ writer }) => writer !== undefined)).writer).toBeGreaterThan(0)
  addCard(writing, 'c', 'hint', 'Look at the stems')
  const told = await ana.until(({ authors }) => authors?.['c/hint'] !== undefined)
  expect(told.authors?.['c/hint']).toBe(`${facilitator.name} (facilitator)`)
  const ended = new Promise(resolve => writes.provider.on('close', resolve))
  await hub.command(sessionId, facilitator, { type: 'leave-room' })
  await ended
  expect(await cards()).toContain('Look at the stems')
  expect(await cards()).not.toContain('Unasked')
  for (const each of [ana, looks, writes]) each.close()
})

test('the line of somebody who is muted ends at once; back again they read along, and what they send is not taken', async () => {
  const { hub, sessionId, facilitator, boards } = running
  const [ana = ''] = participantIds
  const cards = async () => readCards(await boards.read(copyId), 'c').map(({ text }) => text)
  const before = new Y.Doc()
  const writes = await line(before)
  const ended = new Promise(resolve => writes.provider.on('close', resolve))
  await hub.command(sessionId, facilitator, { type: 'mute', participantId: ana, muted: true })
  await ended
  writes.close()
  const muted = new Y.Doc()
  const reads = await line(muted)
  const greeting = await reads.until(() => true)
  expect(greeting.writer).toBeUndefined()
  expect(readCards(muted, 'c').length).toBeGreaterThan(0)
  addCard(muted, 'c', 'muted', 'Said all the same')
  await hub.command(sessionId, facilitator, { type: 'mute', participantId: ana, muted: false })
  const again = new Y.Doc()
  const back = await line(again)
  await back.until(({ writer }) => writer !== undefined)
  addCard(again, 'c', 'again', 'Back again')
  const key = String(again.clientID)
  await back.until(({ stored }) => stored[key] === clockOf(again))
  expect(await cards()).toContain('Back again')
  expect(await cards()).not.toContain('Said all the same')
  for (const each of [reads, back]) each.close()
})

test('a name that is taken off the screens stands beside nothing on a board any more, also for who has it open', async () => {
  const { hub, sessionId, facilitator } = running
  const [room] = (await hub.state(sessionId)).rooms
  const rude = 'typed-by-themselves'
  const join = { type: 'join', participantId: rude, personId: null, shownName: 'Somebody rude' } as const
  await hub.command(sessionId, { kind: 'door' }, join)
  await hub.command(sessionId, facilitator, { type: 'let-in', participantIds: [rude] })
  await hub.command(sessionId, facilitator, { type: 'place', participantId: rude, roomId: room?.id ?? '' })
  const place = participantIds.push(rude) - 1
  const ana = await line(new Y.Doc())
  const doc = new Y.Doc()
  const writes = await line(doc, place)
  addCard(doc, 'c', 'by-name', 'Said by somebody')
  const named = (name: string) => ana.until(({ authors }) => authors?.['c/by-name'] === name)
  await named('Somebody rude')
  await hub.command(sessionId, facilitator, { type: 'hide-name', participantId: rude })
  await named('Guest 1')
  for (const each of [ana, writes]) each.close()
  participantIds.pop()
})

test('a sheet begins with its text once, in nobody’s name; what was changed in it is an answer, also after coming back', async () => {
  const { hub, sessionId, facilitator, boards, db } = running
  const room = (await hub.state(sessionId)).rooms[1]
  if (!room) throw new Error('The session has no second room.')
  const prompt = { id: 's', kind: 'sheet', text: 'How?', settings: { begin: '# Roll it\n- feel' } } as const
  await db
    .update(boardCopies)
    .set({ board: { title: 'Peat', steps: [], prompts: [prompt] } })
    .where(eq(boardCopies.id, room.copyId))
  const chi = await running.join(2)
  participantIds.push(chi)
  await hub.command(sessionId, facilitator, { type: 'place', participantId: chi, roomId: room.id })
  for (const time of [1, 2]) {
    const doc = new Y.Doc()
    const open = await line(doc, 2, room.copyId)
    const begun = fragmentText(sheetOf(doc, 's'))
    expect(begun).toBe(time === 1 ? '# Roll it\n- feel' : '# Roll it\n- feel\nIt holds.')
    const { writer = 0 } = await open.until(notice => notice.writer !== undefined)
    doc.clientID = writer
    if (time === 1) {
      expect(readAnswer(doc, prompt)).toMatchObject({ text: '' })
      const paragraph = new Y.XmlElement('paragraph')
      paragraph.insert(0, [new Y.XmlText('It holds.')])
      sheetOf(doc, 's').push([paragraph])
      await open.until(notice => (notice.stored[String(writer)] ?? 0) >= clockOf(doc))
    }
    open.close()
    await boards.read(room.copyId)
  }
  expect(readAnswer(await boards.read(room.copyId), prompt)).toMatchObject({
    text: '# Roll it\n- feel\nIt holds.',
  })
})

test('a correction reaches an open board at once: what is written under a new prompt has its author, on disk too', async () => {
  const { hub, sessionId, facilitator, db } = running
  const doc = new Y.Doc()
  const open = await line(doc)
  const { writer = 0 } = await open.until(notice => notice.writer !== undefined)
  doc.clientID = writer
  addCard(doc, 'c', 'before-correction', 'before')
  await open.until(({ authors }) => authors?.['c/before-correction'] === 'Ana')
  const [inUse] = (await hub.state(sessionId)).boards
  if (!inUse) throw new Error('The session has no board.')
  const added = { id: 'n', kind: 'cards', text: 'And now?', settings: {} } as const
  const board = { ...inUse, prompts: [...inUse.prompts, added] }
  await hub.command(sessionId, facilitator, { type: 'correct-board', place: 0, board, roomId: null })
  addCard(doc, 'n', 'under-new', 'after')
  const told = await open.until(({ authors }) => authors?.['n/under-new'] !== undefined)
  expect(told.authors).toMatchObject({ 'n/under-new': 'Ana' })
  expect(readCards(await running.boards.read(copyId), 'c').map(({ text }) => text)).toContain('before')
  const [copy] = await db.select().from(boardCopies).where(eq(boardCopies.id, copyId))
  expect(copy?.board.prompts.map(({ id }) => id)).toContain('n')
  open.close()

  // Opened anew, and in a room that is made afterwards, it is the corrected one.
  await hub.command(sessionId, facilitator, { type: 'add-room', name: 'Later', ids: ['later', 'copy-later'] })
  const later = await db.select().from(boardCopies).where(eq(boardCopies.roomId, 'later'))
  expect(later[0]?.board.prompts.map(({ id }) => id)).toContain('n')
})

test('a board that is put away while somebody opens it again takes in what they write', async () => {
  for (let time = 0; time < 8; time++) {
    const gone = await line(new Y.Doc())
    gone.close()
    const doc = new Y.Doc()
    const back = await line(doc)
    const { writer = 0 } = await back.until(notice => notice.writer !== undefined)
    doc.clientID = writer
    addCard(doc, 'c', `again-${time}`, `Again ${time}`)
    await back.until(notice => (notice.stored[String(writer)] ?? 0) >= clockOf(doc))
    back.close()
  }
  const kept = readCards(await running.boards.read(copyId), 'c').map(card => card.text)
  for (let time = 0; time < 8; time++) expect(kept).toContain(`Again ${time}`)
})

test('the lanes are told of the last word of somebody who left with it', async () => {
  const told: string[] = []
  const stop = await running.hub.follow(running.sessionId, { kind: 'facilitator' }, null, message => {
    if (message.kind === 'work') told.push(JSON.stringify(message.rooms))
  })
  const doc = new Y.Doc()
  const leaving = await line(doc)
  const { writer = 0 } = await leaving.until(notice => notice.writer !== undefined)
  doc.clientID = writer
  addCard(doc, 'c', 'last', 'My last word')
  // The next thing on the line is its end.
  await new Promise(resolve => setTimeout(resolve, 20))
  leaving.close()
  for (let waited = 0; waited < 100 && !told.some(text => text.includes('My last word')); waited++)
    await new Promise(resolve => setTimeout(resolve, 100))
  expect(told.join()).toContain('My last word')
  stop()
})

test('a card that calls itself like another gets an id of its own, for everybody and on disk, and its own author', async () => {
  const [anas, bos] = [new Y.Doc(), new Y.Doc()]
  const ana = await line(anas)
  const bo = await line(bos, 1)
  addCard(anas, 'c', 'taken', 'Ana wrote this')
  await bo.until(({ authors }) => authors?.['c/taken'] !== undefined)
  addCard(bos, 'c', 'taken', 'Bo wrote this')
  const { authors } = await ana.until(notice => Object.values(notice.authors ?? {}).includes('Bo'))
  const boCard = Object.entries(authors ?? {})
    .find(([, name]) => name === 'Bo')?.[0]
    .slice('c/'.length)
  const texts = (doc: Y.Doc) => Object.fromEntries(readCards(doc, 'c').map(card => [card.text, card.id]))
  const expected = { 'Ana wrote this': 'taken', 'Bo wrote this': boCard }
  expect(boCard).not.toBe('taken')
  expect(texts(anas)).toMatchObject(expected)
  expect(texts(bos)).toMatchObject(expected)
  expect(texts(await running.boards.read(copyId))).toMatchObject(expected)
  ana.close()
  bo.close()
})

test('who stays keeps their line while others move about and leave: browsers echo the cursors they hear of', async () => {
  const ana = await line(new Y.Doc())
  let closed = 0
  ana.provider.on('close', () => closed++)
  for (let visit = 0; visit < 40; visit++) {
    const bo = await line(new Y.Doc(), 1)
    for (let cursor = 0; cursor < 20; cursor++)
      bo.provider.setAwarenessField('user', { id: participantIds[1], cursor })
    await new Promise(resolve => setTimeout(resolve, visit % 6))
    bo.close()
  }
  const doc = new Y.Doc()
  const bo = await line(doc, 1)
  const heard = new Promise(resolve => ana.provider.document.once('update', resolve))
  addCard(doc, 'c', 'last', 'still here')
  await heard
  expect(closed).toBe(0)
  bo.close()
  ana.close()
})

test('a board that is nearly full is said to be so while writers are still heard; with room again it is not', async () => {
  const doc = new Y.Doc()
  const writer = await line(doc)
  const sheet = doc.getText('ballast')
  const before = (await writer.until(() => true)).full
  for (let part = 0; part < 4; part++) sheet.insert(0, `${part}`.repeat(900_000))
  await writer.until(({ full }) => full === true)
  expect(before).toBeUndefined()
  // Those who come now hear it at once, and what was on its way is on disk.
  const late = await line(new Y.Doc(), 1)
  expect((await late.until(() => true)).full).toBe(true)
  const key = String(doc.clientID)
  await writer.until(({ stored }) => stored[key] === clockOf(doc))
  await new Promise(resolve => setTimeout(resolve, 2_100))
  sheet.delete(0, sheet.length)
  addCard(doc, 'c', 'after', 'room again')
  await writer.until(({ full }) => full === false)
  await writer.until(({ stored }) => stored[key] === clockOf(doc))
  writer.close()
  late.close()
})

test('what a board has no room for is not taken in, also after coming back; with room again it comes in', async () => {
  const doc = new Y.Doc()
  const writer = await line(doc)
  const ballast = doc.getText('more ballast')
  for (let part = 0; part < 5; part++) ballast.insert(0, `${part}`.repeat(900_000))
  await writer.until(({ full }) => full === true)
  await new Promise(resolve => setTimeout(resolve, 1_000))
  writer.close()
  const sizeNow = async () => Y.encodeStateAsUpdate(await running.boards.read(copyId)).byteLength
  const before = await sizeNow()
  expect(before).toBeLessThan(4_100_000)
  for (let again = 0; again < 3; again++) {
    const more = new Y.Doc()
    const other = await line(more)
    more.getText('more ballast').insert(0, `${again}`.repeat(900_000))
    await new Promise(resolve => setTimeout(resolve, 300))
    other.close()
  }
  expect(await sizeNow()).toBe(before)
  // What was too much is asked for again once something was taken away.
  await new Promise(resolve => setTimeout(resolve, 2_100))
  const back = await line(doc)
  ballast.delete(0, ballast.length)
  addCard(doc, 'c', 'with-room', 'kept')
  const key = String(doc.clientID)
  await back.until(({ stored }) => stored[key] === clockOf(doc))
  expect(readCards(await running.boards.read(copyId), 'c').map(card => card.id)).toContain('with-room')
  back.close()
})

test('a board without a bottom, and one that lacks its beginning, are not taken in; the others in the room go on', async () => {
  const [anas, bos] = [new Y.Doc(), new Y.Doc()]
  const ana = await line(anas)
  const bo = await line(bos, 1)
  const closed = new Promise(resolve => bo.provider.on('close', resolve))
  let within: Y.XmlFragment = sheetOf(bos, 's')
  bos.transact(() => {
    for (let depth = 0; depth < 2_500; depth++) {
      const quotation: Y.XmlElement = new Y.XmlElement('blockquote')
      within.insert(0, [quotation])
      within = quotation
    }
  })
  await closed
  bo.close()
  // Three hundred changes of somebody whose first is never sent.
  const gaps = await line(new Y.Doc(), 1)
  const heard: number[] = []
  gaps.provider.on('message', ({ message }: { message: { data: Uint8Array } }) =>
    heard.push(message.data.length),
  )
  const lost = new Y.Doc()
  lost.getText('t').insert(0, 'the beginning')
  const pieces: Uint8Array[] = []
  lost.on('update', update => pieces.push(update))
  for (let count = 0; count < 300; count++) lost.getText('t').insert(0, 'x'.repeat(10_000))
  for (const piece of pieces) gaps.provider.documentUpdateHandler(piece, 'somewhere else')
  addCard(anas, 'c', 'after-all', 'still here')
  const key = String(anas.clientID)
  await ana.until(({ stored }) => stored[key] === clockOf(anas))
  const kept = await running.boards.read(copyId)
  expect([kept.store.pendingStructs, kept.getText('t').length]).toEqual([null, 0])
  expect(Y.encodeStateAsUpdate(kept).byteLength).toBeLessThan(1_000_000)
  gaps.close()
  ana.close()
})

test('nobody writes under a number that is another’s: what its owner wrote meanwhile is kept', async () => {
  const anas = new Y.Doc()
  const ana = await line(anas)
  const { writer = 0 } = await ana.until(notice => notice.writer !== undefined)
  anas.clientID = writer
  addCard(anas, 'c', 'first', 'written with a line')
  await ana.until(({ stored }) => stored[writer] === clockOf(anas))
  ana.close()
  // Bo has the board as Ana left it, and goes on in her name.
  const bos = new Y.Doc()
  const bo = await line(bos, 1)
  bos.clientID = writer
  addCard(bos, 'c', 'forged', 'Bo as Ana')
  await new Promise(resolve => setTimeout(resolve, 700))
  addCard(anas, 'c', 'second', 'written without a line')
  const back = await line(anas)
  await back.until(({ stored }) => stored[writer] === clockOf(anas))
  const texts = readCards(await running.boards.read(copyId), 'c').map(card => card.text)
  expect(texts).toContain('written without a line')
  expect(texts).not.toContain('Bo as Ana')
  bo.close()
  back.close()
})

test('who asks for a whole board over and over is let go', async () => {
  const asking = await line(new Y.Doc())
  const closed = new Promise(resolve => asking.provider.on('close', resolve))
  for (let question = 0; question < 400; question++) asking.provider.forceSync()
  await closed
  asking.close()
})

test('merged, the board of the closed room is read by its people and nobody writes in it any more; opened again it is theirs', async () => {
  const { hub, facilitator, sessionId, boards } = running
  const [first, second] = (await hub.state(sessionId)).rooms
  const command = async (request: Parameters<typeof hub.command>[2]) =>
    expect(await hub.command(sessionId, facilitator, request)).toMatchObject({ ok: true })
  const before = new Y.Doc()
  const writing = await line(before)
  addCard(before, 'c', 'merged', 'before')
  await writing.until(({ authors }) => authors?.['c/merged'] !== undefined)
  const closed = new Promise(resolve => writing.provider.on('close', resolve))
  await command({ type: 'close-room', roomId: first?.id ?? '', toRoomId: second?.id ?? '' })
  // Whoever was writing is let go; what they write after that does not come in.
  await closed
  addCard(before, 'c', 'late', 'too late')
  writing.close()
  const reader = new Y.Doc()
  const reading = await line(reader)
  expect(readCards(reader, 'c').map(card => card.id)).toContain('merged')
  addCard(reader, 'c', 'forged', 'not theirs to write')
  await new Promise(resolve => setTimeout(resolve, 300))
  expect(readCards(await boards.read(copyId), 'c').map(card => card.id)).not.toContain('forged')
  expect(readCards(await boards.read(copyId), 'c').map(card => card.id)).not.toContain('late')
  reading.close()

  await command({ type: 'reopen-rooms', roomIds: [first?.id ?? ''], instead: false })
  const again = new Y.Doc()
  const back = await line(again)
  addCard(again, 'c', 'again', 'theirs again')
  await back.until(({ authors }) => authors?.['c/again'] !== undefined)
  back.close()
})
