import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Actor } from '../actors'
import { COMMAND_SHAPES, type Command, type CommandType } from '../topics'
import { facilitatorView, participantView } from '../views'
import { dutyOf, isTheirs } from './duty'
import { mayDo } from './may-do'

const kim: Actor = { kind: 'facilitator', accountId: 'kim', name: 'Kim' }
const give = (does: 'all' | 'clock' | 'watch', rooms: string[] | null = null): Command => ({
  type: 'give-duty',
  accountId: 'kim',
  does,
  rooms,
})

/** Marit leads, Kim has come; people are in two rooms' groups. */
function two() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  for (const actor of [facilitator, kim]) session.tell(1, actor, { type: 'facilitator-comes' })
  return session
}

test('whoever keeps the clock and the doors does that and nothing else, and takes everything again by one move', () => {
  const session = two()
  expect(session.tell(2, facilitator, give('clock'))).toEqual(['duty-given'])
  expect(session.tell(2, facilitator, give('clock'))).toEqual([])
  for (const refused of [
    { type: 'broadcast', text: 'Hello', roomIds: null, messageId: 'm' },
    { type: 'place', participantId: 'ana', roomId: 'birds' },
    { type: 'give-duty', accountId: 'marit', does: 'watch', rooms: null },
    { type: 'hand-over', accountId: 'marit' },
  ] as unknown as Command[])
    expect([refused.type, session.tell(3, kim, refused)]).toEqual([refused.type, 'not-your-duty'])
  expect(session.tell(3, kim, { type: 'lock-door', on: true })).toEqual(['door-locked'])
  expect(session.tell(3, kim, { type: 'send-out', seconds: 600 })).toContain('sent-out')
  expect(session.tell(4, kim, { type: 'call-back' })).toEqual(['called-back'])
  // Who leads is as free as before.
  expect(session.tell(4, facilitator, { type: 'go-on' })).toEqual(['gone-on'])
  expect(session.tell(5, kim, { type: 'take-everything' })).toEqual(['duty-given'])
  expect(session.state.duties).toEqual({})
  expect(session.tell(6, kim, { type: 'visit', roomId: 'birds' })).toContain('visit-started')
})

test('the whole session is handed over: one leads, the other looks on until they take it again', () => {
  const session = two()
  session.tell(2, facilitator, give('clock'))
  expect(session.tell(3, facilitator, { type: 'hand-over', accountId: 'kim' })).toEqual([
    'duty-given',
    'duty-given',
  ])
  expect([dutyOf(session.state, 'kim').does, dutyOf(session.state, 'marit').does]).toEqual(['all', 'watch'])
  expect(session.tell(4, facilitator, { type: 'send-out', seconds: 600 })).toBe('not-your-duty')
  expect(session.tell(4, kim, { type: 'send-out', seconds: 600 })).toContain('sent-out')
  // Going and coming again is nobody's to forbid.
  expect(session.tell(5, facilitator, { type: 'facilitator-goes' })).toEqual(['facilitator-gone'])
  session.tell(6, facilitator, { type: 'facilitator-comes' })
  session.tell(6, facilitator, { type: 'take-everything' })
  expect(session.tell(7, facilitator, { type: 'call-back' })).toEqual(['called-back'])
})

test('only who has opened the session is given something, and nobody hands over to themselves', () => {
  const session = two()
  const toNobody = { type: 'give-duty', accountId: 'nobody', does: 'watch', rooms: null } as const
  expect(session.tell(2, facilitator, toNobody)).toBe('nobody-at-the-front')
  for (const accountId of ['nobody', 'marit'])
    expect(session.tell(2, facilitator, { type: 'hand-over', accountId })).toBe('nobody-at-the-front')
})

test('rooms are somebody’s to look after while they are there; without any of them all are again', () => {
  const session = two()
  session.tell(2, facilitator, give('all', ['reeds', 'reeds']))
  const theirs = (accountId: string) =>
    ['reeds', 'birds'].map(roomId => isTheirs(session.state, accountId, roomId))
  expect([theirs('kim'), theirs('marit')]).toEqual([
    [true, false],
    [true, true],
  ])
  expect(dutyOf(session.state, 'kim')).toEqual({ does: 'all', rooms: ['reeds'] })
  session.tell(3, facilitator, give('all', ['of-another-round']))
  expect(theirs('kim')).toEqual([true, true])
  session.tell(4, facilitator, give('all', []))
  expect(session.state.duties).toEqual({})
})

test('participants hear nothing of who does what, and are bound by none of it', () => {
  const session = two()
  session.tell(2, facilitator, give('watch', ['reeds']))
  expect(facilitatorView(session.state).duties).toEqual({ kim: { does: 'watch', rooms: ['reeds'] } })
  expect(JSON.stringify(participantView(session.state, 'ana'))).not.toContain('kim')
  session.sendOut(3)
  expect(session.tell(4, participant('ana'), { type: 'call-help', helpId: 'h' })).toContain('help-called')
})

test('looking on, one may give no command that changes anything for others', () => {
  const given = { duties: { kim: { does: 'watch' as const, rooms: null } } }
  const types = [...COMMAND_SHAPES.keys()] as CommandType[]
  const may = types.filter(type => mayDo(given, 'kim', type))
  expect(may.toSorted()).toEqual(['facilitator-comes', 'facilitator-goes', 'leave-room', 'take-everything'])
})

test('what a plan gives somebody is theirs from the opening on, before they have come, until they take everything', () => {
  const session = new Rehearsed({ duties: [{ accountId: 'kim', does: 'clock', rooms: ['reeds'] }] })
  expect(dutyOf(session.state, 'kim')).toEqual({ does: 'clock', rooms: ['reeds'] })
  expect(dutyOf(session.state, 'marit').does).toBe('all')
  session.tell(1, kim, { type: 'facilitator-comes' })
  expect(
    session.tell(2, kim, { type: 'broadcast', text: 'Hello', roomIds: null, messageId: 'm' } as never),
  ).toBe('not-your-duty')
  session.tell(3, kim, { type: 'take-everything' })
  expect(session.state.duties).toEqual({})
})
