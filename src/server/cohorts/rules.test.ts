import { person, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { addPerson, createCohort, getCohort } from './cohorts.server'
import { addRule, removeRule, restoreRule } from './rules.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let cohortId: string
let ids: string[]
beforeAll(async () => {
  memory = await memoryDatabase()
})
beforeEach(async () => {
  cohortId = await createCohort(memory.db, 'Evening')
  ids = []
  for (const name of ['Ana', 'Bo', 'Chi']) ids.push(value(await addPerson(memory.db, cohortId, person(name))))
})
afterAll(() => memory.close())

const rules = async () => (await getCohort(memory.db, cohortId)).rules
const apart = () => ({ kind: 'apart' as const, personIds: ids.slice(0, 2), reason: 'Quarrel' })

test('a rule is kept with its cohort, taken away, and put back under the same id', async () => {
  const id = value(await addRule(memory.db, cohortId, apart()))
  expect(await rules()).toEqual([{ ...apart(), id }])
  const removed = await removeRule(memory.db, cohortId, id)
  expect(await rules()).toEqual([])
  expect(await removeRule(memory.db, cohortId, id)).toBeNull()
  if (!removed) throw new Error('The rule was not given back.')
  await restoreRule(memory.db, cohortId, removed)
  await restoreRule(memory.db, cohortId, removed)
  expect((await rules()).map(rule => rule.id)).toEqual([id])
})

test('the same rule twice, and one about somebody else, are refused with the reason', async () => {
  value(await addRule(memory.db, cohortId, apart()))
  const turned = { ...apart(), personIds: [...apart().personIds].reverse(), reason: 'Another reason' }
  expect(await addRule(memory.db, cohortId, turned)).toEqual({
    ok: false,
    problem: { code: 'already-there' },
  })
  value(await addRule(memory.db, cohortId, { ...turned, kind: 'together' }))
  const stranger = { ...apart(), personIds: [ids[0] ?? '', 'nobody'] }
  expect(await addRule(memory.db, cohortId, stranger)).toEqual({
    ok: false,
    problem: { code: 'not-of-cohort' },
  })
  value(await addRule(memory.db, cohortId, { kind: 'sizes', least: 2, most: 4, reason: '' }))
  expect(await addRule(memory.db, cohortId, { kind: 'sizes', least: 2, most: 4, reason: 'x' })).toMatchObject(
    {
      problem: { code: 'already-there' },
    },
  )
})
