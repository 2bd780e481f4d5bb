import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { allMarks } from '../marks'
import { facilitatorView, participantView, projectorView } from '../views'
import { LONGEST_KEPT, MOST_TAKEN_OFF } from './taken'

/** Ana and Bo are in one room, Chi in another; something of Bo's is taken off. */
function taken(changes: object = {}) {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const take = (at: number, takenId: string, more: object = {}) =>
    session.tell(at, facilitator, {
      type: 'take-off',
      takenId,
      roomId: 'reeds',
      promptId: 'c',
      pieceId: 'card',
      text: 'mean words',
      kept: '[{"id":"card","text":"mean words"}]',
      authorId: 'bo',
      ...more,
    })
  expect(take(3, 't', changes)).toEqual(['taken-off'])
  const told = (id: string) => participantView(session.state, id)?.takenOff
  return { session, take, told }
}

test('facilitators read what was taken off; whoever wrote it is told with what it said, and nobody else of anything', () => {
  const { session, told } = taken()
  expect(facilitatorView(session.state).takenOff).toEqual([
    {
      id: 't',
      roomId: 'reeds',
      copyId: 'copy-reeds',
      promptId: 'c',
      pieceId: 'card',
      text: 'mean words',
      authorId: 'bo',
      by: 'Marit',
      at: 3,
    },
  ])
  expect(told('bo')).toEqual([{ id: 't', promptId: 'c', text: 'mean words', by: 'Marit' }])
  expect([told('ana'), told('chi')]).toEqual([[], []])
  expect(JSON.stringify(projectorView(session.state))).not.toContain('mean words')
})

test('it can be done, and undone, when the session is over, also in a room that was closed', () => {
  const { session, take } = taken()
  session.tell(4, facilitator, { type: 'close-room', roomId: 'reeds', toRoomId: null })
  session.tell(5, facilitator, { type: 'end' })
  expect(take(6, 'u')).toEqual(['taken-off'])
  expect(session.tell(7, facilitator, { type: 'give-back', takenId: 't' })).toEqual(['given-back'])
  expect(facilitatorView(session.state).takenOff.map(({ id }) => id)).toEqual(['u'])
})

test('of what several wrote together the room is told that it was taken, and not what it said', () => {
  const { session, told } = taken({ authorId: null })
  expect(told('ana')).toEqual([{ id: 't', promptId: 'c', text: null, by: 'Marit' }])
  expect(told('chi')).toEqual([])
  expect(JSON.stringify(participantView(session.state, 'ana'))).not.toContain('mean words')
})

test('whoever wrote it is told as long as they are in that room', () => {
  const { session, told } = taken()
  session.tell(4, facilitator, { type: 'place', participantId: 'bo', roomId: 'birds' })
  expect(told('bo')).toEqual([])
})

test('given back it is known no more, and it is given back once', () => {
  const { session, told } = taken()
  expect(session.tell(4, facilitator, { type: 'give-back', takenId: 't' })).toEqual(['given-back'])
  expect(session.tell(5, facilitator, { type: 'give-back', takenId: 't' })).toBe('not-taken-off')
  expect(told('bo')).toEqual([])
  expect(facilitatorView(session.state).takenOff).toEqual([])
})

test('only from a room there is and under a prompt of its board, no longer than can be kept, and not without end', () => {
  const { session, take } = taken()
  expect(take(4, 'u', { roomId: 'nowhere' })).toBe('no-such-room')
  expect(take(4, 'u', { promptId: 'other' })).toBe('not-on-the-board')
  expect(take(4, 'u', { kept: 'x'.repeat(LONGEST_KEPT + 1) })).toBe('too-long-to-keep')
  for (let number = session.state.takenOff.length; number < MOST_TAKEN_OFF; number++) take(5, `t${number}`)
  expect(take(6, 'u')).toBe('too-much-taken-off')
  session.tell(7, facilitator, { type: 'give-back', takenId: 't' })
  expect(take(8, 'u')).toEqual(['taken-off'])
})

test('taking off and giving back leave marks on the lane, with who did it and nothing of what it said', () => {
  const { session } = taken()
  session.tell(4, facilitator, { type: 'give-back', takenId: 't' })
  const marks = allMarks(session.log).filter(({ at }) => at >= 3)
  expect(marks.map(({ kind, roomId, what }) => [kind, roomId, what])).toEqual([
    ['taken-off', 'reeds', 'Marit'],
    ['given-back', 'reeds', 'Marit'],
  ])
})
