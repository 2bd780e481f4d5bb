import { runningServer } from 'tests/fixtures/running'
import { toldBy } from '~/core/review/told'
import { readLog } from '../live/database-session-store.server'
import { onWorkThread, stopWorkThread } from '../work/work-thread.server'
import { toldOf } from './told.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
})
afterEach(() => running.stop())
afterAll(stopWorkThread)

test('what an ended session tells is worked out once; of one that runs, how long people were there goes on', async () => {
  const { db, hub, sessionId, facilitator, join } = running
  await join(0)
  const now = Date.now()
  const early = await toldOf(db, sessionId, now + 60_000)
  const late = await toldOf(db, sessionId, now + 120_000)
  const presentMs = ({ attendance }: typeof early) => attendance[0]?.presentMs ?? 0
  expect(presentMs(late) - presentMs(early)).toBe(60_000)
  await hub.command(sessionId, facilitator, { type: 'end' })
  const [one, other] = await Promise.all([
    toldOf(db, sessionId, Date.now()),
    toldOf(db, sessionId, Date.now()),
  ])
  expect(one.state.phase).toBe('ended')
  expect(await toldOf(db, sessionId, Date.now())).toBe(one)
  expect(other).toBe(one)
})

test('the thread tells the same as is told where it is asked', async () => {
  const { db, hub, sessionId, facilitator, join } = running
  await join(0)
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  await hub.command(sessionId, facilitator, { type: 'end' })
  const log = await readLog(db, sessionId)
  const now = Date.now()
  expect(await onWorkThread('told', { log, now })).toEqual(toldBy(log, now))
})
