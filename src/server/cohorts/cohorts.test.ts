import { person, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import {
  addPerson,
  changePerson,
  createCohort,
  getCohort,
  listCohorts,
  removePeople,
  renameCohort,
  restorePeople,
  setTrainedToLead,
} from './cohorts.server'
import { addColumn, changeColumn } from './columns.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let cohortId: string
beforeAll(async () => {
  memory = await memoryDatabase()
})
beforeEach(async () => {
  cohortId = await createCohort(memory.db, 'Evening')
})
afterAll(() => memory.close())

const names = async () => (await getCohort(memory.db, cohortId)).people.map(each => each.shownName)

test('people are added in order, and shown so that two do not read the same', async () => {
  for (const [first, family] of [
    ['Ana', 'Pereira'],
    ['Bo', ''],
    ['Ana', 'Petrova'],
  ] as const) {
    value(await addPerson(memory.db, cohortId, person(first, family)))
  }
  expect(await names()).toEqual(['Ana Per.', 'Bo', 'Ana Pet.'])
})

test('somebody who is on the list is not added again, whatever the accents', async () => {
  value(await addPerson(memory.db, cohortId, person('Inês', 'Caldeira')))
  expect(await addPerson(memory.db, cohortId, person('ines', 'caldeira'))).toEqual({
    ok: false,
    problem: { code: 'already-listed', name: 'ines caldeira' },
  })
})

test('somebody is changed, to their own name too, but not to another’s', async () => {
  const ana = value(await addPerson(memory.db, cohortId, person('Ana')))
  value(await addPerson(memory.db, cohortId, person('Bo')))
  value(await changePerson(memory.db, cohortId, ana, { ...person('Ana'), shownAs: 'Annie' }))
  expect(await names()).toEqual(['Annie', 'Bo'])
  expect(await changePerson(memory.db, cohortId, ana, person('Bo'))).toMatchObject({ ok: false })
  await removePeople(memory.db, cohortId, [ana])
  const offTheList = { ok: false, problem: { code: 'off-the-list' } }
  expect(await changePerson(memory.db, cohortId, ana, person('Zoë'))).toEqual(offTheList)
  await restorePeople(memory.db, cohortId, [ana])
  await setTrainedToLead(memory.db, cohortId, ana, true)
  expect((await getCohort(memory.db, cohortId)).people[0]?.trainedToLead).toBe(true)
})

test('of somebody changed on two pages, each keeps what the other has not touched; of the same field the later counts', async () => {
  for (const name of ['Years', 'Town']) value(await addColumn(memory.db, cohortId, { name, kind: 'text' }))
  const values = (years: string, town: string) => [
    { column: 'Years', value: years },
    { column: 'Town', value: town },
  ]
  const before = { ...person('Ana', 'Per'), shownAs: '', email: '', values: values('', 'Lowmarsh') }
  const ana = value(await addPerson(memory.db, cohortId, before))
  const one = { ...before, familyName: 'Perez', email: 'ana@x.example', values: values('4', 'Lowmarsh') }
  const other = { ...before, shownAs: 'Annie', email: 'ana@y.example', values: values('', 'Reed End') }
  value(await changePerson(memory.db, cohortId, ana, one, before))
  value(await changePerson(memory.db, cohortId, ana, other, before))
  expect((await getCohort(memory.db, cohortId)).people[0]).toMatchObject({
    firstName: 'Ana',
    familyName: 'Perez',
    shownAs: 'Annie',
    email: 'ana@y.example',
    columns: { Years: '4', Town: 'Reed End' },
  })
  value(await addPerson(memory.db, cohortId, person('Anna', 'Perez')))
  // Neither page says the name that comes of both.
  const renamed = await changePerson(memory.db, cohortId, ana, { ...before, firstName: 'Anna' }, before)
  expect(renamed).toEqual({ ok: false, problem: { code: 'already-listed', name: 'Anna Perez' } })
})

test('of a column that is gone, what its page had is let go; what was typed for it is refused at its place', async () => {
  for (const name of ['Years', 'Town']) value(await addColumn(memory.db, cohortId, { name, kind: 'text' }))
  const values = (years: string) => [
    { column: 'Town', value: 'Lowmarsh' },
    { column: 'Years', value: years },
  ]
  const before = { ...person('Ana', 'Per'), shownAs: '', email: '', values: values('4') }
  const ana = value(await addPerson(memory.db, cohortId, before))
  value(await changeColumn(memory.db, cohortId, 'Years', { name: 'Terms', kind: 'text' }))
  const typed = await changePerson(memory.db, cohortId, ana, { ...before, values: values('5') }, before)
  expect(typed).toEqual({ ok: false, problem: { code: 'column-gone', index: 1, name: 'Years' } })
  for (const left of ['4', '']) {
    const mine = { ...before, firstName: `Ana${left}`, values: values(left) }
    value(await changePerson(memory.db, cohortId, ana, mine, before))
  }
  const columns = { Town: 'Lowmarsh', Terms: '4' }
  expect((await getCohort(memory.db, cohortId)).people[0]).toMatchObject({ firstName: 'Ana4', columns })
})

test('removing can be undone: people come back to where they stood', async () => {
  const ids = []
  for (const name of ['Ana', 'Bo', 'Chi']) ids.push(value(await addPerson(memory.db, cohortId, person(name))))
  await removePeople(memory.db, cohortId, ids.slice(0, 2))
  expect(await names()).toEqual(['Chi'])
  await restorePeople(memory.db, cohortId, ids.slice(0, 2))
  expect(await names()).toEqual(['Ana', 'Bo', 'Chi'])
})

test('a person is changed and removed only through the cohort they are in', async () => {
  const ana = value(await addPerson(memory.db, cohortId, person('Ana')))
  const other = await createCohort(memory.db, 'Other')
  await removePeople(memory.db, other, [ana])
  await setTrainedToLead(memory.db, other, ana, true)
  expect((await getCohort(memory.db, cohortId)).people).toMatchObject([{ id: ana, trainedToLead: false }])
})

test('free columns of the kind they hold are filled in; what does not fit is refused at its place', async () => {
  value(await addColumn(memory.db, cohortId, { name: 'Years', kind: 'number' }))
  value(await addColumn(memory.db, cohortId, { name: 'Swims', kind: 'yes-no' }))
  const values = [
    { column: 'Years', value: '2,5' },
    { column: 'Swims', value: 'Ja' },
    { column: 'Unknown', value: '' },
  ]
  const ana = value(await addPerson(memory.db, cohortId, { ...person('Ana'), values }))
  const columns = async () => (await getCohort(memory.db, cohortId)).people[0]?.columns
  expect(await columns()).toEqual({ Years: '2.5', Swims: 'yes' })
  const wrong = [{ column: 'Swims', value: 'often' }]
  expect(await changePerson(memory.db, cohortId, ana, { ...person('Ana'), values: wrong })).toEqual({
    ok: false,
    problem: { code: 'not-of-kind', index: 0, kind: 'yes-no' },
  })
  value(await changePerson(memory.db, cohortId, ana, { ...person('Anna'), values: [] }))
  expect(await columns()).toEqual({ Years: '2.5', Swims: 'yes' })
})

test('cohorts are counted and renamed; what is not there is said not to be', async () => {
  value(await addPerson(memory.db, cohortId, person('Ana')))
  await renameCohort(memory.db, cohortId, 'Morning')
  expect((await listCohorts(memory.db)).find(each => each.id === cohortId)).toEqual({
    id: cohortId,
    name: 'Morning',
    people: 1,
  })
  await expect(getCohort(memory.db, 'nothing')).rejects.toMatchObject({ code: 'not-found' })
  await expect(renameCohort(memory.db, 'nothing', 'x')).rejects.toMatchObject({ code: 'not-found' })
})
