import { pino } from 'pino'
import { runningServer } from 'tests/fixtures/running'
import type { StreamMessage } from '~/contracts/live'
import { boardCopies } from '../db/schema.server'
import { getSession } from '../sessions/sessions.server'
import { appendToLog, LogRaceError, readLog } from './event-log.server'
import { LiveHub } from './hub.server'
import { askAsFacilitator, askAsParticipant, openSession } from './requests.server'

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
  expect(await openSession(db, hub, by, sessionId)).toMatchObject({
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

test('requests are made in the name of who asks', async () => {
  const { hub, by, sessionId } = running
  const participantId = await running.join(0)
  expect(await askAsFacilitator(hub, by, sessionId, { type: 'send-out', seconds: 600 })).toMatchObject({
    ok: true,
  })
  expect(await askAsParticipant(hub, sessionId, participantId, { type: 'call-help' })).toMatchObject({
    ok: true,
  })
  expect(await askAsParticipant(hub, sessionId, null, { type: 'call-help' })).toEqual({
    ok: false,
    problem: { code: 'not-allowed' },
  })
  const { helpCalls } = await hub.state(sessionId)
  expect(helpCalls).toMatchObject([{ participantId, closedAt: null }])
})

test('a session nobody knows is not there, and asking for it leaves nothing behind', async () => {
  const { hub, by } = running
  await expect(hub.state('nothing')).rejects.toMatchObject({ code: 'not-found' })
  await expect(askAsFacilitator(hub, by, 'nothing', { type: 'end' })).rejects.toMatchObject({
    code: 'not-found',
  })
})
