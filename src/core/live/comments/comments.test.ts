import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { marksOf } from '../marks'
import { facilitatorView, participantView, viewFor } from '../views'
import { LONGEST_COMMENT, MOST_COMMENTS, MOST_REPLIES } from './comment'

/** Ana and Bo are in Reeds, Chi in Birds. */
function out() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}
const comment = (session: Rehearsed, text: string, more: object = {}) =>
  session.tell(3, facilitator, {
    type: 'comment',
    roomId: 'reeds',
    promptId: 'c',
    pieceId: 'card',
    quote: ' Tall ',
    text,
    helpId: null,
    commentId: 'k',
    ...more,
  })
const answer = (session: Rehearsed, id: string, text: string, answerId = 'w') =>
  session.tell(4, participant(id), { type: 'answer-comment', commentId: 'k', text, answerId })
const settle = (session: Rehearsed, id: string, settled: boolean) =>
  session.tell(5, participant(id), { type: 'settle-comment', commentId: 'k', settled })
const texts = ({ state }: Rehearsed, id: string) =>
  participantView(state, id)?.comments.map(({ text }) => text)

test('a comment is read by the group on whose board it is, at once, and by no other', () => {
  const session = out()
  const before = session.state
  expect(comment(session, ' How do you know? ')).toEqual(['commented'])
  expect(comment(session, ' How do you know? ')).toEqual([])
  expect(['ana', 'bo', 'chi'].map(id => texts(session, id))).toEqual([
    ['How do you know?'],
    ['How do you know?'],
    [],
  ])
  const event = session.log.at(-1)
  expect(event && marksOf(before, event)).toMatchObject([{ roomId: 'reeds', kind: 'comment' }])
  expect(participantView(session.state, 'ana')?.comments).toMatchObject([
    { promptId: 'c', pieceId: 'card', quote: 'Tall', from: 'Marit', answers: [], settledBy: null },
  ])
  expect(JSON.stringify(viewFor(session.state, { kind: 'projector' }))).not.toContain('How do you know')
  // It is on the board: whoever goes to another has it no more.
  session.tell(4, facilitator, { type: 'place', participantId: 'bo', roomId: 'birds' })
  session.tell(4, facilitator, { type: 'place', participantId: 'ana', roomId: null })
  expect([texts(session, 'ana'), texts(session, 'bo')]).toEqual([[], []])
})

test('it is on something the room is asked, has words, and there are no more than can be read', () => {
  const session = out()
  expect(comment(session, 'x', { roomId: 'nowhere' })).toBe('no-such-room')
  expect(comment(session, 'x', { promptId: 'none' })).toBe('no-such-prompt')
  expect(comment(session, ' ')).toBe('text-empty')
  expect(comment(session, 'x'.repeat(LONGEST_COMMENT + 1))).toBe('text-too-long')
  for (let count = 0; count < MOST_COMMENTS; count++)
    comment(session, `x${count}`, { commentId: `k${count}` })
  expect(comment(session, 'x', { commentId: 'more' })).toBe('too-many-comments')
})

test('of two that say the same of the same piece within ten seconds one stands; a call it answers is closed all the same', () => {
  const session = out()
  expect(comment(session, 'How?')).toEqual(['commented'])
  session.tell(4, participant('ana'), { type: 'call-help', helpId: 'h' })
  expect(comment(session, ' How? ', { commentId: 'k2' })).toEqual([])
  expect(comment(session, 'How?', { commentId: 'k3', helpId: 'h' })).toEqual(['help-closed'])
  expect(comment(session, 'How?', { commentId: 'k4', pieceId: null })).toEqual(['commented'])
  expect(texts(session, 'ana')).toEqual(['How?', 'How?'])
})

test('it is answered by the group and by facilitators, each with their name, and by nobody of another room', () => {
  const session = out()
  comment(session, 'How do you know?')
  expect(answer(session, 'chi', 'Not mine')).toBe('no-such-comment')
  expect(answer(session, 'ana', ' We measured. ')).toEqual(['comment-answered'])
  expect(answer(session, 'ana', ' We measured. ')).toEqual([])
  session.tell(6, facilitator, { type: 'answer-comment', commentId: 'k', text: 'Good.', answerId: 'f' })
  const [read] = participantView(session.state, 'bo')?.comments ?? []
  expect(read?.answers).toEqual([
    { id: 'w', by: 'Ana', participantId: 'ana', text: 'We measured.', at: 4 },
    { id: 'f', by: 'Marit', participantId: null, text: 'Good.', at: 6 },
  ])
  for (let count = 2; count < MOST_REPLIES; count++) answer(session, 'bo', 'x', `w${count}`)
  expect(answer(session, 'bo', 'x', 'more')).toBe('too-many-comments')
})

test('it is marked as dealt with by whoever is there, and taken up again', () => {
  const session = out()
  comment(session, 'How do you know?')
  expect(settle(session, 'chi', true)).toBe('no-such-comment')
  expect(settle(session, 'bo', true)).toEqual(['comment-settled'])
  expect(settle(session, 'ana', true)).toEqual([])
  expect(facilitatorView(session.state).comments).toMatchObject([{ settledBy: 'Bo' }])
  expect(settle(session, 'ana', false)).toEqual(['comment-settled'])
  expect(facilitatorView(session.state).comments).toMatchObject([{ settledBy: null }])
  const unknown = { type: 'settle-comment', commentId: 'none', settled: true } as const
  expect(session.tell(6, facilitator, unknown)).toBe('no-such-comment')
})

test('a comment that answers a call for help closes it, and no other call', () => {
  const session = out()
  session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h' })
  session.tell(3, participant('chi'), { type: 'call-help', helpId: 'other' })
  expect(comment(session, 'Look here.', { helpId: 'other' })).toEqual(['commented'])
  expect(comment(session, 'And here.', { helpId: 'h', commentId: 'k2' })).toEqual([
    'commented',
    'help-closed',
  ])
  expect(session.state.helpCalls).toMatchObject([
    { id: 'h', how: 'comment' },
    { id: 'other', how: null },
  ])
})
