import { runningServer } from 'tests/fixtures/running'
import { sessions } from '../db/schema.server'
import { pastSessions } from './history.server'

test('who was really in a room together has met; a session counts once it has ended', async () => {
  const running = await runningServer()
  const { db, hub, sessionId, cohortId, facilitator, personIds } = running
  // Two share a room; a third belongs to it and never comes.
  await running.join(0)
  await running.join(1)
  await running.join(2)
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  await new Promise(resolve => setTimeout(resolve, 30))
  expect(await pastSessions(db, cohortId)).toEqual([])
  await hub.command(sessionId, facilitator, { type: 'end' })
  const [past, ...others] = await pastSessions(db, cohortId)
  expect(others).toEqual([])
  expect(past).toMatchObject({ id: sessionId, title: 'Evening 1' })
  expect(past?.meetings.map(({ pair }) => pair)).toEqual([[personIds[0], personIds[1]].toSorted()])
  expect(await pastSessions(db, cohortId)).toEqual([past])
  await running.stop()
})

test('a session counts for the day on which it was where it was held, not where the server is', async () => {
  // Half past ten in the evening in UTC is the next morning in Tokyo.
  const evening = Date.parse('2026-11-03T22:30:00Z')
  const running = await runningServer(false, () => evening)
  const { db, hub, sessionId, cohortId, facilitator } = running
  await hub.command(sessionId, facilitator, { type: 'end' })
  await db.update(sessions).set({ timeZone: 'Asia/Tokyo' })
  expect((await pastSessions(db, cohortId)).map(({ day }) => day)).toEqual(['2026-11-04'])
  await running.stop()
})
