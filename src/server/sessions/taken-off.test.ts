import { boardLines } from 'tests/fixtures/board-lines'
import { runningServer } from 'tests/fixtures/running'
import * as Y from 'yjs'
import { addCard, readCards, removeCard } from '~/core/boards/prompts/cards/document'
import { reasonOf } from '~/core/boards/prompts/yes-no/document'
import { reviewSession } from '../review/review.server'
import { giveBackPiece, takeOffPiece } from './taken-off.server'

let running: Awaited<ReturnType<typeof runningServer>>
let lines: Awaited<ReturnType<typeof boardLines>>
let people: string[]
let room: { id: string; copyId: string }

beforeEach(async () => {
  running = await runningServer()
  const { sessionId, hub, facilitator } = running
  people = [await running.join(0), await running.join(1)]
  lines = await boardLines(running.boards, who => people[who] ?? null)
  room = (await hub.state(sessionId)).rooms[0] as typeof room
  for (const participantId of people)
    await hub.command(sessionId, facilitator, { type: 'place', participantId, roomId: room.id })
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
})
afterEach(async () => {
  lines.close()
  await running.stop()
})

const take = (promptId: string, pieceId: string, text: string) =>
  takeOffPiece(running, running.by, running.sessionId, { roomId: room.id, promptId, pieceId, text })
const give = (takenId: string) => giveBackPiece(running, running.by, running.sessionId, takenId)
const takenOff = async () => (await running.hub.state(running.sessionId)).takenOff
const texts = (doc: Y.Doc) => readCards(doc, 'c').map(({ text }) => text)
const stored = async () => running.boards.read(room.copyId)

/** Waits until the other browser has heard. */
async function heard(holds: () => boolean) {
  for (let tries = 0; tries < 200 && !holds(); tries++) await new Promise(done => setTimeout(done, 10))
  expect(holds()).toBe(true)
}

/** Ana has written two cards, and Bo reads them. */
async function withCards() {
  const [ana, bo] = [new Y.Doc(), new Y.Doc()]
  const line = await lines.open(ana, 0, room.copyId)
  await lines.open(bo, 1, room.copyId)
  addCard(ana, 'c', 'kind', 'kind words')
  addCard(ana, 'c', 'mean', 'mean words')
  const clock = Y.decodeStateVector(Y.encodeStateVector(ana)).get(ana.clientID) ?? 0
  await line.until(({ stored: done }) => (done[ana.clientID] ?? 0) >= clock)
  await heard(() => texts(bo).length === 2)
  return { ana, bo }
}

test('a card goes from every browser and from the disk in one move, stays known with its writer, and comes back', async () => {
  const { ana, bo } = await withCards()
  expect(await take('c', 'mean', '')).toMatchObject({ ok: true })
  await heard(() => texts(bo).length === 1 && texts(ana).length === 1)
  for (const doc of [ana, bo])
    expect(Buffer.from(Y.encodeStateAsUpdate(doc)).toString('latin1')).not.toContain('mean words')
  const [taken] = await takenOff()
  expect(taken).toMatchObject({ text: 'mean words', authorId: people[0], by: 'Marit', roomId: room.id })
  await running.boards.stop()
  expect(texts(await stored())).toEqual(['kind words'])
  expect(await give(taken?.id ?? '')).toMatchObject({ ok: true })
  await heard(() => texts(bo).includes('mean words'))
  expect(await takenOff()).toEqual([])
})

test('one that somebody in the room had taken away goes as well', async () => {
  const { ana, bo } = await withCards()
  removeCard(ana, 'c', 'mean')
  await heard(() => texts(bo).length === 1)
  expect(await take('c', 'mean', '')).toMatchObject({ ok: true })
  await heard(() => !Buffer.from(Y.encodeStateAsUpdate(bo)).toString('latin1').includes('mean words'))
})

test('from a board that nobody has open just now it is taken and given back as well', async () => {
  await withCards()
  await running.boards.stop()
  lines.close()
  expect(await take('c', 'mean', '')).toMatchObject({ ok: true })
  await running.boards.stop()
  expect(texts(await stored())).toEqual(['kind words'])
  const [taken] = await takenOff()
  await give(taken?.id ?? '')
  await running.boards.stop()
  expect(texts(await stored())).toEqual(['kind words', 'mean words'])
})

test('what is not there, or reads otherwise by now, is not taken, and nothing is written down', async () => {
  const { ana, bo } = await withCards()
  expect(await take('c', 'other', '')).toMatchObject({ ok: false, problem: { code: 'not-on-the-board' } })
  expect(await take('nowhere', 'mean', '')).toMatchObject({
    ok: false,
    problem: { code: 'not-on-the-board' },
  })
  reasonOf(ana, 'y').insert(0, 'because')
  await heard(() => reasonOf(bo, 'y').length > 0)
  expect(await take('y', 'whole', 'something else')).toMatchObject({ ok: false })
  expect(await takenOff()).toEqual([])
  expect(texts(bo)).toEqual(['kind words', 'mean words'])
})

test('two who take the same at once, or give it back at once, do it once', async () => {
  const { bo } = await withCards()
  await Promise.all([take('c', 'mean', ''), take('c', 'mean', '')])
  await heard(() => texts(bo).length === 1)
  const taken = await takenOff()
  for (const { id } of taken) await Promise.all([give(id), give(id)])
  await heard(() => texts(bo).length === 2)
  expect(texts(bo)).toEqual(['kind words', 'mean words'])
  expect(await takenOff()).toEqual([])
})

test('when the session is over it goes as well, and who wrote what is known piece by piece', async () => {
  await withCards()
  const { hub, sessionId, facilitator, db, boards } = running
  await hub.command(sessionId, facilitator, { type: 'end' })
  lines.close()
  const before = await reviewSession(db, boards, sessionId, Date.now())
  expect(before.rooms.find(({ id }) => id === room.id)?.writers).toEqual({ 'c/kind': 'Ana', 'c/mean': 'Ana' })
  expect(await take('c', 'mean', '')).toMatchObject({ ok: true })
  await boards.settled()
  expect(texts(await stored())).toEqual(['kind words'])
  const [taken] = await takenOff()
  expect(taken).toMatchObject({ text: 'mean words', authorId: people[0] })
  expect(await give(taken?.id ?? '')).toMatchObject({ ok: true })
  await boards.settled()
  expect(texts(await stored())).toContain('mean words')
})
