import { person, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { addPerson, changePerson, createCohort, getCohort } from './cohorts.server'
import { addColumn } from './columns.server'
import { importPeople, listImports, previewImport, takeBackImport } from './imports.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let cohortId: string
beforeAll(async () => {
  memory = await memoryDatabase()
})
beforeEach(async () => {
  cohortId = await createCohort(memory.db, 'Evening')
})
afterAll(() => memory.close())

const cohort = () => getCohort(memory.db, cohortId)
const people = async () =>
  (await cohort()).people.map(({ shownName, email, columns }) => ({ shownName, email, columns }))
const text = 'name,email,home parish,Years\nBo,,Saltby,3\nAna,ana@x.example,Eastwick,\nChi,,,x\n'

test('an import adds and changes what its preview says, and a preview changes nothing', async () => {
  value(await addPerson(memory.db, cohortId, person('Ana')))
  value(await addColumn(memory.db, cohortId, { name: 'Years', kind: 'number' }))
  const plan = await previewImport(memory.db, cohortId, text)
  expect(plan.ok && plan.rows.map(row => row.outcome)).toEqual(['added', 'changed', 'refused'])
  expect(await people()).toHaveLength(1)
  value(await importPeople(memory.db, cohortId, 'Marit', text))
  expect(await people()).toEqual([
    { shownName: 'Ana', email: 'ana@x.example', columns: { 'home parish': 'Eastwick' } },
    { shownName: 'Bo', email: '', columns: { 'home parish': 'Saltby', Years: '3' } },
  ])
  expect((await cohort()).columns).toEqual([
    { name: 'Years', kind: 'number' },
    { name: 'home parish', kind: 'text' },
  ])
})

test('taking an import back leaves the list as it was, but for what was changed since', async () => {
  const ana = value(await addPerson(memory.db, cohortId, person('Ana')))
  value(await addPerson(memory.db, cohortId, person('Bo')))
  const before = await people()
  const importId = value(await importPeople(memory.db, cohortId, 'Marit', text.replace(',x', ',9')))
  expect(await listImports(memory.db, cohortId)).toMatchObject([
    { id: importId, by: 'Marit', added: 1, changed: 2, takenBack: false },
  ])
  value(await changePerson(memory.db, cohortId, ana, { ...person('Ana'), email: 'new@x.example' }))
  await takeBackImport(memory.db, cohortId, importId)
  expect(await people()).toEqual([{ ...before[0], email: 'new@x.example' }, before[1]])
  expect((await cohort()).columns).toEqual([])
  expect(await listImports(memory.db, cohortId)).toMatchObject([{ takenBack: true }])
  // A second time nothing more happens; another cohort's import is not to be had.
  value(await addPerson(memory.db, cohortId, person('Chi')))
  await takeBackImport(memory.db, cohortId, importId)
  expect(await people()).toHaveLength(3)
  const other = await createCohort(memory.db, 'Other')
  await expect(takeBackImport(memory.db, other, importId)).rejects.toMatchObject({ code: 'not-found' })
})

test('five thousand rows go in, are changed and are taken back', async () => {
  const rows = (years: number) =>
    `name,Years\n${Array.from({ length: 5000 }, (_, place) => `Person ${place},${years}`).join('\n')}`
  value(await importPeople(memory.db, cohortId, 'Marit', rows(1)))
  const second = value(await importPeople(memory.db, cohortId, 'Marit', rows(2)))
  expect((await people())[4999]?.columns).toEqual({ Years: '2' })
  await takeBackImport(memory.db, cohortId, second)
  const back = await people()
  expect([back.length, back[0]?.columns, back[4999]?.columns]).toEqual([5000, { Years: '1' }, { Years: '1' }])
})
