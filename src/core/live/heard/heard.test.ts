import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { facilitatorView, participantView, viewFor } from '../views'
import { LONGEST_ANSWER, MOST_ANSWERS, MOST_FOLLOWED } from './answer'

/** Ana and Bo are in Reeds, Chi in Birds. */
function out() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}
const broadcast = (session: Rehearsed, messageId: string, roomIds: string[] | null = null) =>
  session.tell(3, facilitator, { type: 'broadcast', messageId, text: messageId, roomIds })
const see = (session: Rehearsed, id: string, ...messageIds: string[]) =>
  session.tell(4, participant(id), { type: 'see-messages', messageIds })
const heard = ({ state }: Rehearsed, id: string) => facilitatorView(state).heard[id]

test('it is counted how many have seen a broadcast, and how many in which room have not', () => {
  const session = out()
  broadcast(session, 'm')
  expect(heard(session, 'm')).toEqual({ seen: 0, of: 3, unseen: { reeds: 2, birds: 1 } })
  expect(see(session, 'ana', 'm')).toEqual(['messages-seen'])
  expect(see(session, 'ana', 'm')).toEqual([])
  expect(heard(session, 'm')).toEqual({ seen: 1, of: 3, unseen: { reeds: 1, birds: 1 } })
  // Whoever puts it away has seen it.
  session.tell(5, participant('chi'), { type: 'put-away', messageId: 'm' })
  expect(heard(session, 'm')).toEqual({ seen: 2, of: 3, unseen: { reeds: 1 } })
  // Counted where they are now.
  session.tell(5, facilitator, { type: 'place', participantId: 'bo', roomId: null })
  expect(heard(session, 'm')).toEqual({ seen: 2, of: 3, unseen: { '': 1 } })
  session.tell(6, facilitator, { type: 'release', participantId: 'bo' })
  expect(heard(session, 'm')).toEqual({ seen: 2, of: 2, unseen: {} })
})

test('of a broadcast to some rooms those there count, and who has no device of their own counts for nothing', () => {
  const session = out()
  broadcast(session, 'm', ['birds'])
  expect(heard(session, 'm')).toEqual({ seen: 0, of: 1, unseen: { birds: 1 } })
  expect(see(session, 'ana', 'm')).toEqual([])
  expect(see(session, 'chi', 'm', 'unknown')).toEqual(['messages-seen'])
  expect(heard(session, 'm')).toEqual({ seen: 1, of: 1, unseen: {} })
  session.tell(5, facilitator, { type: 'put-in', names: ['Uma'], ids: ['uma'] })
  session.tell(5, facilitator, { type: 'place', participantId: 'uma', roomId: 'birds' })
  expect(session.state.participants.get('uma')).toMatchObject({ inRoom: true })
  expect(heard(session, 'm')).toMatchObject({ of: 1 })
})

test('who has not seen it is told to nobody by name, and participants hear nothing of what others saw or answered', () => {
  const session = out()
  broadcast(session, 'm')
  see(session, 'ana', 'm')
  session.tell(5, participant('ana'), {
    type: 'answer-message',
    messageId: 'm',
    text: 'A secret answer',
    answerId: 'w',
  })
  const { heard: told } = facilitatorView(session.state)
  for (const name of ['ana', 'bo', 'chi', 'Ana', 'Bo', 'Chi'])
    expect(JSON.stringify(told)).not.toContain(`"${name}"`)
  for (const viewer of [{ kind: 'participant', participantId: 'bo' }, { kind: 'projector' }] as const) {
    const seen = viewFor(session.state, viewer)
    expect(JSON.stringify(seen)).not.toContain('A secret answer')
    expect(seen).not.toHaveProperty('heard')
  }
  expect(participantView(session.state, 'ana')?.ownAnswers).toMatchObject([{ text: 'A secret answer' }])
})

test('an answer says by whom and from where, is no longer than it may be, and comes a few times at most', () => {
  const session = out()
  broadcast(session, 'm', ['reeds'])
  const answer = (id: string, text: string, answerId: string, messageId = 'm') =>
    session.tell(5, participant(id), { type: 'answer-message', messageId, text, answerId })
  expect(answer('chi', 'Not for me', 'w')).toBe('no-such-message')
  expect(answer('ana', '  ', 'w')).toBe('text-empty')
  expect(answer('ana', 'x'.repeat(LONGEST_ANSWER + 1), 'w')).toBe('text-too-long')
  expect(answer('ana', ' We are. ', 'w')).toEqual(['message-answered'])
  expect(answer('ana', ' We are. ', 'w')).toEqual([])
  expect(facilitatorView(session.state).messageAnswers).toEqual([
    { id: 'w', messageId: 'm', participantId: 'ana', roomId: 'reeds', text: 'We are.', at: 5 },
  ])
  for (let count = 1; count < MOST_ANSWERS; count++) answer('ana', 'more', `w${count}`)
  expect(answer('ana', 'once more', 'x')).toBe('enough-answers')
  expect(answer('bo', 'me too', 'y')).toEqual(['message-answered'])
})

test('said again it comes to those who have not seen it, until they have; when all have, it is not said again', () => {
  const session = out()
  broadcast(session, 'm')
  see(session, 'ana', 'm')
  const again = () => session.tell(7, facilitator, { type: 'say-again', messageId: 'm' })
  expect(again()).toEqual(['message-said-again'])
  const told = (id: string) => participantView(session.state, id)?.saidAgain
  expect([told('ana'), told('bo'), told('chi')]).toEqual([{}, { m: 7 }, { m: 7 }])
  see(session, 'bo', 'm')
  see(session, 'chi', 'm')
  expect([told('bo'), told('chi')]).toEqual([{}, {}])
  expect(again()).toBe('all-have-seen')
  expect(session.tell(8, facilitator, { type: 'say-again', messageId: 'gone' })).toBe('no-such-message')
})

test('who waits at the door has seen nothing and counts for nothing; nobody is as few as nothing', () => {
  const session = new Rehearsed({ waitingList: true })
  session.tell(1, door, { type: 'join', participantId: 'uma', personId: null, shownName: 'Uma' })
  broadcast(session, 'm')
  expect(heard(session, 'm')).toEqual({ seen: 0, of: 0, unseen: {} })
  expect(see(session, 'uma', 'm')).toEqual([])
  expect(session.tell(5, facilitator, { type: 'say-again', messageId: 'm' })).toBe('all-have-seen')
})

test('of the last broadcasts alone it is told how far they have come', () => {
  const session = out()
  for (let count = 0; count < MOST_FOLLOWED + 2; count++) broadcast(session, `m${count}`)
  expect(Object.keys(facilitatorView(session.state).heard)).toHaveLength(MOST_FOLLOWED)
  expect(heard(session, 'm1')).toBeUndefined()
})
