import { jest } from '@jest/globals'
import { eq } from 'drizzle-orm'
import { value } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import { participants } from '../db/schema.server'
import { createLimits } from '../limits.server'
import { getSession } from '../sessions/sessions.server'
import {
  freeNames,
  freeNamesText,
  placeByReviewToken,
  placeOf,
  sessionByCode,
  takePlace,
} from './join.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
})
afterEach(() => running.stop())

const rows = () => running.db.select().from(participants).where(eq(participants.sessionId, running.sessionId))

test('a code opens its session however it is typed; wrong ones are counted, and keep nobody out who has a right one', async () => {
  const { db, sessionId } = running
  const { joinCode } = await getSession(db, sessionId)
  const limits = createLimits()
  expect(await sessionByCode(db, limits, joinCode.toLowerCase(), 'a')).toMatchObject({
    ok: true,
    value: { id: sessionId },
  })
  for (let tries = 0; tries < 30; tries++) {
    expect(await sessionByCode(db, limits, 'AAAA-AAAA', 'a')).toEqual({
      ok: false,
      problem: { code: 'unknown-code' },
    })
  }
  expect(await sessionByCode(db, limits, 'AAAA-AAAA', 'a')).toMatchObject({
    problem: { code: 'too-many-tries' },
  })
  // Somebody else's wrong codes keep nobody out.
  expect(await sessionByCode(db, limits, joinCode, 'a')).toMatchObject({ ok: true })
  expect(await sessionByCode(db, limits, joinCode, 'b')).toMatchObject({ ok: true })
})

test('a name is taken once; who comes second leaves nothing behind', async () => {
  const { db, hub, sessionId, personIds } = running
  const wish = { personId: personIds[0], shownName: '' }
  expect((await freeNames(hub, sessionId)).map(name => name.shownName)).toEqual(['Ana', 'Bo', 'Chi', 'Dai'])
  value(await takePlace(db, hub, sessionId, wish))
  expect((await freeNames(hub, sessionId)).map(name => name.shownName)).toEqual(['Bo', 'Chi', 'Dai'])
  expect(await takePlace(db, hub, sessionId, wish)).toMatchObject({
    ok: false,
    problem: { code: 'name-taken' },
  })
  expect(await rows()).toHaveLength(1)
})

test('two who take a name at the same moment: one has it, and there is one place', async () => {
  const { db, hub, sessionId, personIds } = running
  const take = () => takePlace(db, hub, sessionId, { personId: personIds[1], shownName: '' })
  const taken = await Promise.all([take(), take(), take()])
  expect(taken.filter(each => each.ok)).toHaveLength(1)
  expect(await rows()).toHaveLength(1)
})

test('a person of another cohort is not on this list', async () => {
  const { db, hub, sessionId } = running
  expect(await takePlace(db, hub, sessionId, { personId: 'somebody', shownName: 'Eve' })).toEqual({
    ok: false,
    problem: { code: 'no-such-name' },
  })
})

test('two sessions into which nobody has come yet each have the names of their own list', async () => {
  const { hub, sessionId } = running
  const other = await runningServer()
  try {
    const [here, there] = [
      await freeNamesText(hub, sessionId),
      await freeNamesText(other.hub, other.sessionId),
    ]
    expect(JSON.parse(here)).toEqual(await freeNames(hub, sessionId))
    expect(JSON.parse(there)).toEqual(await freeNames(other.hub, other.sessionId))
    expect(here).not.toBe(there)
  } finally {
    await other.stop()
  }
})

test('a token stands for its place in its session and nowhere else; only its hash is kept', async () => {
  const { db, hub, sessionId } = running
  const { token } = value(await takePlace(db, hub, sessionId, { shownName: 'Eve' }))
  const place = await placeOf(db, sessionId, token)
  expect(place).toMatchObject({ sessionId })
  expect(await placeOf(db, 'another-session', token)).toBeNull()
  expect(await placeOf(db, sessionId, `${token}x`)).toBeNull()
  expect(await placeOf(db, sessionId, null)).toBeNull()
  expect(JSON.stringify(await rows())).not.toContain(token)
  expect(await placeByReviewToken(db, place?.reviewToken ?? '')).toEqual(place)
  await expect(placeByReviewToken(db, token)).rejects.toMatchObject({ code: 'not-found' })
})

test('a place that was looked up is not asked for again, and is a place in no other session', async () => {
  const { db, hub, sessionId } = running
  const { token, participantId } = value(await takePlace(db, hub, sessionId, { shownName: 'Uma' }))
  const asked = jest.spyOn(db, 'select')
  const place = await placeOf(db, sessionId, token)
  expect(place).toMatchObject({ participantId, sessionId })
  expect(asked).toHaveBeenCalledTimes(1)
  expect(await placeOf(db, sessionId, token)).toEqual(place)
  expect(await placeOf(db, 'another', token)).toBeNull()
  expect(asked).toHaveBeenCalledTimes(1)
  for (let time = 0; time < 2; time++) expect(await placeOf(db, sessionId, `${token}0`)).toBeNull()
  expect(asked).toHaveBeenCalledTimes(3)
})
