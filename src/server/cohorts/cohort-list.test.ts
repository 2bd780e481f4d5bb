import { runningServer } from 'tests/fixtures/running'
import { participantList } from '~/core/live/door/people'
import { participants } from '../db/schema.server'
import { pastSessions } from '../groupings/history.server'
import { keepLiveGroups } from '../groupings/keep-live.server'
import { placeByReviewToken } from '../join/join.server'
import { factsOfSession } from '../live/facts-here.server'
import { askAsFacilitator, openSession } from '../live/requests.server'
import { createBareSession, getSession } from '../sessions/sessions.server'
import { addPerson, createCohort, getCohort } from './cohorts.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
})
afterEach(() => running.stop())

/** A session begun on the spot with people who have no device, and a cohort that knows one of them. */
async function begun(...names: string[]) {
  const { db, hub, by } = running
  const cohortId = await createCohort(db, 'Evening course')
  for (const firstName of ['Zofia', 'Marta'])
    await addPerson(db, cohortId, { firstName, familyName: 'Kowalska', shownAs: '', email: '' })
  const sessionId = await createBareSession(db, 'UTC', Date.UTC(2026, 10, 26))
  await openSession({ db, hub }, by, sessionId)
  const ask = (request: Parameters<typeof askAsFacilitator>[3]) =>
    askAsFacilitator({ db, hub }, by, sessionId, request)
  expect(await ask({ type: 'put-in', names })).toMatchObject({ ok: true })
  const idOf = async (name: string) =>
    participantList(await hub.state(sessionId)).find(each => each.shownName === name)?.id ?? ''
  return { cohortId, sessionId, ask, idOf }
}

test('attached, the session is one of the cohort: whole names are known, and who was together counts in its history', async () => {
  const { db, hub } = running
  const { cohortId, sessionId, ask, idOf } = await begun('zofia kowalska', 'Marta', 'Quux')
  expect(await ask({ type: 'attach-cohort', cohortId: 'gone' })).toMatchObject({
    ok: false,
    problem: { code: 'no-such-cohort' },
  })
  expect(await ask({ type: 'attach-cohort', cohortId })).toMatchObject({ ok: true })
  expect((await getSession(db, sessionId)).cohortId).toBe(cohortId)
  const { people } = await getCohort(db, cohortId)
  const marta = people.find(person => person.firstName === 'Marta')
  const matches = [{ participantId: await idOf('Marta'), personId: marta?.id ?? '' }]
  expect(await ask({ type: 'match-people', matches })).toMatchObject({ ok: true })
  const everybody = participantList(await hub.state(sessionId))
  const participantIds = everybody.map(each => each.id)
  await ask({ type: 'make-rooms', groups: [{ name: 'One', participantIds }] })
  await ask({ type: 'send-out', seconds: 60 })
  await ask({ type: 'end' })
  const [past] = await pastSessions(db, cohortId)
  expect(past?.meetings.map(({ pair }) => pair)).toEqual([people.map(person => person.id).toSorted()])
})

test('walk-ins stand at the end of its list under the ids they have in the session, shown as they typed it', async () => {
  const { db, hub } = running
  const { cohortId, sessionId, ask, idOf } = await begun('Jan van der Berg', 'Ida')
  await ask({ type: 'attach-cohort', cohortId })
  const participantIds = [await idOf('Jan van der Berg'), await idOf('Ida')]
  expect(await ask({ type: 'list-people', participantIds })).toMatchObject({ ok: true })
  const { people } = await getCohort(db, cohortId)
  const personIds = participantList(await hub.state(sessionId)).map(each => each.personId)
  expect(people.slice(2)).toMatchObject([
    { id: personIds[0], firstName: 'Jan van der', familyName: 'Berg', shownName: 'Jan van der Berg' },
    { id: personIds[1], firstName: 'Ida', familyName: '', shownName: 'Ida' },
  ])
})

test('whoever has no device has a link of their own all the same, which nobody can sign in with', async () => {
  const { db } = running
  const { sessionId, idOf } = await begun('Ida')
  const [row] = await db.select().from(participants)
  expect(row).toMatchObject({ id: await idOf('Ida'), sessionId })
  expect(await placeByReviewToken(db, row?.reviewToken ?? '')).toMatchObject({ participantId: row?.id })
})

test('rooms as they are are kept as a grouping of the cohort, and are offered the next time; who is on no list is named', async () => {
  const { db, hub, by } = running
  const { cohortId, sessionId, ask, idOf } = await begun('zofia kowalska', 'Marta Kowalska', 'Quux')
  const keep = (name: string) => keepLiveGroups(db, hub, by, sessionId, name)
  expect(await keep('Early')).toMatchObject({ ok: false, problem: { code: 'no-cohort' } })
  await ask({ type: 'attach-cohort', cohortId })
  expect(await keep('Nobody')).toMatchObject({ ok: false, problem: { code: 'no-people' } })
  const participantIds = participantList(await hub.state(sessionId)).map(each => each.id)
  await ask({
    type: 'make-rooms',
    groups: [
      { name: 'Reeds', participantIds: participantIds.slice(0, 2) },
      { name: 'Walk-ins', participantIds: [await idOf('Quux')] },
    ],
  })
  const kept = await keep('Two of them')
  expect(kept).toMatchObject({ ok: true, value: { leftOut: ['Quux'] } })
  const facts = await factsOfSession(db, hub, sessionId)
  expect(facts.saved).toMatchObject([
    { name: 'Two of them', groups: [{ name: 'Reeds', participantIds: participantIds.slice(0, 2) }] },
  ])
  expect(facts.people.map(({ id }) => id)).toEqual(participantIds)
})
