import { jest } from '@jest/globals'
import { eq } from 'drizzle-orm'
import { pino } from 'pino'
import { value } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import type { StreamMessage } from '~/contracts/live'
import type { Viewer } from '~/core/live/views'
import { noteContributions } from '../boards/contributions.server'
import { boardCopies, groupings, sessionEvents } from '../db/schema.server'
import { claimName, freeNames } from '../join/join.server'
import { createSession, savePlan } from '../sessions/plans.server'
import { getSession } from '../sessions/sessions.server'
import { appendToLog, readLog } from './database-session-store.server'
import { LiveHub } from './hub.server'
import { askAsFacilitator, askAsParticipant, openSession } from './requests.server'
import { LogRaceError } from './session-store'

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
})
afterEach(() => running.stop())

test('opening a session makes a board copy for each room, once, and its plan is closed', async () => {
  const { db, hub, by, sessionId } = running
  const { rooms } = await hub.state(sessionId)
  const copies = await db.select().from(boardCopies)
  expect(copies.map(copy => [copy.id, copy.roomId]).sort()).toEqual(
    rooms.map(room => [room.copyId, room.id]).sort(),
  )
  expect(copies[0]?.board.title).toBe('Notes')
  expect((await getSession(db, sessionId)).phase).toBe('open')
  expect(await openSession({ db, hub }, by, sessionId)).toMatchObject({
    ok: false,
    problem: { code: 'already-open' },
  })
  expect(await db.select().from(boardCopies)).toHaveLength(2)
})

test('a log can not be written at a place that is taken', async () => {
  const { db, hub, sessionId } = running
  const recorded = { seq: 1, at: 5, event: { type: 'ended' } } as const
  await expect(appendToLog(db, sessionId, [{ recorded, actor: { kind: 'clock' } }])).rejects.toThrow(
    LogRaceError,
  )
  expect((await getSession(db, sessionId)).phase).toBe('open')
  expect((await hub.state(sessionId)).phase).toBe('open')
})

test('another server on the same log sees the same session', async () => {
  const { db, hub, sessionId, facilitator } = running
  await running.join(0)
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  const again = new LiveHub(db, pino({ enabled: false }))
  await again.start()
  expect(await again.state(sessionId)).toEqual(await hub.state(sessionId))
  expect(await readLog(db, sessionId, 2)).toHaveLength((await readLog(db, sessionId)).length - 2)
  await again.stop()
})

/** What streams say, and to whom: a new kind of message is one somebody has to place here. */
const TOLD: Record<StreamMessage['kind'], Viewer['kind'][]> = {
  hello: ['facilitator', 'projector', 'participant'],
  view: ['facilitator', 'projector', 'participant'],
  change: ['facilitator', 'projector', 'participant'],
  work: ['facilitator'],
  call: ['facilitator'],
  doing: ['facilitator'],
  'put-up': ['participant'],
}

test('how rooms are getting on goes to facilitators alone, what is put up to participants, what happens in the session to everybody', async () => {
  const { hub, sessionId, facilitator } = running
  const participantId = await running.join(0)
  const heard: Record<Viewer['kind'], Set<string>> = {
    facilitator: new Set(),
    projector: new Set(),
    participant: new Set(),
  }
  const viewers: Viewer[] = [
    { kind: 'facilitator' },
    { kind: 'projector' },
    { kind: 'participant', participantId },
  ]
  const stops = await Promise.all(
    viewers.map(viewer =>
      hub.follow(sessionId, viewer, null, message => heard[viewer.kind].add(message.kind)),
    ),
  )
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  await hub.tellFacilitators(sessionId, { kind: 'work', rooms: {} })
  await hub.tellFacilitators(sessionId, { kind: 'call', rooms: {} })
  await hub.tellFacilitators(sessionId, { kind: 'doing', doing: {} })
  await hub.tellParticipants(sessionId, { kind: 'put-up', of: '/c', now: null }, () => true)
  for (const [kind, readers] of Object.entries(TOLD)) {
    for (const viewer of viewers)
      expect([kind, viewer.kind, heard[viewer.kind].has(kind)]).toEqual([
        kind,
        viewer.kind,
        readers.includes(viewer.kind),
      ])
  }
  for (const stop of stops) stop()
})

test('a reader follows until they stop; what changes is told to listeners', async () => {
  const { hub, sessionId, facilitator } = running
  const participantId = await running.join(0)
  const heard: StreamMessage[] = []
  const phases: number[] = []
  hub.onChange((id, state) => id === sessionId && phases.push(state.seq))
  const stop = await hub.follow(sessionId, { kind: 'participant', participantId }, null, message =>
    heard.push(message),
  )
  await hub.command(sessionId, facilitator, { type: 'broadcast', messageId: 'm', text: 'Look up.' })
  stop()
  await hub.command(sessionId, facilitator, { type: 'broadcast', messageId: 'n', text: 'Not heard.' })
  expect(heard.map(message => message.kind)).toEqual(['hello', 'view', 'change'])
  expect(phases).toHaveLength(2)
})

test('a session whose log is damaged is shut; the others are taken up', async () => {
  const { db, hub, sessionId, by, form } = running
  const other = value(await createSession(db, form))
  value(await openSession({ db, hub }, by, other))
  await db
    .update(sessionEvents)
    .set({ payload: { type: 'from-tomorrow' } })
    .where(eq(sessionEvents.sessionId, sessionId))
  const again = new LiveHub(db, pino({ enabled: false }))
  await again.start()
  expect(await again.state(other)).toMatchObject({ phase: 'open' })
  await expect(again.state(sessionId)).rejects.toMatchObject({ code: 'damaged' })
  await expect(askAsFacilitator({ db, hub: again }, by, sessionId, { type: 'end' })).rejects.toMatchObject({
    code: 'damaged',
  })
  await again.stop()
})

test('a session that can not be read keeps the server neither from going on nor from stopping', async () => {
  const hub = new LiveHub(running.db, pino({ enabled: false }))
  const unreadable = expect(hub.state('nowhere')).rejects.toThrow()
  await hub.state(running.sessionId)
  const again = expect(hub.state('nowhere')).rejects.toThrow()
  await expect(Promise.all([hub.wake(), hub.stop()])).resolves.toBeDefined()
  await Promise.all([unreadable, again])
})

test('a visit ends soon after the facilitator who made it is gone, not while one page of theirs is open', async () => {
  const { hub, by, sessionId } = running
  await running.join(0)
  value(await askAsFacilitator(running, by, sessionId, { type: 'send-out', seconds: 600 }))
  const { rooms } = await hub.state(sessionId)
  value(await askAsFacilitator(running, by, sessionId, { type: 'visit', roomId: rooms[0]?.id ?? '' }))
  const follow = () => hub.follow(sessionId, { kind: 'facilitator' }, null, () => undefined, by)
  const [first, second] = [await follow(), await follow()]
  jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'queueMicrotask'] })
  first()
  jest.advanceTimersByTime(20_000)
  expect((await hub.state(sessionId)).visits).toHaveLength(1)
  second()
  jest.advanceTimersByTime(20_000)
  jest.useRealTimers()
  while ((await hub.state(sessionId)).visits.length > 0) await new Promise(resolve => setTimeout(resolve, 5))
})

test('somebody with two tabs is here until the last of them is gone', async () => {
  const { hub, sessionId } = running
  const participantId = await running.join(0)
  const viewer = { kind: 'participant', participantId } as const
  const follow = () => hub.follow(sessionId, viewer, null, () => undefined)
  const connected = async () => (await hub.state(sessionId)).participants.get(participantId)?.connected
  const [first, second] = [await follow(), await follow()]
  jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'queueMicrotask'] })
  first()
  jest.advanceTimersByTime(20_000)
  jest.useRealTimers()
  await new Promise(resolve => setTimeout(resolve, 50))
  expect(await connected()).toBe(true)
  // A tab that is loaded anew is back before it is missed.
  jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'queueMicrotask'] })
  second()
  const again = await follow()
  jest.advanceTimersByTime(20_000)
  jest.useRealTimers()
  await new Promise(resolve => setTimeout(resolve, 50))
  expect(await connected()).toBe(true)
  jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'queueMicrotask'] })
  again()
  jest.advanceTimersByTime(20_000)
  jest.useRealTimers()
  while (await connected()) await new Promise(resolve => setTimeout(resolve, 5))
})

test('opening a session that has ended is refused and writes nothing', async () => {
  const { db, hub, by, sessionId, groupingId } = running
  value(await askAsFacilitator({ db, hub }, by, sessionId, { type: 'end' }))
  expect(await getSession(db, sessionId)).toMatchObject({ phase: 'ended', groupingVersion: 1 })
  await db.update(groupings).set({ version: 2 }).where(eq(groupings.id, groupingId))
  expect(await openSession({ db, hub }, by, sessionId)).toMatchObject({ problem: { code: 'already-open' } })
  expect(await getSession(db, sessionId)).toMatchObject({ phase: 'ended', groupingVersion: 1 })
})

test('a plan is not written over a session that is opened at the same moment', async () => {
  const { db, hub, by, form } = running
  const planned = value(await createSession(db, form))
  const saving = savePlan(db, planned, { ...form, title: 'Too late' })
  const opening = openSession({ db, hub }, by, planned)
  const [saved] = await Promise.all([saving, opening])
  const { title, phase } = await getSession(db, planned)
  expect(phase).toBe('open')
  expect(title).toBe(saved.ok ? 'Too late' : form.title)
  expect(await savePlan(db, planned, { ...form, title: 'Later still' })).toMatchObject({
    problem: { code: 'already-open' },
  })
})

test('a name that is taken is asked for at the door and freed with one move', async () => {
  const { hub, by, sessionId } = running
  const participantId = await running.join(0)
  expect(await claimName(hub, sessionId, 'Nobody')).toMatchObject({
    problem: { code: 'no-such-participant' },
  })
  value(await claimName(hub, sessionId, ' ÁNA '))
  const [doubt] = (await hub.state(sessionId)).doubts
  expect(doubt).toMatchObject({ participantId, how: 'mine-is-taken' })
  const settled = { type: 'settle-doubt', doubtId: doubt?.id ?? '', free: true } as const
  value(await askAsFacilitator(running, by, sessionId, settled))
  expect((await freeNames(hub, sessionId)).map(name => name.shownName)).toContain('Ana')
})

test('a place is given back by itself only while nothing was written from it', async () => {
  const { db, hub, sessionId } = running
  const wrote = await running.join(0)
  const silent = await running.join(1)
  const { rooms } = await hub.state(sessionId)
  await noteContributions(db, [
    {
      copyId: rooms[0]?.copyId ?? '',
      promptId: 'c',
      entryId: 'e',
      participantId: wrote,
      halfMinute: 0,
      edits: 1,
      text: 'x',
      at: 0,
    },
  ])
  for (const id of [wrote, silent]) value(await askAsParticipant(running, sessionId, id, { type: 'not-me' }))
  const { participants, doubts } = await hub.state(sessionId)
  expect(participants.get(silent)?.released).toBe(true)
  expect(participants.get(wrote)?.released).toBe(false)
  expect(doubts).toMatchObject([{ participantId: wrote, how: 'not-me' }])
})

test('a session that has ended and that nobody follows is let go; followed or running, it is kept', async () => {
  const { db, hub, boards, by, sessionId, form } = running
  const ended = value(await createSession(db, form))
  value(await openSession({ db, hub }, by, ended))
  value(await askAsFacilitator({ db, hub }, by, ended, { type: 'end' }))
  const before = await boards.work.of(ended, await hub.state(ended))
  expect(hub.held).toBe(2)
  const stop = await hub.follow(ended, { kind: 'facilitator' }, null, () => undefined)
  await hub.letGo()
  expect(hub.held).toBe(2)
  stop()
  await hub.letGo()
  expect(hub.held).toBe(1)
  // Asked for again it is there as it was.
  expect(await hub.state(ended)).toMatchObject({ phase: 'ended' })
  expect(await boards.work.of(ended, await hub.state(ended))).toEqual(before)
  expect(await hub.state(sessionId)).toMatchObject({ phase: 'open' })
})

test('requests are made in the name of who asks', async () => {
  const { db, hub, by, sessionId } = running
  const participantId = await running.join(0)
  expect(
    await askAsFacilitator({ db, hub }, by, sessionId, { type: 'send-out', seconds: 600 }),
  ).toMatchObject({
    ok: true,
  })
  expect(await askAsParticipant(running, sessionId, participantId, { type: 'call-help' })).toMatchObject({
    ok: true,
  })
  expect(await askAsParticipant(running, sessionId, null, { type: 'call-help' })).toEqual({
    ok: false,
    problem: { code: 'not-allowed' },
  })
  const { helpCalls } = await hub.state(sessionId)
  expect(helpCalls).toMatchObject([{ participantId, closedAt: null }])
})

test('a session nobody knows is not there, and asking for it leaves nothing behind', async () => {
  const { hub, by } = running
  await expect(hub.state('nothing')).rejects.toMatchObject({ code: 'not-found' })
  await expect(askAsFacilitator(running, by, 'nothing', { type: 'end' })).rejects.toMatchObject({
    code: 'not-found',
  })
})
