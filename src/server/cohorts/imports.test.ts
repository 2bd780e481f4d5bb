import { person, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { stopWorkThread } from '../work/work-thread.server'
import { addPerson, changePerson, createCohort, getCohort } from './cohorts.server'
import { addColumn } from './columns.server'
import { importPeople, listImports, moreRows, previewImport, takeBackImport } from './imports.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let cohortId: string
beforeAll(async () => {
  memory = await memoryDatabase()
})
beforeEach(async () => {
  cohortId = await createCohort(memory.db, 'Evening')
})
afterAll(async () => {
  await stopWorkThread()
  await memory.close()
})

const cohort = () => getCohort(memory.db, cohortId)
const people = async () =>
  (await cohort()).people.map(({ shownName, email, columns }) => ({ shownName, email, columns }))
const text = 'name,email,home parish,Years\nBo,,Saltby,3\nAna,ana@x.example,Eastwick,\nChi,,,x\n'

test('an import adds and changes what its preview says, and a preview changes nothing', async () => {
  value(await addPerson(memory.db, cohortId, person('Ana')))
  value(await addColumn(memory.db, cohortId, { name: 'Years', kind: 'number' }))
  const plan = await previewImport(memory.db, cohortId, { text })
  expect(plan.ok && plan.rows.map(row => row.outcome)).toEqual(['added', 'changed', 'refused'])
  expect(await people()).toHaveLength(1)
  value(await importPeople(memory.db, cohortId, 'Marit', { text: text }))
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
  const importId = value(await importPeople(memory.db, cohortId, 'Marit', { text: text.replace(',x', ',9') }))
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

test('of a long preview the first rows of each kind come, and further ones when they are asked for', async () => {
  const rows = Array.from({ length: 1000 }, (_, index) => (index % 10 === 0 ? ',x@y' : `P${index},`))
  const list = { text: `name,email\n${rows.join('\n')}` }
  const preview = await previewImport(memory.db, cohortId, list)
  expect(preview.ok && [preview.counts, preview.rows.length]).toEqual([
    { added: 900, changed: 0, same: 0, refused: 100 },
    50,
  ])
  const more = await moreRows(memory.db, cohortId, list, 'added', 25)
  expect([more.length, more.every(row => row.outcome === 'added')]).toEqual([250, true])
  expect(await moreRows(memory.db, cohortId, list, 'added', 800)).toHaveLength(100)
  expect(await moreRows(memory.db, cohortId, list, 'changed', 0)).toEqual([])
})

test('a list that is changed while its rows are matched is matched again: nobody comes in twice', async () => {
  const list = { text: 'name\nAna\nBo\n' }
  const [first, second] = await Promise.all([
    importPeople(memory.db, cohortId, 'Marit', list),
    importPeople(memory.db, cohortId, 'Tobias', list),
  ])
  expect([first.ok, second.ok]).toEqual([true, true])
  expect((await people()).map(each => each.shownName).sort()).toEqual(['Ana', 'Bo'])
  expect((await listImports(memory.db, cohortId)).map(each => each.added).sort()).toEqual([0, 2])
})

test('five thousand rows go in, are changed and are taken back', async () => {
  const rows = (years: number) =>
    `name,Years\n${Array.from({ length: 5000 }, (_, index) => `Person ${index},${years}`).join('\n')}`
  value(await importPeople(memory.db, cohortId, 'Marit', { text: rows(1) }))
  const second = value(await importPeople(memory.db, cohortId, 'Marit', { text: rows(2) }))
  expect((await people())[4999]?.columns).toEqual({ Years: '2' })
  await takeBackImport(memory.db, cohortId, second)
  const back = await people()
  expect([back.length, back[0]?.columns, back[4999]?.columns]).toEqual([5000, { Years: '1' }, { Years: '1' }])
})
