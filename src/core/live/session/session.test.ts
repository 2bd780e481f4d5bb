import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { decide } from '../decide'
import { unopened } from '../topics'

test('ending closes the round, its help calls and visits; afterwards nothing happens any more', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h' })
  session.tell(4, facilitator, { type: 'end' })
  expect(session.state).toMatchObject({
    phase: 'ended',
    round: null,
    pastRounds: [{ number: 1, startedAt: 2, endedAt: 4 }],
  })
  expect(session.state.helpCalls[0]).toMatchObject({ closedAt: 4, how: 'round-ended' })
  expect(session.tell(5, facilitator, { type: 'broadcast', messageId: 'm', text: 'x' })).toBe('ended')
  expect(session.tell(5, door, { type: 'join', participantId: 'x', personId: null, shownName: 'Zoë' })).toBe(
    'ended',
  )
  expect(session.tell(5, door, { type: 'disconnect', participantId: 'ana' })).toEqual([])
})

test.each([29, 14_401, 60.5, Number.NaN])('nobody is sent out for %p seconds', seconds => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(session.tell(2, facilitator, { type: 'send-out', seconds })).toBe('bad-length')
})

test('before the opening nothing can be done, and it is opened once', () => {
  expect(decide(unopened, { type: 'broadcast', messageId: 'm', text: 'x' }, facilitator, 1)).toEqual({
    ok: false,
    problem: { code: 'not-open' },
  })
  expect(new Rehearsed().tell(1, facilitator, { type: 'open', plan: {} as never })).toBe('already-open')
})
