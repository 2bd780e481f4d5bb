import { sql } from 'drizzle-orm'
import { board, plannedSession } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import * as Y from 'yjs'
import { addCard } from '~/core/boards/prompts/cards/document'
import { answerOf } from '~/core/boards/prompts/yes-no/document'
import { EVENT_VERSION } from '~/core/live/event-versions'
import { noteContributions } from '../boards/contributions.server'
import { boardUpdates, participants, sessionEvents } from '../db/schema.server'
import { roomTalk } from '../sessions/talk.server'
import { ownWork } from './own-work.server'
import { reportOf, reviewSession } from './review.server'

let running: Awaited<ReturnType<typeof runningServer>>
let ids: { ana: string; chi: string }

/** Ana works in the old reeds, Chi among the birds; Bo and Dai stay away. */
beforeEach(async () => {
  running = await runningServer()
  const { db, hub, sessionId, facilitator } = running
  ids = { ana: await running.join(0), chi: await running.join(2) }
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  const { rooms } = await hub.state(sessionId)
  for (const [place, text] of [
    [0, 'a secret of the reeds'],
    [1, 'a secret of the birds'],
  ] as const) {
    const copyId = rooms[place]?.copyId as string
    const doc = new Y.Doc()
    addCard(doc, 'c', 'x', text)
    answerOf(doc, 'y').set('answer', 'yes')
    await db.insert(boardUpdates).values({ copyId, update: Y.encodeStateAsUpdate(doc) })
    const participantId = place === 0 ? ids.ana : ids.chi
    const at = Date.now()
    const one = {
      copyId,
      promptId: 'c',
      entryId: 'x',
      participantId,
      halfMinute: at - (at % 30_000),
      edits: 3,
      text,
      at,
    }
    await noteContributions(db, [one, { ...one, promptId: 'y', entryId: 'whole', text: 'Yes' }])
  }
  await hub.command(sessionId, facilitator, { type: 'end' })
})
afterEach(() => running.stop())

test('a review holds every room’s answers, lanes, and who took part, also those who were not there', async () => {
  const review = await reviewSession(running.db, running.boards, running.sessionId, Date.now())
  expect(review.board).toEqual({ ...board, source: expect.any(String) })
  expect(review.rounds).toHaveLength(1)
  expect(review.rooms.map(room => [room.name, room.members, room.answers.c?.answer])).toMatchObject([
    ['Old reeds', ['Ana'], { cards: [{ text: 'a secret of the reeds' }] }],
    ['Birds', ['Chi'], { cards: [{ text: 'a secret of the birds' }] }],
  ])
  expect(review.rooms[0]?.pulse.reduce((sum, bar) => sum + bar.edits, 0)).toBe(6)
  expect(review.rooms[0]?.marks.map(mark => mark.kind)).toEqual(['joined'])
  expect(review.people.map(person => [person.shownName, person.rooms, person.contributions])).toEqual([
    ['Ana', ['Old reeds'], 2],
    ['Bo', [], 0],
    ['Chi', ['Birds'], 2],
    ['Dai', [], 0],
  ])
  expect(reportOf(review)).toMatchObject({
    title: 'Evening 1',
    rooms: [{ name: 'Old reeds' }, { name: 'Birds' }],
  })
})

test('a participant sees what their own rooms made, and nothing of any other', async () => {
  const ana = { participantId: ids.ana, sessionId: running.sessionId, reviewToken: '' }
  const work = await ownWork(running.db, running.boards, ana, Date.now())
  expect(work.rooms).toMatchObject([{ name: 'Old reeds', members: ['Ana'] }])
  expect(JSON.stringify(work)).toContain('a secret of the reeds')
  for (const secret of ['birds', 'Birds', 'Chi']) expect(JSON.stringify(work)).not.toContain(secret)
})

test('of a room one was moved out of there is what stood there then, not what was done after; who waits sees nothing', async () => {
  const other = await runningServer()
  const { db, hub, boards, sessionId, facilitator } = other
  const [ana, bo, dai] = [await other.join(0), await other.join(1), await other.join(3)]
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  const { rooms } = await hub.state(sessionId)
  const [reeds, birds] = rooms.map(room => room.id)
  const place = (participantId: string, roomId: string | null = null) =>
    hub.command(sessionId, facilitator, { type: 'place', participantId, roomId })
  await place(ana, reeds)
  await place(bo, reeds)
  const copyId = rooms[0]?.copyId ?? ''
  const write = async (entryId: string, text: string, at: number) => {
    const doc = new Y.Doc()
    addCard(doc, 'c', entryId, text)
    await db.insert(boardUpdates).values({ copyId, update: Y.encodeStateAsUpdate(doc) })
    const half = at - (at % 30_000)
    await noteContributions(db, [
      { copyId, promptId: 'c', entryId, participantId: bo, halfMinute: half, edits: 1, text, at },
    ])
  }
  const minute = 60_000
  await write('early', 'while Ana was there', Date.now() - minute)
  const seen = async (participantId: string) =>
    JSON.stringify(await ownWork(db, boards, { participantId, sessionId, reviewToken: '' }, Date.now()))
  // While she is there she sees all of it, as it comes.
  await write('now', 'just now', Date.now())
  expect(await seen(ana)).toContain('just now')
  await place(ana, birds)
  await write('late', 'after Ana had gone', Date.now() + minute)
  await place(dai, reeds)
  const anas = await seen(ana)
  expect(anas).toContain('while Ana was there')
  expect(anas).not.toContain('after Ana had gone')
  expect(JSON.parse(anas).rooms[0]).toMatchObject({ name: 'Old reeds', members: ['Ana', 'Bo'] })
  expect(await seen(bo)).toContain('after Ana had gone')

  await hub.command(sessionId, facilitator, { type: 'set-waiting-list', on: true })
  const waiting = await other.join(2)
  const own = await ownWork(db, boards, { participantId: waiting, sessionId, reviewToken: '' }, Date.now())
  expect([own.rooms, own.board.prompts]).toEqual([[], []])
  await other.stop()
})

/** A session that still runs, Ana in the old reeds and Chi among the birds. */
async function atWork() {
  const other = await runningServer()
  const ids = { ana: await other.join(0), chi: await other.join(2) }
  const { hub, sessionId, facilitator } = other
  const [reeds, birds] = (await hub.state(sessionId)).rooms
  for (const [participantId, room] of [
    [ids.ana, reeds],
    [ids.chi, birds],
  ] as const)
    await hub.command(sessionId, facilitator, { type: 'place', participantId, roomId: room?.id ?? '' })
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  return { other, ids, reeds, birds }
}

test('the talk of a room is in the own link of those who were there, and facilitators read what was said openly; what was taken off is with them alone', async () => {
  const { other, ids, reeds } = await atWork()
  const { db, hub, boards, sessionId, facilitator, by } = other
  const command = (request: Parameters<typeof hub.command>[2]) => hub.command(sessionId, facilitator, request)
  const say = (lineId: string, text: string) =>
    hub.command(
      sessionId,
      { kind: 'participant', participantId: ids.ana },
      { type: 'say-line', lineId, text },
    )
  await say('one', 'between us')
  await command({ type: 'open-talk', open: true })
  await say('two', 'said openly')
  await command({ type: 'take-line-off', roomId: reeds?.id ?? '', lineId: 'two', off: true })
  await say('three', 'said again')
  const seen = async (participantId: string) =>
    JSON.stringify(await ownWork(db, boards, { participantId, sessionId, reviewToken: '' }, Date.now()))
  expect(await seen(ids.ana)).toMatch(/between us.*said again/)
  expect(await seen(ids.ana)).not.toContain('said openly')
  expect(await seen(ids.chi)).not.toMatch(/between us|said again/)
  const reviewed = JSON.stringify(await reviewSession(db, boards, sessionId, Date.now()))
  expect(reviewed).toMatch(/said openly.*said again/)
  expect(reviewed).not.toContain('between us')
  // While one visits, another facilitator still reads nothing but what was said openly.
  await command({ type: 'visit', roomId: reeds?.id ?? '' })
  const read = async (accountId: string) =>
    (await roomTalk(hub, accountId, sessionId, reeds?.id ?? '')).map(({ text }) => text)
  expect(await read(by.id)).toEqual(['between us', 'said openly', 'said again'])
  expect(await read('another')).toEqual(['said openly', 'said again'])
  await other.stop()
})

test('what was taken off the screens is in nobody’s own link, also of those who had left before, and stays with facilitators', async () => {
  const { other, ids, reeds, birds } = await atWork()
  const { db, hub, boards, sessionId, facilitator } = other
  const copyId = reeds?.copyId ?? ''
  const at = Date.now()
  await noteContributions(db, [
    {
      copyId,
      promptId: 'c',
      entryId: 'mean',
      participantId: ids.ana,
      halfMinute: at - (at % 30_000),
      edits: 1,
      text: 'mean words',
      at,
    },
  ])
  await new Promise(resolve => setTimeout(resolve, 5))
  await hub.command(sessionId, facilitator, {
    type: 'place',
    participantId: ids.ana,
    roomId: birds?.id ?? '',
  })
  // Written after she had gone: her link shows how the board stood before.
  await noteContributions(db, [
    {
      copyId,
      promptId: 'c',
      entryId: 'later',
      participantId: ids.chi,
      halfMinute: at - (at % 30_000),
      edits: 1,
      text: 'later',
      at: Date.now() + 60_000,
    },
  ])
  const ownLink = () =>
    ownWork(db, boards, { participantId: ids.ana, sessionId, reviewToken: '' }, Date.now())
  const seen = async () => JSON.stringify((await ownLink()).rooms)
  expect(await seen()).toContain('mean words')
  await hub.command(sessionId, facilitator, {
    type: 'take-off',
    takenId: 't',
    roomId: reeds?.id ?? '',
    promptId: 'c',
    pieceId: 'mean',
    text: 'mean words',
    kept: '[{}]',
    authorId: ids.ana,
  })
  expect(await seen()).not.toContain('mean words')
  // Whoever wrote it is told.
  expect((await ownLink()).takenOff).toEqual([{ id: 't', promptId: 'c', text: 'mean words', by: 'Marit' }])
  const { rooms } = await reviewSession(db, boards, sessionId, Date.now())
  expect(rooms[0]?.takenOff).toEqual([
    { id: 't', promptId: 'c', text: 'mean words', by: 'Marit', writtenBy: 'Ana' },
  ])
  await other.stop()
})

test('their own link shows neither parts that were never open in their room nor texts that nobody opened there', async () => {
  const other = await runningServer()
  const { db, hub, boards, sessionId, facilitator } = other
  const ana = await other.join(0)
  const [room] = (await hub.state(sessionId)).rooms
  const prompts = [
    { id: 'c', kind: 'cards', text: 'Which?', settings: {} },
    { id: 'hint', kind: 'hidden-text', text: 'Hint', settings: { hidden: 'look up', opens: 'group' } },
    { id: 'sol', kind: 'hidden-text', text: 'Solution', settings: { hidden: 'secret one', opens: 'group' } },
    {
      id: 'o',
      kind: 'put-in-order',
      text: 'secret two',
      settings: { lines: ['secret', 'three'] },
      part: 'p',
    },
  ]
  const parts = [{ id: 'p', title: 'secret four', steps: ['secret five'], opens: 'hand' }]
  const board = JSON.stringify({ title: 'Birds', steps: [], prompts, parts })
  // As if the session had been opened with this board.
  await db.execute(
    sql`update session_events set payload = jsonb_set(payload, '{plan,board}', ${board}::jsonb)
        where session_id = ${sessionId} and payload->>'type' = 'opened'`,
  )
  await hub.command(sessionId, facilitator, { type: 'place', participantId: ana, roomId: room?.id ?? '' })
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  const seen = async () =>
    JSON.stringify(await ownWork(db, boards, { participantId: ana, sessionId, reviewToken: '' }, Date.now()))
  const append = (seq: number, payload: { type: string } & Record<string, unknown>) =>
    db.insert(sessionEvents).values({
      sessionId,
      seq,
      at: new Date(),
      actor: '',
      type: payload.type,
      version: EVENT_VERSION,
      payload,
    })
  expect(await seen()).not.toMatch(/secret|look up/)
  expect(await seen()).toContain('Which?')
  const { seq } = await hub.state(sessionId)
  const roomIds = [room?.id]
  await append(seq + 1, { type: 'hidden-text-opened', roomIds, promptId: 'hint', participantId: ana })
  expect(await seen()).toContain('look up')
  expect(await seen()).not.toMatch(/secret/)
  await append(seq + 2, { type: 'part-opened', roomIds, partId: 'p' })
  expect(await seen()).toMatch(/secret two/)
  expect(await seen()).not.toMatch(/secret one/)
  await other.stop()
})

test('a place that is in no log shows nothing', async () => {
  await running.db
    .insert(participants)
    .values({ id: 'ghost', sessionId: running.sessionId, tokenHash: 'h', reviewToken: 'r' })
  const ghost = { participantId: 'ghost', sessionId: running.sessionId, reviewToken: 'r' }
  await expect(ownWork(running.db, running.boards, ghost, Date.now())).rejects.toMatchObject({
    code: 'not-found',
  })
})

test('somebody who took their name again on another device is one person', async () => {
  const other = await runningServer()
  const { db, hub, boards, sessionId, facilitator } = other
  const first = await other.join(0)
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  await hub.command(sessionId, facilitator, { type: 'release', participantId: first })
  const second = await other.join(0)
  await hub.command(sessionId, facilitator, {
    type: 'place',
    participantId: second,
    roomId: (await hub.state(sessionId)).rooms[1]?.id ?? null,
  })
  const { people } = await reviewSession(db, boards, sessionId, Date.now())
  expect(people.filter(person => person.shownName === 'Ana')).toMatchObject([
    { rooms: ['Old reeds', 'Birds'] },
  ])
  await other.stop()
})

test('a session that was never opened has nothing to review', async () => {
  const { sessionId } = await plannedSession(running.db, running.by)
  await expect(reviewSession(running.db, running.boards, sessionId, 0)).rejects.toMatchObject({
    code: 'not-found',
  })
})

test('of cards that were hidden their own link shows one’s own, and the others’ only when they were opened while one was there', async () => {
  const other = await runningServer()
  const { db, hub, boards, sessionId, facilitator } = other
  const [ana, bo] = [await other.join(0), await other.join(1)]
  const [room, elsewhere] = (await hub.state(sessionId)).rooms
  if (!room || !elsewhere) throw new Error('Two rooms are needed.')
  const prompts = [
    { id: 'c', kind: 'cards' as const, text: 'Which?', settings: { seen: 'when-opened' as const } },
  ]
  const command = (request: Parameters<typeof hub.command>[2]) => hub.command(sessionId, facilitator, request)
  await command({
    type: 'correct-board',
    place: 0,
    board: { title: 'Birds', steps: [], prompts },
    roomId: null,
  })
  for (const participantId of [ana, bo]) await command({ type: 'place', participantId, roomId: room.id })
  await command({ type: 'send-out', seconds: 600 })
  const copyId = room.copyId
  for (const [participantId, text] of [
    [ana, 'wings of Ana'],
    [bo, 'mud of Bo'],
  ] as const) {
    const doc = new Y.Doc()
    addCard(doc, 'c', `by-${participantId}`, text)
    const update = Y.encodeStateAsUpdate(doc)
    await db.insert(boardUpdates).values({ copyId, promptId: 'c', participantId, update })
    const at = Date.now()
    const entryId = `by-${participantId}`
    const halfMinute = at - (at % 30_000)
    await noteContributions(db, [
      { copyId, promptId: 'c', entryId, participantId, halfMinute, edits: 1, text, at },
    ])
  }
  const seen = async (participantId: string) =>
    JSON.stringify(await ownWork(db, boards, { participantId, sessionId, reviewToken: '' }, Date.now()))
  expect(await seen(ana)).toContain('wings of Ana')
  expect(await seen(ana)).not.toContain('mud of Bo')
  // The facilitator reviews all of it, opened or not.
  expect(JSON.stringify((await reviewSession(db, boards, sessionId, Date.now())).rooms)).toMatch(/mud of Bo/)
  // Ana goes to another room before they are opened; Bo is there.
  await command({ type: 'place', participantId: ana, roomId: elsewhere.id })
  await new Promise(resolve => setTimeout(resolve, 5))
  await command({ type: 'open-hidden-text', promptId: 'c', roomId: room.id })
  expect(await seen(bo)).toMatch(/wings of Ana.*mud of Bo|mud of Bo.*wings of Ana/)
  expect(await seen(ana)).toContain('wings of Ana')
  expect(await seen(ana)).not.toContain('mud of Bo')
  await other.stop()
})
