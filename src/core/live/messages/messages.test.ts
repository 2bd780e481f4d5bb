import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { participantView } from '../views'

test('messages stay until put away, each for each', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  session.tell(2, facilitator, { type: 'broadcast', messageId: 'm', text: ' Five minutes. ' })
  expect(session.tell(3, participant('ana'), { type: 'put-away', messageId: 'm' })).toEqual(['put-away'])
  expect(session.tell(4, participant('ana'), { type: 'put-away', messageId: 'm' })).toEqual([])
  expect(session.tell(4, participant('ana'), { type: 'put-away', messageId: 'other' })).toBe(
    'no-such-message',
  )
  expect(session.state.putAway).toEqual({ ana: ['m'] })
  expect(session.state.messages[0]).toMatchObject({ text: 'Five minutes.', from: 'Marit' })
  expect(session.tell(5, facilitator, { type: 'broadcast', messageId: 'n', text: '  ' })).toBe('text-empty')
  expect(session.tell(5, facilitator, { type: 'broadcast', messageId: 'n', text: 'x'.repeat(501) })).toBe(
    'text-too-long',
  )
})

test('a note reaches those who are in its room, whoever comes in later too, and nobody else', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  const note = { type: 'note', messageId: 'n', roomId: 'reeds', text: 'Look closer.', helpId: null } as const
  expect(session.tell(2, facilitator, { ...note, roomId: 'nowhere' })).toBe('no-such-room')
  session.sendOut(2)
  expect(session.tell(3, facilitator, note)).toEqual(['note'])
  const reads = (id: string) => participantView(session.state, id)?.messages.map(message => message.text)
  expect([reads('ana'), reads('bo'), reads('chi')]).toEqual([['Look closer.'], ['Look closer.'], []])
  session.tell(4, facilitator, { type: 'place', participantId: 'chi', roomId: 'reeds' })
  session.tell(4, facilitator, { type: 'place', participantId: 'bo', roomId: 'birds' })
  expect([reads('bo'), reads('chi')]).toEqual([[], ['Look closer.']])
})
