import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { memoryDatabase } from 'tests/fixtures/database'
import { fold } from '~/core/live/evolve'
import { answersOf, listChoices } from '~/server/choices/choices.server'
import { getCohort, listCohorts } from '~/server/cohorts/cohorts.server'
import { getGrouping, listGroupings } from '~/server/groupings/groupings.server'
import { readLog } from '~/server/live/database-session-store.server'
import { FileFolder } from '~/server/material/file-folder.server'
import { listMaterial } from '~/server/material/material.server'
import { prepareOpening } from '~/server/sessions/opening.server'
import { listSessions } from '~/server/sessions/sessions.server'
import { demoWelcome, loadDemo } from './load.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let data: string
let folder: FileFolder
beforeAll(async () => {
  memory = await memoryDatabase()
  data = await mkdtemp(join(tmpdir(), 'demo-'))
  folder = new FileFolder(data)
  await folder.start()
  await loadDemo(memory.db, folder, Date.UTC(2026, 10, 3, 12))
})
afterAll(async () => {
  await memory.close()
  await rm(data, { recursive: true })
})

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

test('tonight is a running order of whole group, rounds with other groups and boards, stations and report back', async () => {
  const [tonight] = (await listSessions(memory.db)).filter(session => session.phase === 'planned')
  const plan = await prepareOpening(memory.db, tonight?.id ?? '')
  if (!plan.ok) throw new Error(plan.problem.code)
  const { segments = [], board, moreBoards = [] } = plan.value
  expect(segments.map(({ kind }) => kind)).toEqual([
    'whole',
    'rooms',
    'whole',
    'rooms',
    'break',
    'rooms',
    'rooms',
    'whole',
  ])
  const rounds = segments.filter(({ kind }) => kind === 'rooms')
  expect(rounds.map(({ groups }) => groups.from)).toEqual(['plan', 'plan', 'earlier', 'next-step'])
  const titles = [board, ...moreBoards].map(({ title }) => title)
  expect(rounds.map(round => (round.boards ?? [round.board]).map(number => titles[number]).length)).toEqual([
    1, 1, 6, 6,
  ])
  expect(new Set(titles).size).toBe(8)
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
    // One of the list has not come, and one has walked in who is on no list.
    expect(state.participants.size).toBe(state.expected.length)
    expect([...state.participants.values()].filter(one => one.personId === null)).toHaveLength(1)
    expect([...state.participants.values()].every(one => one.roomId !== null)).toBe(true)
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

test('its pictures are in the library, and stand on a board', async () => {
  expect((await listMaterial(memory.db)).map(({ kind, title, usedOn }) => [kind, title, usedOn])).toEqual([
    ['picture', 'Map of the marsh', ['Look closely']],
    ['picture', 'Two birds of the reeds', ['Look closely']],
  ])
})

test('loading again changes nothing, and what one needs to try it is said', async () => {
  await loadDemo(memory.db, folder)
  expect(await listSessions(memory.db)).toHaveLength(7)
  expect(await demoWelcome(memory.db)).toMatchObject({
    joinCode: expect.stringMatching(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/),
  })
})
