import { eq, inArray } from 'drizzle-orm'
import { account, plannedSession, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { sessionForm } from '~/contracts/forms/sessions'
import type { Account } from '../auth/sign-ins.server'
import { removePeople } from '../cohorts/cohorts.server'
import { sessions } from '../db/schema.server'
import { createGrouping, getGrouping, listGroupings, saveGrouping } from '../groupings/groupings.server'
import { tidyJoinCode } from '../tokens.server'
import { prepareOpening } from './opening.server'
import { planShown } from './plan-shown.server'
import { createSession, holdPlan, letGoOfPlan, savePlan } from './plans.server'
import { getSession, listSessions, markReviewed } from './sessions.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let by: Account
beforeAll(async () => {
  memory = await memoryDatabase()
  by = await account(memory.db)
})
afterAll(() => memory.close())

test('a session opens with the rooms of its grouping, renamed where the plan says so, and everybody on the list', async () => {
  const { sessionId, personIds } = await plannedSession(memory.db, by)
  const plan = value(await prepareOpening(memory.db, sessionId))
  expect(plan).toMatchObject({
    title: 'Evening 1',
    roomSeconds: 600,
    graceSeconds: 60,
    board: { title: 'Notes' },
  })
  expect(plan.rooms.map(room => room.name)).toEqual(['Old reeds', 'Birds'])
  expect(plan.people.map(each => [each.personId, each.roomId])).toEqual(
    personIds.map((id, index) => [id, plan.rooms[index < 2 ? 0 : 1]?.id]),
  )
  expect(new Set(plan.rooms.map(room => room.copyId)).size).toBe(2)
})

test('somebody taken off the list is not expected; a group left empty is named', async () => {
  const { sessionId, cohortId, personIds } = await plannedSession(memory.db, by)
  await removePeople(memory.db, cohortId, personIds.slice(1, 2))
  expect(value(await prepareOpening(memory.db, sessionId)).people).toHaveLength(3)
  await removePeople(memory.db, cohortId, personIds.slice(0, 1))
  expect(await prepareOpening(memory.db, sessionId)).toEqual({
    ok: false,
    problem: { code: 'empty-groups', names: ['Reeds'] },
  })
})

test('the plan keeps the moment in the session’s own zone, and refuses a day that does not exist', async () => {
  const { sessionId, form } = await plannedSession(memory.db, by)
  value(await savePlan(memory.db, sessionId, { ...form, timeZone: 'Asia/Kolkata', title: 'Moved' }))
  expect(await getSession(memory.db, sessionId)).toMatchObject({
    title: 'Moved',
    startsAt: new Date('2026-11-03T13:30:00Z'),
  })
  expect(await savePlan(memory.db, sessionId, { ...form, date: '2026-02-30' })).toEqual({
    ok: false,
    problem: { code: 'no-such-date' },
  })
})

test('the plan is not changed while the session is opened with it; what stopped in the middle does not hold it for ever', async () => {
  const { sessionId, form } = await plannedSession(memory.db, by)
  const save = () => savePlan(memory.db, sessionId, { ...form, title: 'Moved' })
  await holdPlan(memory.db, sessionId)
  expect(await save()).toMatchObject({ problem: { code: 'already-open' } })
  await letGoOfPlan(memory.db, sessionId)
  value(await save())
  await holdPlan(memory.db, sessionId)
  await memory.db
    .update(sessions)
    .set({ openingSince: new Date(Date.now() - 31_000) })
    .where(eq(sessions.id, sessionId))
  value(await save())
})

test('two rooms can not have the same name', async () => {
  const { form } = await plannedSession(memory.db, by)
  expect(await createSession(memory.db, { ...form, rooms: [{ groupId: 'g1', name: 'birds' }] })).toEqual({
    ok: false,
    problem: { code: 'room-names-repeat', name: 'Birds' },
  })
})

test('join codes have no signs that are taken for each other, and are read however they are typed', async () => {
  const { sessionId } = await plannedSession(memory.db, by)
  const { joinCode } = await getSession(memory.db, sessionId)
  expect(joinCode).toMatch(/^[A-HJ-NP-Z2-9]{4}-[A-HJ-NP-Z2-9]{4}$/)
  expect(tidyJoinCode(` ${joinCode.toLowerCase().replace('-', ' ')} `)).toBe(joinCode)
})

test('sessions are listed, the latest first', async () => {
  const { form } = await plannedSession(memory.db, by)
  const late = value(await createSession(memory.db, { ...form, date: '2031-01-01', title: 'Late' }))
  expect((await listSessions(memory.db))[0]).toMatchObject({
    id: late,
    title: 'Late',
    cohortName: 'Evening',
    phase: 'planned',
  })
})

test('the unfinished ones are those that were not reviewed, whenever they were', async () => {
  const { form } = await plannedSession(memory.db, by)
  const titles = ['Planned', 'Ended', 'Reviewed']
  const ids = []
  for (const title of titles) ids.push(value(await createSession(memory.db, { ...form, title })))
  const [, ended, reviewed] = ids as [string, string, string]
  await memory.db
    .update(sessions)
    .set({ phase: 'ended' })
    .where(inArray(sessions.id, [ended, reviewed]))
  await markReviewed(memory.db, reviewed, new Date())
  const listed = await listSessions(memory.db, 'unfinished')
  expect(
    listed
      .map(({ title }) => title)
      .filter(title => titles.includes(title))
      .sort(),
  ).toEqual(['Ended', 'Planned'])
  await markReviewed(memory.db, reviewed, null)
  expect((await listSessions(memory.db, 'unfinished')).map(({ id }) => id)).toContain(reviewed)
})

describe('groupings', () => {
  const group = (personIds: string[]) => ({ id: 'g', name: 'All', personIds })

  test('the second of two who save is told who was first, and nothing of the first is lost', async () => {
    const { groupingId, personIds } = await plannedSession(memory.db, by)
    const form = { name: 'Mine', groups: [group(personIds)], version: 1 }
    expect(value(await saveGrouping(memory.db, { ...by, displayName: 'Tobias' }, groupingId, form))).toBe(2)
    expect(await saveGrouping(memory.db, by, groupingId, { ...form, name: 'Late' })).toEqual({
      ok: false,
      problem: { code: 'changed-meanwhile', savedBy: 'Tobias', version: 2 },
    })
    expect(await getGrouping(memory.db, groupingId)).toMatchObject({
      name: 'Mine',
      version: 2,
      savedBy: 'Tobias',
    })
  })

  test('nobody stands in two groups, nobody from another cohort, and not nobody at all', async () => {
    const { cohortId, personIds } = await plannedSession(memory.db, by)
    const other = await plannedSession(memory.db, by)
    const save = (groups: ReturnType<typeof group>[]) =>
      createGrouping(memory.db, by, cohortId, { name: 'x', groups, version: null })
    expect(await save([group(personIds), group(personIds.slice(0, 1))])).toMatchObject({
      problem: { code: 'person-twice' },
    })
    expect(await save([group(other.personIds)])).toMatchObject({ problem: { code: 'not-of-cohort' } })
    expect(await save([group([])])).toMatchObject({ problem: { code: 'no-people' } })
    expect(await listGroupings(memory.db, { cohortId })).toMatchObject([
      { name: 'Pairs', sizes: [2, 2], cohortName: 'Evening' },
    ])
  })
})

test('how rooms talk aloud is kept with the plan, also when it is saved without saying so, and opened with', async () => {
  const { sessionId, form } = await plannedSession(memory.db, by)
  const opensWith = async () => value(await prepareOpening(memory.db, sessionId)).callWay
  expect(await opensWith()).toBeUndefined()
  value(await savePlan(memory.db, sessionId, { ...form, callWay: 'direct' }))
  expect(await opensWith()).toBe('direct')
  value(await savePlan(memory.db, sessionId, { ...form, title: 'Renamed' }))
  expect(await opensWith()).toBe('direct')
  value(await savePlan(memory.db, sessionId, { ...form, callWay: 'links' }))
  expect(await opensWith()).toBeUndefined()
})

test('who writes, whose pictures are added and who does what at the front are kept with the plan, and opened with', async () => {
  const { db } = memory
  const { sessionId, form } = await plannedSession(db, by)
  const kim = await account(db, 'kim@school.example')
  const opensWith = async () => {
    const { writing, mayAddPictures, duties, segments } = value(await prepareOpening(db, sessionId))
    return { writing, mayAddPictures, duties, segments }
  }
  expect(await opensWith()).toMatchObject({
    writing: undefined,
    mayAddPictures: undefined,
    duties: undefined,
  })
  const duties = [
    { accountId: by.id, does: 'all' as const },
    { accountId: kim.id, does: 'clock' as const },
  ]
  const rooms = [
    { groupId: 'g1', name: 'Old reeds', byId: kim.id },
    { groupId: 'g2', name: 'Birds' },
  ]
  value(await savePlan(db, sessionId, { ...form, writing: 'scribe', pictures: 'not-added', duties, rooms }))
  const planned = await opensWith()
  const [round] = planned.segments ?? []
  const reeds = round?.groups.from === 'plan' ? round.groups.rooms[0]?.id : undefined
  expect(planned).toMatchObject({
    writing: 'scribe',
    mayAddPictures: false,
    duties: [{ accountId: kim.id, does: 'clock', rooms: [reeds] }],
  })
  // Not said, they stay; who only looks on looks after nothing.
  value(await savePlan(db, sessionId, { ...form, title: 'Renamed' }))
  expect(await opensWith()).toMatchObject({ writing: 'scribe', mayAddPictures: false })
  const watching = [{ accountId: kim.id, does: 'watch' as const }]
  value(
    await savePlan(db, sessionId, { ...form, writing: 'all', pictures: 'added', duties: watching, rooms }),
  )
  expect(await opensWith()).toMatchObject({
    writing: undefined,
    mayAddPictures: undefined,
    duties: [{ accountId: kim.id, does: 'watch', rooms: null }],
  })
  value(await savePlan(db, sessionId, { ...form, duties: [] }))
  expect((await opensWith()).duties).toBeUndefined()
})

describe('two who change a plan at the same moment', () => {
  const shown = async (sessionId: string) =>
    sessionForm.parse(await planShown(memory.db, await getSession(memory.db, sessionId)))

  test('each keeps what they changed, and whoever comes second is told that the other was there', async () => {
    const { sessionId } = await plannedSession(memory.db, by)
    const base = await shown(sessionId)
    expect(base.rooms.map(({ name }) => name)).toEqual(['Old reeds', 'Birds'])
    const first = { ...base, title: 'Renamed', rooms: [{ groupId: 'g1', name: 'New reeds' }, base.rooms[1]] }
    const second = {
      ...base,
      time: '20:00',
      rooms: [base.rooms[0], { groupId: 'g2', name: 'Herons' }],
    }
    const save = (mine: unknown) => savePlan(memory.db, sessionId, sessionForm.parse(mine), base)
    expect(await Promise.all([save(first), save(second)])).toMatchObject([
      { ok: true, value: { others: false } },
      { ok: true, value: { others: true } },
    ])
    expect(await shown(sessionId)).toMatchObject({
      title: 'Renamed',
      time: '20:00',
      rooms: [{ name: 'New reeds' }, { name: 'Herons' }],
    })
  })

  test('rooms that would be called the same by what both did are refused, and nothing is changed', async () => {
    const { sessionId } = await plannedSession(memory.db, by)
    const base = await shown(sessionId)
    const called = (...names: string[]) =>
      base.rooms.map((room, place) => ({ ...room, name: names[place] ?? '' }))
    value(await savePlan(memory.db, sessionId, { ...base, rooms: called('Herons', 'Birds') }, base))
    const second = { ...base, title: 'Lost?', rooms: called('Old reeds', 'Herons') }
    expect(await savePlan(memory.db, sessionId, second, base)).toMatchObject({
      problem: { code: 'room-names-repeat' },
    })
    expect((await shown(sessionId)).title).toBe('Evening 1')
  })
})
