import { runningServer } from 'tests/fixtures/running'
import { serverNow } from '../clock.server'
import { boardCopies, sessions } from '../db/schema.server'
import { askAsFacilitator, openSession } from '../live/requests.server'
import { dependentsOf, remove } from '../removals/removals.server'
import { reviewSession } from '../review/review.server'
import { newId } from '../tokens.server'
import { createBareSession, getSession, listSessions } from './sessions.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
})
afterEach(() => running.stop())

/** A session begun on the spot, with two who walked in. */
async function begun(): Promise<string> {
  const { db, hub, by } = running
  const sessionId = await createBareSession(db, 'Europe/London', Date.UTC(2026, 10, 26, 19, 5))
  expect(await openSession({ db, hub }, by, sessionId)).toMatchObject({ ok: true })
  for (const shownName of ['Ana', 'Bo'])
    await hub.command(
      sessionId,
      { kind: 'door' },
      { type: 'join', participantId: newId(), personId: null, shownName },
    )
  return sessionId
}

test('it needs no cohort, grouping or board, is called by its time, and stands in the list', async () => {
  const { db, hub } = running
  const sessionId = await begun()
  expect(await getSession(db, sessionId)).toMatchObject({
    title: 'Thu 26 Nov, 19:05',
    cohortId: null,
    groupingId: null,
    boardId: null,
    phase: 'open',
    waitingList: false,
  })
  expect((await listSessions(db)).find(({ id }) => id === sessionId)).toMatchObject({ cohortName: null })
  expect(await hub.state(sessionId)).toMatchObject({ rooms: [], expected: [], boards: [{ prompts: [] }] })
})

test('rooms made in it have a copy of its board each, written with the event; what was made in them can be reviewed', async () => {
  const { db, hub, boards, by } = running
  const sessionId = await begun()
  const people = [...(await hub.state(sessionId)).participants.values()]
  const groups = people.map(({ id, shownName }) => ({ name: `Room of ${shownName}`, participantIds: [id] }))
  expect(await askAsFacilitator({ db, hub }, by, sessionId, { type: 'make-rooms', groups })).toMatchObject({
    ok: true,
  })
  const { rooms } = await hub.state(sessionId)
  const copies = (await db.select().from(boardCopies)).filter(copy => copy.sessionId === sessionId)
  expect(copies.map(({ id, roomId, board }) => [id, roomId, board.prompts]).toSorted()).toEqual(
    rooms.map(room => [room.copyId, room.id, []]).toSorted(),
  )
  for (const request of [{ type: 'send-out', seconds: 60 }, { type: 'end' }] as const)
    expect(await askAsFacilitator({ db, hub }, by, sessionId, request)).toMatchObject({ ok: true })
  const review = await reviewSession(db, boards, sessionId, serverNow())
  expect(review.rooms.map(room => room.name)).toEqual(['Room of Ana', 'Room of Bo'])
})

test('a hundred rooms are made at once, one more is no request', async () => {
  const { db, hub, by } = running
  const sessionId = await begun()
  const [ana] = [...(await hub.state(sessionId)).participants.values()]
  const groups = Array.from({ length: 100 }, (_, index) => ({
    name: `Room ${index}`,
    participantIds: index === 99 ? [ana?.id ?? ''] : [],
  }))
  expect(await askAsFacilitator({ db, hub }, by, sessionId, { type: 'make-rooms', groups })).toMatchObject({
    ok: true,
  })
  expect((await hub.state(sessionId)).rooms.map(room => room.name)).toEqual(['Room 99'])
})

test('renamed, it is called so in the list as well; a name with nothing in it is refused', async () => {
  const { db, hub, by } = running
  const sessionId = await begun()
  const rename = (title: string) =>
    askAsFacilitator({ db, hub }, by, sessionId, { type: 'rename-session', title })
  expect(await rename('  Reading circle ')).toMatchObject({ ok: true })
  expect(await rename(' ')).toMatchObject({ ok: false, problem: { code: 'text-empty' } })
  expect(await rename('x'.repeat(101))).toMatchObject({ ok: false, problem: { code: 'text-too-long' } })
  expect((await getSession(db, sessionId)).title).toBe('Reading circle')
  expect((await hub.state(sessionId)).title).toBe('Reading circle')
})

test('it can be removed like any other once it has ended', async () => {
  const { db, hub, by } = running
  const sessionId = await begun()
  expect(await remove(db, by, 'session', sessionId)).toMatchObject({ ok: false })
  await askAsFacilitator({ db, hub }, by, sessionId, { type: 'end' })
  expect(await dependentsOf(db, 'session', sessionId)).toMatchObject({ pastSessions: 0 })
  expect(await remove(db, by, 'session', sessionId)).toMatchObject({ ok: true })
  expect((await db.select().from(sessions)).find(({ id }) => id === sessionId)?.removedAt).not.toBeNull()
})
