import { eq } from 'drizzle-orm'
import { person, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { cohorts, people } from '../db/schema.server'
import { addPerson, createCohort, getCohort, removePeople } from './cohorts.server'
import { addColumn, changeColumn, removeColumn, restoreColumn } from './columns.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let cohortId: string
beforeAll(async () => {
  memory = await memoryDatabase()
})
beforeEach(async () => {
  cohortId = await createCohort(memory.db, 'Evening')
  value(await addColumn(memory.db, cohortId, { name: 'Years', kind: 'text' }))
  for (const [name, years] of [
    ['Ana', '3'],
    ['Bo', '2,5'],
    ['Chi', ''],
  ] as const) {
    const values = [{ column: 'Years', value: years }]
    value(await addPerson(memory.db, cohortId, { ...person(name), values }))
  }
})
afterAll(() => memory.close())

const cohort = () => getCohort(memory.db, cohortId)
const values = async (name: string) => (await cohort()).people.map(each => each.columns[name])

test('a change of kind brings the values into its form; a new name takes them along', async () => {
  value(await changeColumn(memory.db, cohortId, 'Years', { name: 'Experience', kind: 'number' }))
  expect(await values('Experience')).toEqual(['3', '2.5', ''])
  expect(await values('Years')).toEqual([undefined, undefined, undefined])
  expect((await cohort()).columns).toEqual([{ name: 'Experience', kind: 'number' }])
})

test('a kind that values do not fit is refused with whose they are, and nothing changes', async () => {
  expect(await changeColumn(memory.db, cohortId, 'Years', { name: 'Years', kind: 'yes-no' })).toEqual({
    ok: false,
    problem: { code: 'values-do-not-fit', kind: 'yes-no', names: ['Ana', 'Bo'], count: 2 },
  })
  expect((await cohort()).columns).toEqual([{ name: 'Years', kind: 'text' }])
})

test('two columns never have the same name', async () => {
  expect(await addColumn(memory.db, cohortId, { name: 'years', kind: 'text' })).toMatchObject({
    problem: { code: 'name-taken' },
  })
  value(await addColumn(memory.db, cohortId, { name: 'Parish', kind: 'text' }))
  expect(await changeColumn(memory.db, cohortId, 'Parish', { name: 'YEARS', kind: 'text' })).toMatchObject({
    problem: { code: 'name-taken' },
  })
  await expect(
    changeColumn(memory.db, cohortId, 'nothing', { name: 'x', kind: 'text' }),
  ).rejects.toMatchObject({ code: 'not-found' })
})

test('a column that was taken away comes back with its values', async () => {
  const removed = await removeColumn(memory.db, cohortId, 'Years')
  expect((await cohort()).columns).toEqual([])
  const bo = (await cohort()).people[1]?.id as string
  await removePeople(memory.db, cohortId, [bo])
  value(await restoreColumn(memory.db, cohortId, removed))
  expect(await values('Years')).toEqual(['3', undefined])
})

test('a column an earlier version took in under a name no object can have leaves the cohort readable', async () => {
  const odd = JSON.parse('{ "Years": "3", "__proto__": "x" }') as Record<string, string>
  await memory.db.update(people).set({ columns: odd }).where(eq(people.cohortId, cohortId))
  await memory.db
    .update(cohorts)
    .set({ columns: [{ name: '__proto__', kind: 'text' }] })
    .where(eq(cohorts.id, cohortId))
  const read = await cohort()
  expect(read.columns).toEqual([{ name: 'Years', kind: 'number' }])
  expect(read.people.map(({ columns }) => Object.keys(columns))).toEqual([['Years'], ['Years'], ['Years']])
})
