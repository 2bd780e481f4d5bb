import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { eq } from 'drizzle-orm'
import { account, plannedSession, value } from 'tests/fixtures/class'
import { rehearsing } from 'tests/fixtures/rehearsing'
import { belongingTo, participantList } from '~/core/live/door/people'
import { usualScript } from '~/core/rehearsal/script'
import { newSegment, type Segment } from '~/core/schedule/running-order'
import { loadDemo } from '~/demo/load.server'
import { readContributions } from '../boards/contributions.server'
import { boardCopies, boardWriters, participants, sessionEvents, sessions } from '../db/schema.server'
import { pastSessions } from '../groupings/history.server'
import { sessionByCode } from '../join/join.server'
import { createLimits } from '../limits.server'
import { factsOfSession } from '../live/facts-here.server'
import { FileFolder } from '../material/file-folder.server'
import { saveRunningOrder } from '../sessions/plans.server'
import { getSession, listSessions } from '../sessions/sessions.server'
import { stopWorkThread } from '../work/work-thread.server'
import { MOST_REHEARSALS } from './rehearsals.server'

/** A server that plays, and a session that is planned. */
async function served() {
  const server = await rehearsing()
  const by = await account(server.db)
  return { ...server, by, ...(await plannedSession(server.db, by, true)) }
}
const script = { ...usualScript(24), absent: 0, late: 0, speed: 30, itself: true }

/** Asks until it is so. */
async function until(fits: () => Promise<boolean>, what: string) {
  for (let tries = 0; tries < 300; tries++) {
    if (await fits()) return
    await setTimeout(100)
  }
  throw new Error(`After half a minute it is still not so: ${what}.`)
}

const rowsLeft = (db: Awaited<ReturnType<typeof served>>['db'], sessionId: string) =>
  Promise.all([
    db.$count(sessionEvents, eq(sessionEvents.sessionId, sessionId)),
    db.$count(participants, eq(participants.sessionId, sessionId)),
    db.$count(boardCopies, eq(boardCopies.sessionId, sessionId)),
  ])

test('a class comes, is let in, is sent out and writes; of all that only what it showed stays, with the plan', async () => {
  const server = await served()
  const { db, hub, rehearsals, by, sessionId } = server
  try {
    const before = await listSessions(db)
    const id = value(await rehearsals.begin(by, sessionId, script))
    await until(async () => {
      const { round, participants } = await hub.state(id)
      const all = [...participants.values()]
      return round !== null && all.length === script.people && all.every(({ admitted }) => admitted)
    }, 'all have come, are let in, and people are in rooms')
    const state = await hub.state(id)
    expect(state.isRehearsal).toBe(true)
    const copyIds = state.rooms.map(({ copyId }) => copyId)
    await until(async () => (await readContributions(db, copyIds)).length > 8, 'something is written')
    const written = await readContributions(db, copyIds)
    const ids = new Set(participantList(state).map(each => each.id))
    expect(written.every(({ participantId }) => ids.has(participantId))).toBe(true)
    // Each under one number of their own on each board.
    const numbers = await db.select().from(boardWriters)
    const whose = numbers.map(({ copyId, participantId }) => `${copyId} ${participantId}`)
    expect(new Set(whose).size).toBe(whose.length)
    // By the time of the session, which is another than the clock's.
    const [first] = written
    expect(Math.abs((first?.at ?? 0) - hub.timeOf(id))).toBeLessThan(20 * 60_000)
    // It is in no list and counted nowhere, and groups are made in it as they would be.
    expect(await listSessions(db)).toEqual(before)
    expect(await pastSessions(db, server.cohortId)).toEqual([])
    expect((await factsOfSession(db, hub, id)).people.length).toBeGreaterThan(0)
    // Its people's pages can be opened.
    const [somebody] = participantList(state)
    expect(rehearsals.tokenOf(id, somebody?.id ?? '')).toEqual(expect.any(String))
    expect(rehearsals.tokenOf(id, 'nobody')).toBeNull()
    const { joinCode } = await getSession(db, id)
    const report = await rehearsals.end(id)
    expect(report).toMatchObject({ people: script.people, rounds: 1, written: expect.any(Number) })
    expect(report.written).toBeGreaterThan(0)
    expect((await getSession(db, sessionId)).rehearsed).toEqual(report)
    expect(await rowsLeft(db, id)).toEqual([0, 0, 0])
    expect(await sessionByCode(db, createLimits(), joinCode, 'here')).toMatchObject({ ok: false })
    expect(rehearsals.of(id)).toBeNull()
    // The plan is as it was, and can be opened.
    expect((await getSession(db, sessionId)).phase).toBe('planned')
  } finally {
    await server.stop()
  }
}, 60_000)

test('time goes as fast as it is set, and who runs it by themselves has it alone', async () => {
  const server = await served()
  const { hub, rehearsals, by, sessionId, db } = server
  try {
    const id = value(await rehearsals.begin(by, sessionId, { ...script, speed: 1, itself: false }))
    const planned = (await getSession(db, sessionId)).startsAt.getTime()
    expect(Math.abs(planned - hub.timeOf(id))).toBeLessThan(3 * 60_000)
    const heard: unknown[] = []
    const stop = await hub.follow(id, { kind: 'projector' }, null, message => {
      if (message.kind === 'hello') heard.push(message.pace?.speed)
    })
    await rehearsals.setSpeed(id, 30)
    expect(heard).toEqual([1, 30])
    const began = hub.timeOf(id)
    await setTimeout(200)
    expect(hub.timeOf(id) - began).toBeGreaterThan(5_000)
    stop()
    await rehearsals.goOnByItself(id, true)
    const front = async () =>
      (await hub.state(id)).facilitators.filter(({ here }) => here).map(({ name }) => name)
    expect(await front()).toEqual(['Simulated co-facilitator'])
    await rehearsals.goOnByItself(id, false)
    expect(await front()).toEqual([])
    const letIn = async () => participantList(await hub.state(id)).filter(({ admitted }) => admitted).length
    // On a slow machine some have come already while it went on by itself.
    const before = await letIn()
    await until(async () => participantList(await hub.state(id)).length > 20, 'all have come')
    // Nobody lets anybody else in.
    expect(before).toBeLessThan(participantList(await hub.state(id)).length)
    expect(await letIn()).toBe(before)
  } finally {
    await server.stop()
  }
}, 60_000)

test('no list is changed by it: no cohort is attached, and nobody is put on a list', async () => {
  const server = await served()
  const { hub, rehearsals, by, sessionId, cohortId } = server
  try {
    const id = value(await rehearsals.begin(by, sessionId, script))
    const front = { kind: 'facilitator', accountId: by.id, name: by.displayName } as const
    const asked = [
      await hub.command(id, front, { type: 'attach-cohort', cohortId, list: { name: 'Class', people: [] } }),
      await hub.command(id, front, { type: 'list-people', participantIds: ['x'], ids: ['y'] }),
    ]
    for (const outcome of asked) expect(outcome).toEqual({ ok: false, problem: { code: 'in-a-rehearsal' } })
  } finally {
    await server.stop()
  }
})

test('one account has one rehearsal; of several accounts only so many are played at once', async () => {
  const server = await served()
  const { rehearsals, by, sessionId, db } = server
  const quiet = { ...script, people: 2, itself: false }
  try {
    const first = value(await rehearsals.begin(by, sessionId, quiet))
    const second = value(await rehearsals.begin(by, sessionId, quiet))
    expect(rehearsals.of(first)).toBeNull()
    expect(rehearsals.of(second)).toMatchObject({ ofId: sessionId, itself: false })
    for (let more = 1; more < MOST_REHEARSALS; more++)
      value(await rehearsals.begin({ ...by, id: `other-${more}` }, sessionId, quiet))
    expect(await rehearsals.begin({ ...by, id: 'one-more' }, sessionId, quiet)).toEqual({
      ok: false,
      problem: { code: 'too-many-rehearsals' },
    })
    // Pressed twice it is opened once.
    const pressed = await Promise.all([1, 2].map(() => rehearsals.begin(by, sessionId, quiet)))
    expect(pressed[0]).toEqual({ ok: true, value: expect.any(String) })
    expect(pressed[1]).toBe(pressed[0])
    // Of a rehearsal there is none, nor of what is not there.
    await expect(rehearsals.begin(by, second, quiet)).rejects.toThrow()
    await expect(rehearsals.begin(by, 'nothing', quiet)).rejects.toThrow()
    expect(() => rehearsals.end('nothing')).toThrow()
    // Asked twice, it ends once.
    const again = value(await rehearsals.begin(by, sessionId, quiet))
    const [one, other] = await Promise.all([rehearsals.end(again), rehearsals.end(again)])
    expect(one).toBe(other)
    expect(await db.select().from(sessions).where(eq(sessions.id, again))).toEqual([])
  } finally {
    await server.stop()
  }
}, 60_000)

test('what a server left that was stopped in the middle is deleted when it starts', async () => {
  const server = await served()
  const { rehearsals, by, sessionId, db } = server
  try {
    const id = value(await rehearsals.begin(by, sessionId, script))
    await rehearsals.stop()
    await rehearsals.start()
    expect(await rowsLeft(db, id)).toEqual([0, 0, 0])
    expect((await listSessions(db)).map(each => each.id)).toEqual([sessionId])
  } finally {
    await server.stop()
  }
})

test('the demo’s evening goes from its beginning to its end by itself: four rounds with other groups and boards, a break, stations, and rooms by choice after it', async () => {
  const server = await rehearsing()
  const { db, rehearsals, faults, played } = server
  const data = mkdtempSync(join(tmpdir(), 'round-table-rehearsal-'))
  const folder = new FileFolder(data)
  try {
    await folder.start()
    await loadDemo(db, folder)
    const tonight = (await listSessions(db)).find(({ phase }) => phase === 'planned')
    const { runningOrder } = await getSession(db, tonight?.id ?? '')
    // After the report everybody chooses between two rooms, and goes there.
    const chosen: Segment = {
      ...newSegment('chosen', 'rooms'),
      minutes: 6,
      groups: { from: 'choice', rooms: ['Tower', 'Jetty'], least: 1, most: 30 },
      boardId: runningOrder.find(({ boardId }) => boardId !== null)?.boardId ?? null,
      terms: { invited: true, mayChange: true, mayReturn: false },
    }
    value(
      await saveRunningOrder(db, tonight?.id ?? '', { segments: [...runningOrder, chosen], minutes: 120 }),
    )
    const script = { ...usualScript(24), people: 40, drop: 30, asks: 30 }
    const { id, state, written } = await played(tonight?.id ?? '', script)
    expect(state.phase).toBe('ended')
    expect(state.segments.filter(({ startedAt }) => startedAt === null)).toEqual([])
    const inRound = state.pastRounds.map(({ startedAt, endedAt }) =>
      written.filter(({ at }) => at >= startedAt && at <= endedAt),
    )
    expect(inRound).toHaveLength(5)
    for (const one of inRound) expect(one.length).toBeGreaterThan(5)
    expect(state.helpCalls.length).toBeGreaterThan(0)
    expect(state.helpCalls.some(({ how }) => how === 'visit')).toBe(true)
    const [tower, jetty] = state.rooms
      .slice(-2)
      .map(({ id: roomId }) => belongingTo(state.participants, roomId))
    expect([tower?.length, jetty?.length].every(people => (people ?? 0) > 5)).toBe(true)
    const { people, rounds, findings } = await rehearsals.end(id)
    expect({ people, rounds }).toEqual({ people: 36, rounds: 5 })
    expect(findings.map(({ code }) => code)).not.toContain('not-begun')
    expect(faults).toEqual([])
  } finally {
    await server.stop()
    await stopWorkThread()
    rmSync(data, { recursive: true })
  }
}, 180_000)
