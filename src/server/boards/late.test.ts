import { runningServer } from 'tests/fixtures/running'
import * as Y from 'yjs'
import type { Board } from '~/core/boards/board'
import { addCard, readCards } from '~/core/boards/prompts/cards/document'
import { unsent } from '~/core/boards/updates/unsent'
import { reportMarkdown } from '~/core/review/report'
import { boardCopies } from '../db/schema.server'
import { ownWork } from '../review/own-work.server'
import { reportOf, reviewSession } from '../review/review.server'
import { readContributions } from './contributions.server'
import { keepLate, lateIn, putInLate } from './late.server'
import { handOutNumber } from './writers.server'

const board: Board = {
  title: 'Herons',
  steps: [],
  prompts: [
    { id: 'c', kind: 'cards', text: 'What do you see?', settings: {} },
    { id: 's', kind: 'sheet', text: 'Why?', settings: {} },
    { id: 'h', kind: 'cards', text: 'Alone first', settings: { seen: 'when-opened' } },
  ],
}

let running: Awaited<ReturnType<typeof runningServer>>
let ana: string
let bo: string
let copyId: string

beforeEach(async () => {
  running = await runningServer()
  const { sessionId, hub, facilitator, db } = running
  ana = await running.join(0)
  bo = await running.join(1)
  await hub.command(sessionId, facilitator, { type: 'correct-board', place: 0, board, roomId: null })
  await db.update(boardCopies).set({ board })
  const [room] = (await hub.state(sessionId)).rooms
  copyId = room?.copyId ?? ''
  for (const participantId of [ana, bo])
    await hub.command(sessionId, facilitator, { type: 'place', participantId, roomId: room?.id ?? '' })
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
})
afterEach(() => running.stop())

/** The round is over, and with it the time in which a board can still be written on. */
async function callBack() {
  const { hub, sessionId, facilitator } = running
  await hub.command(sessionId, facilitator, { type: 'call-back' })
  await hub.command(sessionId, { kind: 'clock' }, { type: 'finish-grace' })
}

/** A page of somebody at the board, under a number of theirs. */
async function pageOf(participantId: string): Promise<Y.Doc> {
  const doc = new Y.Doc()
  doc.clientID = (await handOutNumber(running.db, copyId, participantId, null)) as number
  return doc
}
const send = async (
  participantId: string,
  update: Uint8Array,
  { to = copyId, promptId = null }: { to?: string; promptId?: string | null } = {},
) => {
  const state = await running.hub.state(running.sessionId)
  return keepLate(running.db, running.boards, state, { participantId, copyId: to, promptId, update })
}
const unsentOf = (doc: Y.Doc) => unsent(doc, new Map([[doc.clientID, 0]])) as Uint8Array
const kept = () => lateIn(running.db, [copyId])

test('the lanes say from how many something came too late, also after the work was read again', async () => {
  const doc = await pageOf(ana)
  addCard(doc, 'c', 'one', 'A heron by the sluice')
  await callBack()
  const lateNow = async () => {
    const { boards, sessionId, hub } = running
    const state = await hub.state(sessionId)
    return Object.values(await boards.work.of(sessionId, state)).map(({ late }) => late)
  }
  expect((await lateNow())[0]).toBeUndefined()
  await send(ana, unsentOf(doc))
  running.boards.cameLate(running.sessionId, copyId, ana)
  running.boards.cameLate(running.sessionId, copyId, ana)
  const [here, ...elsewhere] = await lateNow()
  expect([here, elsewhere.every(late => late === undefined)]).toEqual([1, true])
  running.boards.work.forget(running.sessionId)
  expect((await lateNow())[0]).toBe(1)
})

test('what came after the round lies beside the board, with whose it is and what it says, and the board is as it was', async () => {
  const doc = await pageOf(ana)
  addCard(doc, 'c', 'one', 'A heron by the sluice')
  addCard(doc, 'c', 'two', 'Reeds')
  await callBack()
  expect(await send(ana, unsentOf(doc))).toEqual({ ok: true, kept: true })
  const [late, ...more] = await kept()
  expect(more).toEqual([])
  expect(late?.participantId).toBe(ana)
  expect(late?.pieces).toEqual([
    { promptId: 'c', text: 'A heron by the sluice' },
    { promptId: 'c', text: 'Reeds' },
  ])
  expect(readCards(await running.boards.read(copyId), 'c')).toEqual([])
})

test('facilitators read it in the review, under its prompt and room; whose it is, by their own link, and nobody else of the room', async () => {
  const { db, boards, sessionId } = running
  const doc = await pageOf(ana)
  addCard(doc, 'c', 'one', 'A heron by the sluice')
  await callBack()
  await send(ana, unsentOf(doc))
  const review = await reviewSession(db, boards, sessionId, Date.now())
  const at = expect.stringMatching(/^\d\d:\d\d$/)
  const late = [
    {
      id: expect.any(String),
      copyId,
      participantId: ana,
      by: 'Ana',
      at,
      pieces: [{ promptId: 'c', text: 'A heron by the sluice' }],
      putInBy: null,
    },
  ]
  expect(review.rooms.map(room => room.late)).toEqual([late, ...review.rooms.slice(1).map(() => [])])
  expect(reportMarkdown(reportOf(review))).toContain('A heron by the sluice (Ana)')
  const seenBy = (participantId: string) =>
    ownWork(db, boards, { participantId, sessionId, reviewToken: '' }, Date.now())
  expect((await seenBy(ana)).rooms[0]?.late).toEqual(late)
  expect(JSON.stringify(await seenBy(bo))).not.toContain('sluice')
})

test('sent twice it is kept once; nothing new is kept at all', async () => {
  const doc = await pageOf(ana)
  addCard(doc, 'c', 'one', 'A heron')
  await pageOf(bo)
  await callBack()
  await Promise.all([send(ana, unsentOf(doc)), send(ana, unsentOf(doc))])
  expect(await send(ana, unsentOf(doc))).toEqual({ ok: true, kept: true })
  expect(await kept()).toHaveLength(1)
  expect(await send(bo, Y.encodeStateAsUpdate(new Y.Doc()))).toEqual({ ok: true, kept: false })
  expect(await kept()).toHaveLength(1)
})

test('while the board is open for them it goes there, and is not kept aside', async () => {
  const doc = await pageOf(ana)
  addCard(doc, 'c', 'one', 'A heron')
  expect(await send(ana, unsentOf(doc))).toMatchObject({ ok: false, why: 'open' })
  expect(await kept()).toEqual([])
})

test('it is kept when they are in another room meanwhile, and after the end', async () => {
  const { hub, sessionId, facilitator } = running
  const doc = await pageOf(ana)
  addCard(doc, 'c', 'one', 'A heron')
  const other = (await hub.state(sessionId)).rooms[1]
  await hub.command(sessionId, facilitator, { type: 'place', participantId: ana, roomId: other?.id ?? '' })
  expect(await send(ana, unsentOf(doc))).toEqual({ ok: true, kept: true })
  await callBack()
  await hub.command(sessionId, facilitator, { type: 'end' })
  const bos = await pageOf(bo)
  addCard(bos, 'c', 'two', 'Mud')
  expect(await send(bo, unsentOf(bos))).toEqual({ ok: true, kept: true })
  expect((await kept()).map(({ participantId }) => participantId)).toEqual([ana, bo])
})

test('cards that were hidden from the others are kept too', async () => {
  const doc = await pageOf(ana)
  addCard(doc, 'h', 'one', 'Alone')
  await callBack()
  expect(await send(ana, unsentOf(doc), { promptId: 'h' })).toEqual({ ok: true, kept: true })
  expect((await kept())[0]?.pieces).toEqual([{ promptId: 'h', text: 'Alone' }])
})

test('nothing is kept for a board somebody was never at, under another’s number, or of what is no update', async () => {
  const doc = await pageOf(ana)
  addCard(doc, 'c', 'one', 'A heron')
  await callBack()
  const nobody = await running.join(2)
  const refused = { ok: false, why: 'refused' }
  expect(await send(nobody, unsentOf(doc))).toMatchObject(refused)
  await pageOf(bo)
  expect(await send(bo, unsentOf(doc))).toMatchObject(refused)
  expect(await send(ana, new Uint8Array([1, 2, 3]))).toMatchObject(refused)
  expect(await send(ana, unsentOf(doc), { to: 'nowhere' })).toMatchObject(refused)
  // It goes on from something the server never had.
  const before = Y.encodeStateVector(doc)
  addCard(doc, 'c', 'two', 'Reeds')
  expect(await send(ana, Y.encodeStateAsUpdate(doc, before))).toMatchObject(refused)
  expect(await kept()).toEqual([])
})

test('of one person no more than a few dozen are kept, also of those sent at once', async () => {
  const pages = [await pageOf(ana)]
  for (let more = 0; more < 41; more++) pages.push(await pageOf(ana))
  await callBack()
  for (const [place, page] of pages.entries()) addCard(page, 'c', `card-${place}`, `Heron ${place}`)
  const answers = await Promise.all(pages.map(page => send(ana, unsentOf(page))))
  expect(answers.filter(({ ok }) => ok)).toHaveLength(40)
  expect(answers.filter(({ ok }) => !ok)).toMatchObject([{ why: 'refused' }, { why: 'refused' }])
})

describe('put on the board by a facilitator', () => {
  const putIn = (id: string, { from = running.sessionId, who = ana } = {}) =>
    putInLate(running.db, running.boards, 'Marit', from, { copyId, participantId: who, id })
  const onBoard = async () => readCards(await running.boards.read(copyId), 'c').map(({ text }) => text)

  /** Ana wrote a card without a line, and sent it when the round was over. */
  async function late() {
    const doc = await pageOf(ana)
    addCard(doc, 'c', 'one', 'A heron by the sluice')
    await callBack()
    await send(ana, unsentOf(doc))
    return { doc, id: (await kept())[0]?.id ?? '' }
  }

  test('it stands there in the name of whoever wrote it, and is late no more; twice, or by two at once, it stands there once', async () => {
    const { id } = await late()
    running.boards.cameLate(running.sessionId, copyId, ana)
    expect(await Promise.all([putIn(id), putIn(id)])).toEqual([
      { ok: true, value: null },
      { ok: true, value: null },
    ])
    expect(await putIn(id)).toEqual({ ok: true, value: null })
    expect(await onBoard()).toEqual(['A heron by the sluice'])
    expect(await readContributions(running.db, [copyId])).toMatchObject([
      { promptId: 'c', entryId: 'one', participantId: ana },
    ])
    expect(await kept()).toMatchObject([{ id, putInBy: 'Marit' }])
    const { boards, sessionId, hub, db } = running
    expect((await boards.work.of(sessionId, await hub.state(sessionId)))[0]).toBeUndefined()
    const review = reportMarkdown(reportOf(await reviewSession(db, boards, sessionId, Date.now())))
    expect(review).not.toContain('Came late')
    expect(review).toContain('A heron by the sluice')
  })

  test('with the later of two that hold the same, the first is there as well', async () => {
    const { doc, id } = await late()
    addCard(doc, 'c', 'two', 'Reeds')
    await send(ana, unsentOf(doc))
    const later = (await kept()).find(one => one.id !== id)
    expect(await putIn(later?.id ?? '')).toMatchObject({ ok: true })
    expect((await kept()).map(({ putInBy }) => putInBy)).toEqual(['Marit', 'Marit'])
    expect((await onBoard()).toSorted()).toEqual(['A heron by the sluice', 'Reeds'])
  })

  test('cards that were hidden from the others go to their writer’s own, and after the end it is the same', async () => {
    const doc = await pageOf(ana)
    addCard(doc, 'h', 'one', 'Alone')
    await callBack()
    await send(ana, unsentOf(doc), { promptId: 'h' })
    const { hub, sessionId, facilitator, boards } = running
    await hub.command(sessionId, facilitator, { type: 'end' })
    expect(await putIn((await kept())[0]?.id ?? '')).toMatchObject({ ok: true })
    expect(readCards(await boards.read(copyId), 'h').map(({ text }) => text)).toEqual(['Alone'])
    expect(readCards(await boards.read(copyId, () => false), 'h')).toEqual([])
  })

  test('what did not come late, or belongs to another session or person, is not put in', async () => {
    const { id } = await late()
    const refused = { ok: false, problem: { code: 'not-late' } }
    expect(await putIn('other')).toEqual(refused)
    expect(await putIn(id, { from: 'elsewhere' })).toEqual(refused)
    expect(await putIn(id, { who: bo })).toEqual(refused)
    expect(await onBoard()).toEqual([])
  })
})
