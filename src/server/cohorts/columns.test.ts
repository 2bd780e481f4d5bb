import { eq } from 'drizzle-orm'
import { person, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { cohorts, people } from '../db/schema.server'
import { addPerson, createCohort, getCohort, removePeople, restorePeople } from './cohorts.server'
import { addColumn, changeColumn, fillColumn, removeColumn, restoreColumn } from './columns.server'

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
const columnNames = async () => (await cohort()).columns.map(({ name }) => name)
const notKept = { ok: false, problem: { code: 'not-kept' } }
const parish = (name: string) => ({ name, kind: 'text' }) as const
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
  const both = [addColumn(memory.db, cohortId, parish('One')), addColumn(memory.db, cohortId, parish('Two'))]
  expect((await Promise.all(both)).map(({ ok }) => ok)).toEqual([true, true])
  expect(await columnNames()).toEqual(['Years', 'Parish', 'One', 'Two'])
})

test('a column that another has renamed or taken away is said to be gone, and taking it away again does nothing', async () => {
  const gone = { ok: false, problem: { code: 'gone', name: 'Parish' } }
  expect(await changeColumn(memory.db, cohortId, 'Parish', parish('Town'))).toEqual(gone)
  expect(await removeColumn(memory.db, cohortId, 'Parish')).toBeNull()
  expect(await columnNames()).toEqual(['Years'])
})

test('a column that was taken away comes back where it stood, with the values of those taken off the list too', async () => {
  value(await addColumn(memory.db, cohortId, parish('Parish')))
  const removed = String(await removeColumn(memory.db, cohortId, 'Years'))
  expect(await columnNames()).toEqual(['Parish'])
  expect(await values('Years')).toEqual([undefined, undefined, undefined])
  const bo = (await cohort()).people[1]?.id as string
  await removePeople(memory.db, cohortId, [bo])
  value(await restoreColumn(memory.db, cohortId, removed))
  await restorePeople(memory.db, cohortId, [bo])
  expect(await columnNames()).toEqual(['Years', 'Parish'])
  expect(await values('Years')).toEqual(['3', '2,5', undefined])
  // By another, or at a second press.
  expect(await restoreColumn(memory.db, cohortId, removed)).toEqual(notKept)
  expect(await columnNames()).toEqual(['Years', 'Parish'])
})

test('a column is put back through its own cohort alone, and beside another of its name not until that is called otherwise', async () => {
  const removed = String(await removeColumn(memory.db, cohortId, 'Years'))
  const elsewhere = await createCohort(memory.db, 'Elsewhere')
  expect(await restoreColumn(memory.db, elsewhere, removed)).toEqual(notKept)
  expect((await getCohort(memory.db, elsewhere)).columns).toEqual([])
  value(await addColumn(memory.db, cohortId, parish('years')))
  expect(await restoreColumn(memory.db, cohortId, removed)).toMatchObject({ problem: { code: 'name-taken' } })
  value(await changeColumn(memory.db, cohortId, 'years', parish('Parish')))
  value(await restoreColumn(memory.db, cohortId, removed))
  expect(await columnNames()).toEqual(['Years', 'Parish'])
  expect(await values('Years')).toEqual(['3', '2,5', undefined])
})

test('the last ten that were taken away can be put back', async () => {
  const removed: string[] = []
  for (let number = 1; number <= 11; number++) {
    value(await addColumn(memory.db, cohortId, parish(`Column ${number}`)))
    removed.push(String(await removeColumn(memory.db, cohortId, `Column ${number}`)))
  }
  const [first = '', second = ''] = removed
  expect(await restoreColumn(memory.db, cohortId, first)).toEqual(notKept)
  value(await restoreColumn(memory.db, cohortId, second))
  expect(await columnNames()).toEqual(['Years', 'Column 2'])
})

test('values written into a column leave those of others; one that they do not fit holds text from then on', async () => {
  const [ana = '', bo = '', chi = ''] = (await cohort()).people.map(({ id }) => id)
  value(await changeColumn(memory.db, cohortId, 'Years', { name: 'Years', kind: 'number' }))
  const years = { name: 'YEARS', kind: 'number' } as const
  expect(value(await fillColumn(memory.db, cohortId, years, { [ana]: '4,5' }))).toBe('Years')
  expect(await values('Years')).toEqual(['4.5', '2.5', ''])
  value(await fillColumn(memory.db, cohortId, years, { [chi]: 'many' }))
  expect(await values('Years')).toEqual(['4.5', '2.5', 'many'])
  value(await fillColumn(memory.db, cohortId, { name: 'Swims', kind: 'yes-no' }, { [bo]: 'x' }))
  expect(await values('Swims')).toEqual([undefined, 'yes', undefined])
  expect((await cohort()).columns).toEqual([
    { name: 'Years', kind: 'text' },
    { name: 'Swims', kind: 'yes-no' },
  ])
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
