import { memoryDatabase } from 'tests/fixtures/database'
import { fold } from '~/core/live/evolve'
import { answersOf, listChoices } from '~/server/choices/choices.server'
import { getCohort, listCohorts } from '~/server/cohorts/cohorts.server'
import { getGrouping, listGroupings } from '~/server/groupings/groupings.server'
import { readLog } from '~/server/live/database-session-store.server'
import { listSessions } from '~/server/sessions/sessions.server'
import { demoWelcome, loadDemo } from './load.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
beforeAll(async () => {
  memory = await memoryDatabase()
  await loadDemo(memory.db, Date.UTC(2026, 10, 3, 12))
})
afterAll(() => memory.close())

test('the school has its two cohorts, and nobody reads like another', async () => {
  const cohorts = await listCohorts(memory.db)
  expect(cohorts.map(cohort => cohort.people)).toEqual([24, 9])
  const { people } = await getCohort(memory.db, cohorts[0]?.id ?? '')
  expect(new Set(people.map(person => person.shownName)).size).toBe(24)
  expect(people[0]?.columns).toEqual({
    'experience (years)': '2',
    'home parish': 'Lowmarsh',
    'first language': 'Portuguese',
  })
})

test('five sessions lie behind, one waits for review, one is ready for tonight at seven', async () => {
  const sessions = await listSessions(memory.db)
  expect(sessions.filter(session => session.phase === 'ended' && session.reviewedAt)).toHaveLength(5)
  expect(sessions.filter(session => session.phase === 'ended' && !session.reviewedAt)).toHaveLength(1)
  expect(sessions.filter(session => session.phase === 'planned').map(session => session.startsAt)).toEqual([
    new Date('2026-11-03T19:00:00Z'),
  ])
})

test('each session behind ran as a live one does: everybody sent out, called back by the clock, ended', async () => {
  const sessions = (await listSessions(memory.db)).filter(session => session.phase === 'ended')
  for (const { id } of sessions) {
    const log = await readLog(memory.db, id)
    expect(log.map(recorded => recorded.seq)).toEqual(log.map((_, index) => index + 1))
    const state = fold(log)
    expect(state).toMatchObject({ phase: 'ended', pastRounds: [{ number: 1 }], round: null })
    expect(log.map(recorded => recorded.event.type)).toEqual(
      expect.arrayContaining(['warned', 'called-back', 'broadcast', 'visit-started']),
    )
    expect(state.participants.size).toBe(state.expected.length - 1)
  }
})

test('four rounds bring everybody together once, and a choice is open', async () => {
  const [evenings, weekends] = await listCohorts(memory.db)
  const [rounds] = (await listGroupings(memory.db, { cohortId: weekends?.id })).filter(
    grouping => grouping.rounds === 4,
  )
  const kept = await getGrouping(memory.db, rounds?.id ?? '')
  const pairs = [kept.groups, ...kept.laterRounds]
    .flat()
    .flatMap(({ personIds }) =>
      personIds.flatMap((a, at) => personIds.slice(at + 1).map(b => [a, b].sort().join())),
    )
  expect(new Set(pairs).size).toBe(36)
  const [choice] = await listChoices(memory.db, evenings?.id ?? '')
  expect(choice).toMatchObject({ phase: 'open', kind: 'wishes' })
  expect(await answersOf(memory.db, choice?.id ?? '')).toHaveLength(15)
})

test('loading again changes nothing, and what one needs to try it is said', async () => {
  await loadDemo(memory.db)
  expect(await listSessions(memory.db)).toHaveLength(7)
  expect(await demoWelcome(memory.db)).toMatchObject({
    joinCode: expect.stringMatching(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/),
  })
})
