import { eq } from 'drizzle-orm'
import { board, plannedSession, value } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import { newSegment, type Segment } from '~/core/schedule/running-order'
import { createBoard } from '../boards/boards.server'
import { boardCopies } from '../db/schema.server'
import { createGrouping } from '../groupings/groupings.server'
import { openSession } from '../live/requests.server'
import { prepareOpening } from './opening.server'
import { savePlan, saveRunningOrder } from './plans.server'
import { getSession, runningOrderOf } from './sessions.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
})
afterEach(() => running.stop())

/** Two rounds with a board each, and a third as the first was. */
async function evening() {
  const { db, by } = running
  const planned = await plannedSession(db, by)
  const stations = await createBoard(db, { ...board, title: 'Stations' })
  const groups = { from: 'grouping', groupingId: planned.groupingId, round: 0 } as const
  const order: Segment[] = [
    { ...newSegment('w', 'whole'), cues: 'Greet.' },
    { ...newSegment('one', 'rooms'), groups, boardId: planned.boardId },
    { ...newSegment('two', 'rooms'), groups, boardId: stations },
    {
      ...newSegment('three', 'rooms'),
      groups: { from: 'earlier', segmentId: 'one' },
      boardId: planned.boardId,
    },
  ]
  value(await saveRunningOrder(db, planned.sessionId, { segments: order, minutes: 60 }))
  return { ...planned, stations, order }
}

test('a session planned with one round has that round as its running order', async () => {
  const { db, by } = running
  const { sessionId, groupingId, boardId } = await plannedSession(db, by)
  const session = await getSession(db, sessionId)
  expect(session.runningOrder).toEqual([])
  expect(runningOrderOf(session)).toMatchObject([
    {
      kind: 'rooms',
      minutes: 10,
      graceSeconds: 60,
      boardId,
      groups: { from: 'grouping', groupingId, round: 0 },
    },
  ])
  expect(value(await prepareOpening(db, sessionId)).segments).toMatchObject([{ kind: 'rooms', minutes: 10 }])
})

test('segments are opened under ids of their own, with groups as they are now and the boards they name', async () => {
  const { sessionId } = await evening()
  const { db } = running
  const plan = value(await prepareOpening(db, sessionId))
  const again = value(await prepareOpening(db, sessionId))
  expect(plan.moreBoards?.map(({ title }) => title)).toEqual(['Stations'])
  expect(plan.segments?.map(({ board: number, groups }) => [number, groups.from])).toEqual([
    [0, 'live'],
    [0, 'plan'],
    [1, 'plan'],
    [0, 'earlier'],
  ])
  const [, one, , three] = plan.segments ?? []
  expect(three?.groups).toEqual({ from: 'earlier', segmentId: one?.id })
  expect(one?.id).not.toBe(again.segments?.[1]?.id)
  // Names of rooms given in the plan hold for every round of the grouping.
  expect(one?.groups.from === 'plan' && one.groups.rooms.map(({ name }) => name)).toEqual([
    'Old reeds',
    'Birds',
  ])
  expect(plan.rooms.map(({ name }) => name)).toEqual(['Old reeds', 'Birds'])
})

test('what a segment names and is gone is left to the session, and does not keep it from opening', async () => {
  const { db, by } = running
  const { sessionId, order } = await evening()
  const gone = order.map(one =>
    one.id === 'two'
      ? { ...one, boardId: 'gone', groups: { from: 'grouping' as const, groupingId: 'gone', round: 3 } }
      : one,
  )
  value(await saveRunningOrder(db, sessionId, { segments: gone, minutes: null }))
  const plan = value(await prepareOpening(db, sessionId))
  expect(plan.segments?.[2]?.groups).toEqual({ from: 'live' })
  expect(plan.moreBoards).toMatchObject([{ title: '', prompts: [] }])
  expect(await openSession({ db, hub: running.hub }, by, sessionId)).toMatchObject({ ok: true })
})

test('stations, a next step, a choice of rooms, terms and roles are opened as they were planned', async () => {
  const { db } = running
  const { sessionId, boardId, stations, order } = await evening()
  const [, one] = order
  const terms = { invited: true, mayChange: true, mayReturn: false }
  const roles = { rule: 'alphabet', mayPass: true } as const
  const planned: Segment[] = [
    { ...(one as Segment), stations: [stations, boardId], terms, roles, parts: ['c'] },
    {
      ...newSegment('on', 'rooms'),
      groups: { from: 'next-step', segmentId: 'one' },
      stations: [stations, 'gone'],
    },
    {
      ...newSegment('pick', 'rooms'),
      groups: { from: 'choice', rooms: ['Text', 'Film'], least: 2, most: 3 },
    },
  ]
  value(await saveRunningOrder(db, sessionId, { segments: planned, minutes: 60 }))
  const plan = value(await prepareOpening(db, sessionId))
  const [first, on, pick] = plan.segments ?? []
  expect([plan.board, ...(plan.moreBoards ?? [])].map(({ title }) => title)).toEqual([
    'Notes',
    'Stations',
    '',
    '',
  ])
  expect(plan.rooms.map(room => room.board)).toEqual([1, undefined])
  expect(first).toMatchObject({ boards: [1, 0], terms, roles, parts: ['c'] })
  // A board that is gone leaves its station with nothing to work on.
  expect(on).toMatchObject({ groups: { from: 'next-step', segmentId: first?.id }, boards: [1, 2] })
  expect(pick?.groups).toMatchObject({
    from: 'choice',
    rooms: [{ name: 'Text' }, { name: 'Film' }],
    least: 2,
    most: 3,
  })
})

test('rooms of a later round get copies of its own board when they are laid out', async () => {
  const { db, hub, by, facilitator } = running
  const { sessionId, personIds } = await evening()
  value(await openSession({ db, hub }, by, sessionId))
  await hub.command(
    sessionId,
    { kind: 'door' },
    {
      type: 'join',
      participantId: 'ana',
      personId: personIds[0] ?? '',
      shownName: 'Ana',
    },
  )
  const ask = async () => {
    const { segments } = await hub.state(sessionId)
    const next = segments.find(({ startedAt }) => startedAt === null)
    return hub.command(sessionId, facilitator, { type: 'next-segment', segmentId: next?.id ?? '' })
  }
  value(await ask())
  await hub.command(sessionId, facilitator, { type: 'call-back' })
  value(await hub.command(sessionId, { kind: 'clock' }, { type: 'finish-grace' }))
  const copies = await db.select().from(boardCopies).where(eq(boardCopies.sessionId, sessionId))
  expect(copies.map(copy => (copy.board as { title: string }).title).sort()).toEqual([
    'Notes',
    'Notes',
    'Stations',
    'Stations',
  ])
})

test('an order is kept until the session is opened, and follows when the session gets another grouping', async () => {
  const { db, hub, by } = running
  const { sessionId, form, cohortId, personIds } = await evening()
  const groups = [{ id: 'x', name: 'All', personIds }]
  const other = value(await createGrouping(db, by, cohortId, { name: 'Other', groups, version: null }))
  value(await savePlan(db, sessionId, { ...form, groupingId: other }))
  const { runningOrder } = await getSession(db, sessionId)
  expect(runningOrder.map(each => each.groups)).toMatchObject([
    { from: 'live' },
    { groupingId: other },
    { groupingId: other },
    { from: 'earlier' },
  ])
  value(await savePlan(db, sessionId, form))
  value(await openSession({ db, hub }, by, sessionId))
  expect(await saveRunningOrder(db, sessionId, { segments: [], minutes: null })).toMatchObject({
    ok: false,
    problem: { code: 'already-open' },
  })
})

test('two plan the same session at once: what either did stands; more than a plan holds is refused', async () => {
  const { db, by } = running
  const { sessionId } = await plannedSession(db, by)
  const was = { segments: [newSegment('a', 'rooms'), newSegment('b', 'whole')], minutes: 60 }
  value(await saveRunningOrder(db, sessionId, was))
  const added = { ...was, segments: [...was.segments, newSegment('c', 'break')] }
  const longer = {
    segments: [{ ...newSegment('a', 'rooms'), minutes: 20 }, newSegment('b', 'whole')],
    minutes: 90,
  }
  const both = await Promise.all([
    saveRunningOrder(db, sessionId, added, was),
    saveRunningOrder(db, sessionId, longer, was),
  ])
  const order = { segments: [...longer.segments, newSegment('c', 'break')], minutes: 90 }
  expect(both.map(value)).toContainEqual(order)
  const { runningOrder, minutes } = await getSession(db, sessionId)
  expect({ segments: runningOrder, minutes }).toEqual(order)

  const many = (from: string) => Array.from({ length: 30 }, (_, at) => newSegment(`${from}${at}`, 'break'))
  value(await saveRunningOrder(db, sessionId, { ...order, segments: many('x') }, order))
  expect(await saveRunningOrder(db, sessionId, { ...order, segments: many('y') }, order)).toMatchObject({
    ok: false,
    problem: { code: 'too-many-segments' },
  })
})
