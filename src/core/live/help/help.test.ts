import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Command } from '../topics'
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
