import { plannedSession, value } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import { createAccount, listAccounts, signIn } from '../auth/accounts.server'
import { accountOf } from '../auth/sign-ins.server'
import { listBoards } from '../boards/boards.server'
import { listCohorts } from '../cohorts/cohorts.server'
import { getGrouping, listGroupings } from '../groupings/groupings.server'
import { pastSessions } from '../groupings/history.server'
import { sessionByCode } from '../join/join.server'
import { createLimits } from '../limits.server'
import { askAsFacilitator, openSession } from '../live/requests.server'
import { getSession, listSessions } from '../sessions/sessions.server'
import { dependentsOf, listRemoved, putBack, remove } from './removals.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
})
afterEach(() => running.stop())

const ids = (list: { id: string }[]) => list.map(({ id }) => id)

test('what a running session uses is not removed, nor the session', async () => {
  const { db, by, cohortId, groupingId, boardId, sessionId } = running
  for (const [kind, id] of [
    ['cohort', cohortId],
    ['grouping', groupingId],
    ['board', boardId],
    ['session', sessionId],
  ] as const)
    expect(await remove(db, by, kind, id)).toEqual({
      ok: false,
      problem: { code: 'session-open', title: 'Evening 1' },
    })
  expect(ids(await listSessions(db))).toEqual([sessionId])
})

test('removed, a thing is in no list, is told among the removed, and is put back as it was', async () => {
  const { db, by } = running
  const planned = await plannedSession(db, by)
  const { cohortId, groupingId, boardId, sessionId } = planned
  expect(await dependentsOf(db, 'cohort', cohortId)).toEqual({
    groupings: 1,
    choices: 0,
    plannedSessions: 1,
    pastSessions: 0,
  })
  const listed = async () => ({
    grouping: ids(await listGroupings(db, { cohortId })).includes(groupingId),
    board: ids(await listBoards(db)).includes(boardId),
    session: ids(await listSessions(db)).includes(sessionId),
    cohort: ids(await listCohorts(db)).includes(cohortId),
  })
  const whole = { grouping: true, board: true, session: true, cohort: true }
  expect(await listed()).toEqual(whole)
  for (const [kind, id, gone] of [
    ['grouping', groupingId, { grouping: false }],
    ['board', boardId, { board: false }],
    ['session', sessionId, { session: false }],
    ['cohort', cohortId, { cohort: false, grouping: false, session: false }],
  ] as const) {
    value(await remove(db, by, kind, id))
    value(await remove(db, by, kind, id))
    expect([kind, await listed()]).toEqual([kind, { ...whole, ...gone }])
    expect(ids(await listRemoved(db, kind))).toContain(id)
    await putBack(db, kind, id)
    expect(await listed()).toEqual(whole)
    expect(ids(await listRemoved(db, kind))).not.toContain(id)
  }
})

test('what uses a removed grouping keeps it: the session is still planned and opened with it', async () => {
  const { db, hub, by } = running
  const { groupingId, boardId, sessionId } = await plannedSession(db, by)
  value(await remove(db, by, 'grouping', groupingId))
  value(await remove(db, by, 'board', boardId))
  expect(ids(await listGroupings(db, { alsoId: groupingId }))).toContain(groupingId)
  expect(ids(await listBoards(db, boardId))).toContain(boardId)
  expect((await getGrouping(db, groupingId)).name).toBe('Pairs')
  value(await openSession({ db, hub }, by, sessionId))
})

test('a removed session opens to nobody, and who met in it does not count', async () => {
  const { db, hub, by, cohortId, sessionId } = running
  value(await askAsFacilitator({ db, hub }, by, sessionId, { type: 'end' }))
  const { joinCode } = await getSession(db, sessionId)
  expect(await pastSessions(db, cohortId)).toHaveLength(1)
  value(await remove(db, by, 'session', sessionId))
  expect(await sessionByCode(db, createLimits(), joinCode, 'here')).toMatchObject({
    problem: { code: 'unknown-code' },
  })
  expect(await pastSessions(db, cohortId)).toEqual([])
  await putBack(db, 'session', sessionId)
  expect(await pastSessions(db, cohortId)).toHaveLength(1)
})

test('whose account is removed is signed out and cannot sign in until it is put back; nobody removes their own', async () => {
  const { db, by } = running
  const form = { email: 'tobias@school.example', displayName: 'Tobias', password: 'long enough' }
  const tobias = value(await createAccount(db, form))
  const { token } = value(await signIn(db, createLimits(), form, { address: 'here', browser: null }))
  expect(await remove(db, by, 'account', by.id)).toEqual({ ok: false, problem: { code: 'own-account' } })
  value(await remove(db, by, 'account', tobias.id))
  expect(await accountOf(db, token)).toBeNull()
  expect(await signIn(db, createLimits(), form, { address: 'here', browser: null })).toMatchObject({
    problem: { code: 'wrong' },
  })
  expect(ids(await listAccounts(db))).toEqual([by.id])
  await putBack(db, 'account', tobias.id)
  value(await signIn(db, createLimits(), form, { address: 'here', browser: null }))
})

test('what is not there is neither removed nor put back', async () => {
  const { db, by } = running
  await expect(remove(db, by, 'board', 'nothing')).rejects.toMatchObject({ code: 'not-found' })
  await expect(putBack(db, 'board', 'nothing')).rejects.toMatchObject({ code: 'not-found' })
})
