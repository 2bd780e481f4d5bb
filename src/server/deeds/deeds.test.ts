import { account } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { moveClock } from '../clock.server'
import { cohorts } from '../db/schema.server'
import { listDeeds, noteDeed } from './deeds.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
beforeEach(async () => {
  memory = await memoryDatabase()
})
afterEach(() => memory.close())

test('an entry keeps the names as they were, the latest comes first', async () => {
  const { db } = memory
  const marit = await account(db)
  await db.insert(cohorts).values({ id: 'c', name: 'Evening course' })
  await noteDeed(db, marit, { kind: 'list-imported', thing: { kind: 'cohort', id: 'c' }, count: 24 })
  await db.update(cohorts).set({ name: 'Another name' })
  await noteDeed(db, marit, { kind: 'signed-in', about: 'Firefox on Linux' })
  expect(await listDeeds(db, null)).toMatchObject({
    deeds: [
      { byName: 'Marit', kind: 'signed-in', thing: null, about: 'Firefox on Linux', count: null },
      { byName: 'Marit', kind: 'list-imported', thing: 'cohort', about: 'Evening course', count: 24 },
    ],
    more: false,
  })
})

test('what is not there any more leaves the name empty', async () => {
  await noteDeed(memory.db, { displayName: 'Marit' }, { kind: 'removed', thing: { kind: 'board', id: 'x' } })
  expect((await listDeeds(memory.db, null)).deeds[0]).toMatchObject({ thing: 'board', about: '' })
})

test('fifty at a time, each once; what is older than 400 days goes', async () => {
  const { db } = memory
  for (let count = 0; count < 101; count++)
    await noteDeed(db, { displayName: 'Marit' }, { kind: 'people-removed', count })
  const counts: (number | null)[] = []
  let before: number | null = null
  for (const more of [true, true, false]) {
    const page = await listDeeds(db, before)
    expect(page.more).toBe(more)
    counts.push(...page.deeds.map(({ count }) => count))
    before = page.deeds.at(-1)?.id ?? null
  }
  expect(counts).toEqual(Array.from({ length: 101 }, (_, index) => 100 - index))
  moveClock(401 * 24 * 60 * 60 * 1000)
  await noteDeed(db, { displayName: 'Marit' }, { kind: 'signed-in' })
  expect((await listDeeds(db, null)).deeds).toHaveLength(1)
})
