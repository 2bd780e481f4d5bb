import { memoryDatabase } from 'tests/fixtures/database'
import { runningServer } from 'tests/fixtures/running'
import { presentOn } from '~/core/people/presence'
import { createCohort, getCohort } from './cohorts.server'
import { presenceFromSession, runningSessions, setPresence } from './presence.server'

test('who is present is kept for one day, and only those on the list count', async () => {
  const memory = await memoryDatabase()
  const cohortId = await createCohort(memory.db, 'Evening')
  await setPresence(memory.db, cohortId, { day: '2026-11-03', personIds: ['b', 'x'] })
  const { presence } = await getCohort(memory.db, cohortId)
  expect(presentOn(presence, '2026-11-03', [{ id: 'a' }, { id: 'b' }])).toEqual(['b'])
  expect(presentOn(presence, '2026-11-04', [{ id: 'b' }])).toBeNull()
  await expect(setPresence(memory.db, 'nothing', { day: 'x', personIds: [] })).rejects.toMatchObject({
    code: 'not-found',
  })
  await memory.close()
})

test('what a page said first and was overtaken on its way does not undo what it said last; another page does', async () => {
  const memory = await memoryDatabase()
  const cohortId = await createCohort(memory.db, 'Evening')
  const say = (from: string, number: number, ...personIds: string[]) =>
    setPresence(memory.db, cohortId, { day: '2026-11-03', personIds, tick: { from, number } })
  const here = async () => (await getCohort(memory.db, cohortId)).presence?.personIds
  await say('one', 2, 'a')
  await say('one', 1, 'a', 'b')
  expect(await here()).toEqual(['a'])
  await say('two', 1, 'b')
  expect(await here()).toEqual(['b'])
  await say('one', 3)
  expect(await here()).toEqual([])
  await memory.close()
})

test('two who tick at two doors: each says of whom they ticked, and of all of them who says so', async () => {
  const memory = await memoryDatabase()
  const cohortId = await createCohort(memory.db, 'Evening')
  const day = '2026-11-03'
  const here = async () => (await getCohort(memory.db, cohortId)).presence
  await setPresence(memory.db, cohortId, { day: '2026-11-02', personIds: ['z'] })
  // The day before is not today's.
  await setPresence(memory.db, cohortId, { day, personIds: [] }, [])
  expect(await here()).toEqual({ day, personIds: [] })
  const two = [
    setPresence(memory.db, cohortId, { day, personIds: ['a'] }, ['a']),
    setPresence(memory.db, cohortId, { day, personIds: ['b', 'c'] }, ['b', 'c']),
  ]
  await Promise.all(two)
  expect((await here())?.personIds.toSorted()).toEqual(['a', 'b', 'c'])
  // A page that has not heard of anybody yet begins, and one takes somebody back.
  await setPresence(memory.db, cohortId, { day, personIds: [] }, [])
  await setPresence(memory.db, cohortId, { day, personIds: ['c', 'x'] }, ['b', 'c'])
  expect((await here())?.personIds.toSorted()).toEqual(['a', 'c'])
  await setPresence(memory.db, cohortId, { day, personIds: ['x'] })
  expect(await here()).toEqual({ day, personIds: ['x'] })
  await memory.close()
})

test('presence is taken from a running session: who has come and is still there', async () => {
  const running = await runningServer()
  const { db, hub, sessionId, cohortId, personIds } = running
  for (const index of [0, 2, 3]) await running.join(index)
  const gone = await running.join(1)
  await hub.command(sessionId, { kind: 'door' }, { type: 'disconnect', participantId: gone })
  expect(await runningSessions(db, cohortId)).toMatchObject([{ id: sessionId }])
  await presenceFromSession(db, hub, cohortId, sessionId, '2026-11-03')
  const { presence } = await getCohort(db, cohortId)
  expect(presence?.personIds.toSorted()).toEqual([0, 2, 3].map(index => personIds[index]).toSorted())
  const other = await createCohort(db, 'Other')
  expect(await presenceFromSession(db, hub, other, sessionId, '2026-11-03')).toBe(false)
  expect((await getCohort(db, other)).presence).toBeNull()
  await running.stop()
})
