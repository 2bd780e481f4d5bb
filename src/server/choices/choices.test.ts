import { person, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { choiceForm } from '~/contracts/forms/choices'
import { sharedOut } from '~/core/choices/shared-out'
import { addPerson, createCohort, getCohort, removePeople } from '../cohorts/cohorts.server'
import { stopWorkThread } from '../work/work-thread.server'
import { choiceOverview, choosers, freeChoiceNames } from './choice-overview.server'
import {
  answersOf,
  choiceByCode,
  choose,
  chooserOf,
  chosenGroups,
  freeName,
  getChoice,
  keepAsColumn,
  listChoices,
  openChoice,
  setPhase,
  shareOut,
  takeChoiceName,
} from './choices.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let cohortId: string
let ids: string[]
beforeAll(async () => {
  memory = await memoryDatabase()
})
beforeEach(async () => {
  cohortId = await createCohort(memory.db, 'Evening')
  ids = []
  for (const name of ['Ana', 'Bo', 'Chi', 'Dai'])
    ids.push(value(await addPerson(memory.db, cohortId, person(name))))
})
afterAll(() => memory.close())

async function opened(kind: 'wishes' | 'first-come', most = 2) {
  const topics = ['Reeds', 'Birds', 'Peat'].map(name => ({ name, min: 1, max: most }))
  const id = await openChoice(memory.db, cohortId, { title: 'Which?', kind, wishes: 2, topics })
  const choice = await getChoice(memory.db, id)
  const [reeds = '', birds = '', peat = ''] = choice.topics.map(topic => topic.id)
  return { choice, id, reeds, birds, peat, ana: ids[0] ?? '', bo: ids[1] ?? '' }
}
const mine = { corrects: false }

test('a name is taken by one browser, until a facilitator frees it; what was chosen stays', async () => {
  const { choice, id, reeds, ana } = await opened('wishes')
  expect((await listChoices(memory.db, cohortId)).map(each => each.id)).toEqual([id])
  expect((await choiceByCode(memory.db, choice.code)).id).toBe(id)
  await expect(choiceByCode(memory.db, 'made-up')).rejects.toThrow()
  const { token } = value(await takeChoiceName(memory.db, choice, ana))
  expect(await freeChoiceNames(memory.db, choice)).toHaveLength(3)
  expect(await takeChoiceName(memory.db, choice, ana)).toMatchObject({ problem: { code: 'name-taken' } })
  value(await choose(memory.db, id, ana, [reeds], mine))
  expect(await chooserOf(memory.db, id, token)).toEqual({ personId: ana, wishes: [reeds] })
  expect(await chooserOf(memory.db, id, 'made-up')).toBeNull()
  expect(await chooserOf(memory.db, id, null)).toBeNull()
  await freeName(memory.db, id, ana)
  expect(await chooserOf(memory.db, id, token)).toBeNull()
  const again = value(await takeChoiceName(memory.db, choice, ana))
  expect(await chooserOf(memory.db, id, again.token)).toEqual({ personId: ana, wishes: [reeds] })
})

test('what can not be taken is refused with the reason', async () => {
  const { choice, id, reeds, birds, peat, ana } = await opened('wishes')
  const tried = async (personId: string, wishes: string[]) =>
    choose(memory.db, id, personId, wishes, mine).then(result => (result.ok ? null : result.problem.code))
  expect(await tried('stranger', [reeds])).toBe('no-such-name')
  expect(await tried(ana, ['gone'])).toBe('no-such-topic')
  expect(await tried(ana, [reeds, birds, peat])).toBe('too-many-wishes')
  await setPhase(memory.db, id, 'closed')
  expect(await tried(ana, [reeds])).toBe('closed')
  const closed = await getChoice(memory.db, id)
  expect(await takeChoiceName(memory.db, { ...choice, ...closed }, ana)).toMatchObject({
    problem: { code: 'closed' },
  })
  // A facilitator corrects by hand, also then.
  value(await choose(memory.db, id, ana, [reeds], { corrects: true }))
  expect((await answersOf(memory.db, id)).map(({ personId, wishes }) => [personId, wishes])).toEqual([
    [ana, [reeds]],
  ])
})

test('the last place goes to one of two who take it at once', async () => {
  const { id, reeds, birds } = await opened('first-come', 1)
  const results = await Promise.all(ids.slice(0, 2).map(each => choose(memory.db, id, each, [reeds], mine)))
  expect(results.filter(result => result.ok)).toHaveLength(1)
  expect(results.find(result => !result.ok)).toMatchObject({ problem: { code: 'topic-full', name: 'Reeds' } })
  // Who has it may take it again, or let it go for another.
  const winner = ids[results.findIndex(result => result.ok)] ?? ''
  value(await choose(memory.db, id, winner, [reeds], mine))
  value(await choose(memory.db, id, winner, [birds], mine))
  value(await choose(memory.db, id, ids[2] ?? '', [reeds], mine))
})

test('a choice is looked at with names for whoever stands in it, and what each chose; who left the list is not counted', async () => {
  const { choice, id, reeds, birds, ana, bo } = await opened('first-come')
  value(await choose(memory.db, id, ana, [reeds], mine))
  value(await takeChoiceName(memory.db, choice, bo))
  const overview = await choiceOverview(memory.db, choice)
  expect(overview).toMatchObject({ count: 4, chosen: 1, cohort: { id: cohortId, name: 'Evening' } })
  expect(overview.people.map(({ shownName, wishes, held }) => [shownName, wishes, held])).toEqual([
    ['Ana', [reeds], false],
    ['Bo', [], true],
    ['Chi', null, false],
    ['Dai', null, false],
  ])
  expect(overview.people).toEqual(await choosers(memory.db, choice))
  expect(overview.shared).toMatchObject({
    ok: true,
    unplaced: { count: 3 },
    groups: [{ topicId: reeds, count: 1 }, { topicId: birds, count: 0 }, { count: 0 }],
  })
  expect(new Map(overview.names).get(ana)).toBe('Ana')
  await removePeople(memory.db, cohortId, [ana])
  expect(await choiceOverview(memory.db, choice)).toMatchObject({ count: 3, chosen: 0 })
  expect(await choose(memory.db, id, ana, [birds], mine)).toMatchObject({ problem: { code: 'no-such-name' } })
})

test('of a long list only the beginning comes with a choice, and whoever is named has a name', async () => {
  const long = await createCohort(memory.db, 'Everybody')
  for (let index = 0; index < 130; index++) await addPerson(memory.db, long, person(`P${index}`))
  const topics = [{ name: 'Reeds', min: 1, max: 200 }]
  const id = await openChoice(memory.db, long, { title: 'Which?', kind: 'wishes', wishes: 1, topics })
  const overview = await choiceOverview(memory.db, await getChoice(memory.db, id))
  expect([overview.count, overview.people.length]).toEqual([130, 20])
  const names = new Map(overview.names)
  const named = overview.shared.ok ? overview.shared.groups.flatMap(({ first }) => first) : []
  expect(named).toHaveLength(130)
  expect(named.every(({ personId }) => names.get(personId)?.startsWith('P'))).toBe(true)
})

test('groups come of a choice as it stands; who has left the list is in none', async () => {
  const { id, reeds, birds, ana, bo } = await opened('wishes')
  value(await choose(memory.db, id, ana, [reeds], mine))
  value(await choose(memory.db, id, bo, [birds, reeds], mine))
  const groups = await chosenGroups(memory.db, id)
  expect(groups?.map(group => group.name)).toEqual(['Reeds', 'Birds', 'Peat'])
  expect(groups?.[0]?.personIds).toContain(ana)
  expect(groups?.[1]?.personIds).toContain(bo)
  await removePeople(memory.db, cohortId, [ana])
  expect((await chosenGroups(memory.db, id))?.flatMap(group => group.personIds)).toHaveLength(3)
  // Three topics of one place each for four people do not fit.
  const { id: small } = await opened('wishes', 1)
  await addPerson(memory.db, cohortId, person('Eva'))
  expect(await chosenGroups(memory.db, small)).toBeNull()
})

test('answers to a quick question become a column, of numbers when they are; kept again it takes in what is new', async () => {
  const ask = async (...answers: string[]) => {
    const topics = answers.map(name => ({ name, min: 1, max: 500 }))
    const form = { title: `How sure: ${answers[0]}?`, kind: 'question' as const, wishes: 1, topics }
    const id = await openChoice(memory.db, cohortId, form)
    return { id, answers: (await getChoice(memory.db, id)).topics.map(topic => topic.id) }
  }
  const [a = '', b = ''] = ids
  const sure = await ask('1', '2')
  value(await choose(memory.db, sure.id, a, sure.answers.slice(1), mine))
  expect(value(await keepAsColumn(memory.db, sure.id))).toEqual({ column: 'How sure: 1?' })
  value(await choose(memory.db, sure.id, b, sure.answers.slice(0, 1), mine))
  value(await keepAsColumn(memory.db, sure.id))
  const words = await ask('very', 'not very')
  value(await keepAsColumn(memory.db, words.id))
  const cohort = await getCohort(memory.db, cohortId)
  expect(cohort.columns).toEqual([
    { name: 'How sure: 1?', kind: 'number' },
    { name: 'How sure: very?', kind: 'text' },
  ])
  expect(cohort.people.map(each => each.columns['How sure: 1?'] ?? '')).toEqual(['2', '1', '', ''])
})

test('a form with faults says where they are', () => {
  const topic = { name: 'Reeds', min: 3, max: 2 }
  const read = choiceForm.safeParse({
    title: ' ',
    kind: 'wishes',
    wishes: 0,
    topics: [topic, { ...topic, name: '' }],
  })
  expect(read.error?.issues.map(issue => issue.path.join('.')).sort()).toEqual([
    'title',
    'topics.0.max',
    'topics.1.max',
    'topics.1.name',
    'wishes',
  ])
  const same = choiceForm.safeParse({
    title: 'Which?',
    kind: 'wishes',
    wishes: 1,
    topics: ['Reeds', 'REEDS'].map(name => ({ name, min: 1, max: 2 })),
  })
  expect(same.error?.issues[0]?.message).toBe('Two topics have the same name.')
})

test('a large choice is shared out on the work thread as it would be here', async () => {
  const topics = Array.from({ length: 6 }, (_, index) => ({
    id: `t${index}`,
    name: `${index}`,
    min: 1,
    max: 60,
  }))
  const personIds = Array.from({ length: 300 }, (_, index) => `p${index}`)
  const answers = personIds.map((personId, at) => ({
    personId,
    wishes: [`t${at % 6}`, `t${(at * at) % 5}`],
    at,
  }))
  for (const kind of ['wishes', 'first-come', 'question'] as const) {
    const there = await shareOut({ kind, topics }, personIds, answers)
    expect(there).toEqual(sharedOut(kind, topics, personIds, answers))
  }
  await stopWorkThread()
})
