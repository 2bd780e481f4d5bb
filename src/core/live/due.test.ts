import { clock, facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { due, nextDue } from './due'

const MINUTE = 60_000

function sentOut(seconds = 600): Rehearsed {
  const session = new Rehearsed()
  session.join(0, 'ana')
  session.tell(0, facilitator, { type: 'send-out', seconds })
  return session
}

/** Does what is due as the server does: one thing, then asks again. */
function catchUp(session: Rehearsed, now: number): string[] {
  const done: string[] = []
  for (;;) {
    const [command] = due(session.state, now)
    if (!command) return done
    done.push(command.type === 'warn' ? `warn ${command.secondsLeft}` : command.type)
    session.tell(now, clock, command)
  }
}

test('nothing is due with the whole group together', () => {
  const session = new Rehearsed()
  expect(due(session.state, 1e12)).toEqual([])
  expect(nextDue(session.state)).toBeNull()
})

test('a round warns at five minutes and at one, calls back at its end, and grace ends it', () => {
  const session = sentOut()
  expect(nextDue(session.state)).toBe(5 * MINUTE)
  expect(catchUp(session, 5 * MINUTE)).toEqual(['warn 300'])
  expect(nextDue(session.state)).toBe(9 * MINUTE)
  expect(catchUp(session, 9 * MINUTE)).toEqual(['warn 60'])
  expect(catchUp(session, 10 * MINUTE)).toEqual(['call-back'])
  expect(session.state.round?.graceEndsAt).toBe(11 * MINUTE)
  expect(catchUp(session, 10.9 * MINUTE)).toEqual([])
  expect(catchUp(session, 11 * MINUTE)).toEqual(['finish-grace'])
  expect(session.state.participants.get('ana')).toMatchObject({ inRoom: false, roomId: 'reeds' })
})

test('a short round is not warned of its end from its beginning', () => {
  expect(nextDue(sentOut(60).state)).toBe(60_000)
  expect(nextDue(sentOut(300).state)).toBe(240_000)
})

test('a server that was away does what fell due: grace counts from when it was due', () => {
  const session = sentOut()
  expect(catchUp(session, 10.5 * MINUTE)).toEqual(['call-back'])
  expect(session.state.round?.graceEndsAt).toBe(11 * MINUTE)
  const late = sentOut()
  expect(catchUp(late, 60 * MINUTE)).toEqual(['call-back', 'finish-grace'])
  expect(late.state.round).toBeNull()
})

test('of two overdue warnings only the last is given, and not the other after it', () => {
  expect(catchUp(sentOut(), 9.5 * MINUTE)).toEqual(['warn 60'])
})

test('added time makes the warnings due again', () => {
  const session = sentOut()
  catchUp(session, 9 * MINUTE)
  session.tell(9.5 * MINUTE, facilitator, { type: 'add-time', seconds: 300 })
  expect(nextDue(session.state)).toBe(10 * MINUTE)
})
