import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Actor } from '../actors'
import type { Command } from '../topics'
import { facilitatorView, participantView } from '../views'
import { openHelp } from './help'

/** Ana and Bo in the reeds, which have called. */
function calling(): Rehearsed {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h' })
  return session
}

test('a call stands while somebody is left in the room, and closes before the last one goes', () => {
  const session = calling()
  expect(session.tell(4, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })).toEqual([
    'placed',
  ])
  expect(openHelp(session.state, 'reeds')?.id).toBe('h')
  expect(session.tell(5, facilitator, { type: 'place', participantId: 'bo', roomId: null })).toEqual([
    'help-closed',
    'placed',
  ])
  expect(openHelp(session.state, 'reeds')).toBeUndefined()
  expect(session.state.helpCalls).toMatchObject([{ how: 'withdrawn', closedAt: 5 }])
})

test('freeing the name of the last one closes it as well, of the last but one not', () => {
  const session = calling()
  expect(session.tell(4, facilitator, { type: 'release', participantId: 'bo' })).toEqual(['released'])
  expect(session.tell(5, facilitator, { type: 'release', participantId: 'ana' })).toEqual([
    'help-closed',
    'released',
  ])
})

test('moving about elsewhere closes nobody’s call', () => {
  const session = calling()
  expect(session.tell(4, facilitator, { type: 'place', participantId: 'chi', roomId: null })).toEqual([
    'placed',
  ])
  expect(openHelp(session.state, 'reeds')?.id).toBe('h')
})

test('a room has one help call, answered by a visit or a note, or taken back', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  expect(session.tell(1, participant('ana'), { type: 'call-help', helpId: 'h0' })).toBe('not-in-a-room')
  session.sendOut(2)
  expect(session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h1' })).toEqual(['help-called'])
  expect(session.tell(4, participant('bo'), { type: 'call-help', helpId: 'h2' })).toEqual([])
  expect(session.tell(5, facilitator, { type: 'visit', roomId: 'reeds' })).toEqual([
    'visit-started',
    'help-closed',
  ])
  session.tell(6, participant('chi'), { type: 'call-help', helpId: 'h3' })
  const note: Command = {
    type: 'note',
    messageId: 'm1',
    roomId: 'birds',
    text: 'Listen first.',
    helpId: 'h3',
  }
  expect(session.tell(7, facilitator, note)).toEqual(['note', 'help-closed'])
  session.tell(8, participant('chi'), { type: 'call-help', helpId: 'h4' })
  expect(session.tell(9, participant('chi'), { type: 'withdraw-help' })).toEqual(['help-closed'])
  expect(session.state.helpCalls.map(call => call.how)).toEqual(['visit', 'note', 'withdrawn'])
})

test('what is taken back is the call one saw, never one that another of the room has made since', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h1' })
  const seen = participantView(session.state, 'ana')?.help?.id
  session.tell(4, facilitator, { type: 'visit', roomId: 'reeds' })
  session.tell(5, participant('bo'), { type: 'call-help', helpId: 'h2' })
  expect(session.tell(6, participant('ana'), { type: 'withdraw-help', helpId: seen })).toEqual([])
  expect(session.tell(7, participant('ana'), { type: 'withdraw-help', helpId: 'h2' })).toEqual([
    'help-closed',
  ])
})

test('a room says why it calls, with the call or after, anybody in it; the last reason stands', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const call = (at: number, who: string, reason?: 'stuck' | 'question') =>
    session.tell(at, participant(who), { type: 'call-help', helpId: `h${at}`, ...(reason && { reason }) })
  expect(call(3, 'ana', 'stuck')).toEqual(['help-called'])
  expect(call(4, 'bo')).toEqual([])
  expect(call(5, 'bo', 'stuck')).toEqual([])
  expect(call(6, 'bo', 'question')).toEqual(['help-reason-said'])
  expect(openHelp(session.state, 'reeds')).toMatchObject({ id: 'h3', reason: 'question' })
  expect(participantView(session.state, 'ana')?.help).toMatchObject({ reason: 'question', mine: true })
  expect(participantView(session.state, 'chi')?.help).toBeNull()
})

const other: Actor = { kind: 'facilitator', accountId: 'jonas', name: 'Jonas' }
const MINUTE = 60_000

test('one facilitator takes a call, so that two never both go; the room sees who comes and when', () => {
  const session = calling()
  const take = (at: number, by: Actor, minutes: number) =>
    session.tell(at, by, { type: 'take-help', helpId: 'h', minutes })
  expect(take(10, facilitator, 2)).toEqual(['help-taken'])
  expect(take(11, other, 0)).toBe('help-taken')
  expect(participantView(session.state, 'bo')?.help).toEqual({
    id: 'h',
    at: 3,
    mine: false,
    reason: null,
    coming: { name: 'Marit', at: 10 + 2 * MINUTE },
  })
  // Later than said, and given to the other.
  expect(take(12, facilitator, 5)).toEqual(['help-taken'])
  expect(session.tell(13, other, { type: 'let-help-go', helpId: 'h' })).toEqual([])
  expect(session.tell(14, facilitator, { type: 'let-help-go', helpId: 'h' })).toEqual(['help-let-go'])
  expect(take(15, other, 0)).toEqual(['help-taken'])
  expect(facilitatorView(session.state).help).toMatchObject([{ taken: { name: 'Jonas', comesAt: 15 } }])
  // Whoever comes answers it; of what is answered nothing can be taken.
  expect(session.tell(16, facilitator, { type: 'visit', roomId: 'reeds' })).toContain('help-closed')
  expect(take(17, other, 0)).toEqual([])
})

test('a call that somebody took who is gone waits for others again', () => {
  const session = calling()
  session.tell(4, facilitator, { type: 'facilitator-comes' })
  session.tell(5, facilitator, { type: 'take-help', helpId: 'h', minutes: 0 })
  expect(session.tell(6, facilitator, { type: 'facilitator-goes' })).toEqual([
    'facilitator-gone',
    'help-let-go',
  ])
  expect(openHelp(session.state, 'reeds')).toMatchObject({ id: 'h', taken: null })
})
