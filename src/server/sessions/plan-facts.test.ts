import { board, plannedSession, value } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import { newSegment } from '~/core/schedule/running-order'
import { createBoard } from '../boards/boards.server'
import { removePeople } from '../cohorts/cohorts.server'
import { addRule } from '../cohorts/rules.server'
import { remove } from '../removals/removals.server'
import { planWorld } from './plan-facts.server'
import { createSession, savePlan, saveRunningOrder } from './plans.server'
import { getSession } from './sessions.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
})
afterEach(() => running.stop())

test('a plan sees the rounds of its cohort with who is on the list now, and every board', async () => {
  const { db, by } = running
  const { sessionId, cohortId, personIds } = await plannedSession(db, by)
  await removePeople(db, cohortId, personIds.slice(0, 1))
  const world = await planWorld(db, await getSession(db, sessionId))
  expect(world.groupings).toMatchObject([
    {
      name: 'Pairs',
      rounds: [
        {
          groups: [
            { name: 'Reeds', people: 1, leads: 0 },
            { name: 'Birds', people: 2, leads: 0 },
          ],
          unplaced: 0,
        },
      ],
    },
  ])
  expect(world.boards.find(({ title }) => title === board.title)).toMatchObject({
    steps: board.steps.length,
    prompts: board.prompts.map(({ id, text }) => ({ id, text })),
    unfinished: [],
    minutes: 0,
  })
})

test('a board that is begun says what is missing, and how long its parts should take', async () => {
  const { db, by } = running
  const { sessionId } = await plannedSession(db, by)
  const part = { title: 'Later', steps: [], opens: 'hand' as const }
  await createBoard(db, {
    ...board,
    title: 'Begun',
    parts: [
      { ...part, id: 'one', minutes: 5 },
      { ...part, id: 'two', title: '', minutes: 8 },
    ],
  })
  const { boards } = await planWorld(db, await getSession(db, sessionId))
  expect(boards.find(({ title }) => title === 'Begun')).toMatchObject({
    unfinished: ['Part 3 has no name.'],
    minutes: 13,
  })
})

test('what the plan uses is there when it was removed since; what nobody uses is not', async () => {
  const { db, by } = running
  const { sessionId, boardId } = await plannedSession(db, by)
  const other = await createBoard(db, { ...board, title: 'Unused' })
  for (const id of [boardId, other]) await remove(db, by, 'board', id)
  const { boards } = await planWorld(db, await getSession(db, sessionId))
  expect(boards.map(({ id }) => id)).toContain(boardId)
  expect(boards.map(({ id }) => id)).not.toContain(other)
})

test('rules that the groups of the plan break are named, of groupings it does not use nothing is said', async () => {
  const { db, by } = running
  const { sessionId, cohortId, groupingId, personIds } = await plannedSession(db, by)
  const [, , one = '', other = ''] = personIds
  value(await addRule(db, cohortId, { kind: 'apart', personIds: [one, other], reason: 'They said so.' }))
  const broken = async () =>
    (await planWorld(db, await getSession(db, sessionId))).groupings[0]?.rounds[0]?.brokenRules
  expect(await broken()).toEqual([expect.stringMatching(/ and .* apart$/)])
  value(
    await saveRunningOrder(db, sessionId, {
      segments: [{ ...newSegment('r', 'rooms'), boardId: null }],
      minutes: null,
    }),
  )
  expect(await broken()).toEqual([])
  expect(groupingId).not.toBe('')
})

test('another session of the cohort at the same time is named, one after it is not', async () => {
  const { db, by } = running
  const { sessionId, form } = await plannedSession(db, by)
  const other = value(await createSession(db, { ...form, title: 'The other', time: '19:40' }))
  const names = async () => (await planWorld(db, await getSession(db, sessionId))).atTheSameTime
  // Ten minutes in rooms from 19:00 are over at 19:40.
  expect(await names()).toEqual([])
  value(
    await saveRunningOrder(db, sessionId, {
      segments: [{ ...newSegment('w', 'whole'), minutes: 60 }],
      minutes: null,
    }),
  )
  expect(await names()).toEqual(['The other'])
  value(await savePlan(db, other, { ...form, title: 'The other', time: '20:00' }))
  expect(await names()).toEqual([])
})
