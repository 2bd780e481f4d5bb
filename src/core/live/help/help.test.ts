import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
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
