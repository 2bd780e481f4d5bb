import { clock, facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { participantView, projectorView } from '../views'
import { mayCall } from './call'

function out() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const callOf = (id: string) => participantView(session.state, id)?.call
  return { session, callOf }
}

const endRound = (session: Rehearsed) => {
  session.tell(5, facilitator, { type: 'call-back' })
  session.tell(5, clock, { type: 'finish-grace' })
}

test('while rooms use links of another service there is no call of ours', () => {
  const { session, callOf } = out()
  expect(callOf('ana')).toBeNull()
  expect(mayCall(session.state, 'reeds', { participantId: 'ana' })).toBe(false)
  expect(session.tell(3, facilitator, { type: 'set-call', way: 'links' })).toEqual([])
})

test('each hears of the call of their own room, and is in it only while they are in the room', () => {
  const { session, callOf } = out()
  expect(session.tell(3, facilitator, { type: 'set-call', way: 'direct' })).toEqual(['call-set'])
  expect(callOf('ana')).toEqual({ roomId: 'reeds', way: 'direct', silent: false })
  const may = (roomId: string, participantId: string) => mayCall(session.state, roomId, { participantId })
  expect([may('reeds', 'ana'), may('birds', 'ana'), may('birds', 'chi'), may('reeds', 'nobody')]).toEqual([
    true,
    false,
    true,
    false,
  ])
  session.tell(4, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })
  expect([may('reeds', 'ana'), may('birds', 'ana')]).toEqual([false, true])
  endRound(session)
  expect([may('birds', 'ana'), callOf('ana')]).toEqual([false, null])
  expect(JSON.stringify(projectorView(session.state))).not.toContain('direct')
})

test('a facilitator is in the call of a room while they visit it, and of no other', () => {
  const { session } = out()
  session.tell(3, facilitator, { type: 'set-call', way: 'simulated' })
  const may = (roomId: string, accountId = 'marit') => mayCall(session.state, roomId, { accountId })
  expect(may('reeds')).toBe(false)
  session.tell(4, facilitator, { type: 'visit', roomId: 'reeds' })
  expect([may('reeds'), may('birds'), may('reeds', 'another')]).toEqual([true, false, false])
  session.tell(5, facilitator, { type: 'leave-room' })
  expect(may('reeds')).toBe(false)
})

test('microphones are switched off in one room or all there are, let on again, and free in the next round', () => {
  const { session, callOf } = out()
  session.tell(3, facilitator, { type: 'set-call', way: 'direct' })
  const silence = (roomId: string | null, silent: boolean) =>
    session.tell(4, facilitator, { type: 'silence-call', roomId, silent })
  const silent = () => ['ana', 'chi'].map(id => callOf(id)?.silent)
  expect(silence('reeds', true)).toEqual(['call-silenced'])
  expect(silent()).toEqual([true, false])
  expect(silence('reeds', true)).toEqual([])
  expect(silence(null, true)).toEqual(['call-silenced'])
  expect(silent()).toEqual([true, true])
  expect(silence('birds', false)).toEqual(['call-silenced'])
  expect(silent()).toEqual([true, false])
  expect(silence('nowhere', true)).toBe('no-such-room')
  endRound(session)
  session.sendOut(6)
  expect(silent()).toEqual([false, false])
})

test('how rooms talk aloud is what the plan says until it is changed', () => {
  const session = new Rehearsed({ callWay: 'simulated' })
  session.join(1, 'ana', 'chi')
  session.sendOut(2)
  expect(participantView(session.state, 'ana')?.call).toEqual({
    roomId: 'reeds',
    way: 'simulated',
    silent: false,
  })
  session.tell(3, facilitator, { type: 'set-call', way: 'links' })
  expect(participantView(session.state, 'ana')?.call).toBeNull()
})
