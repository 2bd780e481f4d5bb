import { pino } from 'pino'
import { account, plannedSession, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import type { Account } from '../auth/sign-ins.server'
import { LiveHub } from '../live/hub.server'
import { askAsFacilitator, openSession } from '../live/requests.server'
import { prepareOpening } from '../sessions/opening.server'
import { createSession } from '../sessions/plans.server'
import { getSession } from '../sessions/sessions.server'
import {
  createGrouping,
  getGrouping,
  groupingAt,
  groupingVersionsOf,
  roundOf,
  saveGrouping,
} from './groupings.server'
import { rolesHeld } from './roles-held.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let by: Account
beforeAll(async () => {
  memory = await memoryDatabase()
  by = await account(memory.db)
})
afterAll(() => memory.close())

test('every save is kept with who and when, and a grouping used in a session is not changed by later ones', async () => {
  const { db } = memory
  const { groupingId, sessionId } = await plannedSession(db, by)
  const { groups, name } = await getGrouping(db, groupingId)
  const hub = new LiveHub(db, pino({ enabled: false }))
  value(await prepareOpening(db, sessionId))
  expect((await getSession(db, sessionId)).groupingVersion).toBeNull()
  value(await openSession({ db, hub }, by, sessionId))
  expect((await getSession(db, sessionId)).groupingVersion).toBe(1)
  await hub.stop()
  const turned = groups.map((group, index) => ({
    ...group,
    personIds: groups[1 - index]?.personIds ?? [],
  }))
  value(await saveGrouping(db, by, groupingId, { name: 'Turned', groups: turned, version: 1 }))
  const versions = await groupingVersionsOf(db, groupingId)
  expect(versions.map(each => [each.version, each.savedBy, each.content.name])).toEqual([
    [2, 'Marit', 'Turned'],
    [1, 'Marit', name],
  ])
  expect((await groupingAt(db, groupingId, 1)).groups).toEqual(groups)
  expect((await groupingAt(db, groupingId, 2)).groups).toEqual(turned)
  expect((await groupingAt(db, groupingId, null)).groups).toEqual(turned)
})

test('a grouping of several rounds: each checked, and a session takes the one it names', async () => {
  const { db } = memory
  const { cohortId, personIds, boardId, form } = await plannedSession(db, by)
  const [a = '', b = '', c = '', d = ''] = personIds
  const round = (...groups: string[][]) =>
    groups.map((ids, index) => ({ id: `g${index}`, name: `Group ${index + 1}`, personIds: ids }))
  const content = { name: 'Two rounds', groups: round([a, b], [c, d]), version: null }
  expect(
    await createGrouping(db, by, cohortId, { ...content, laterRounds: [round([a, b], [b, c])] }),
  ).toMatchObject({ problem: { code: 'person-twice' } })
  const later = round([a, c], [b, d])
  const groupingId = value(await createGrouping(db, by, cohortId, { ...content, laterRounds: [later] }))
  expect(roundOf(await getGrouping(db, groupingId), 1)).toEqual(later)
  expect(roundOf(await getGrouping(db, groupingId), 7)).toEqual(content.groups)
  const sessionId = value(
    await createSession(db, { ...form, groupingId, groupingRound: 1, boardId, rooms: [] }),
  )
  const plan = value(await prepareOpening(db, sessionId))
  const roomOf = new Map(plan.people.map(person => [person.personId, person.roomId]))
  expect(roomOf.get(a)).toBe(roomOf.get(c))
  expect(roomOf.get(a)).not.toBe(roomOf.get(b))
})

test('roles count once a session that used them has ended', async () => {
  const { db } = memory
  const { cohortId, personIds, groupingId, sessionId } = await plannedSession(db, by)
  const [a = '', b = ''] = personIds
  const { groups, name } = await getGrouping(db, groupingId)
  value(
    await saveGrouping(db, by, groupingId, {
      name,
      groups,
      version: 1,
      roles: [{ [a]: 'lead', [b]: 'scribe' }],
    }),
  )
  const hub = new LiveHub(db, pino({ enabled: false }))
  value(await openSession({ db, hub }, by, sessionId))
  value(await saveGrouping(db, by, groupingId, { name, groups, version: 2, roles: [{ [b]: 'lead' }] }))
  expect(await rolesHeld(db, cohortId)).toEqual({})
  value(await askAsFacilitator({ db, hub }, by, sessionId, { type: 'end' }))
  await hub.stop()
  expect(await rolesHeld(db, cohortId)).toEqual({ [a]: { lead: 1 }, [b]: { scribe: 1 } })
})
