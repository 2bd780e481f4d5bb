import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { peopleIn } from '../door/people'

test('somebody is moved in mid-round, and a late one is placed', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  session.sendOut(2)
  session.tell(3, facilitator, { type: 'place', participantId: 'bo', roomId: 'birds' })
  session.join(4, 'chi')
  expect(session.state.participants.get('chi')).toMatchObject({ roomId: 'birds', inRoom: false })
  session.tell(5, facilitator, { type: 'place', participantId: 'chi', roomId: 'birds' })
  expect(peopleIn(session.state, 'birds').map(each => each.id)).toEqual(['bo', 'chi'])
  expect(session.tell(6, facilitator, { type: 'place', participantId: 'chi', roomId: 'nowhere' })).toBe(
    'no-such-room',
  )
})

test('taken back to the whole group, somebody keeps the room as the place to go back to', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  session.tell(3, facilitator, { type: 'place', participantId: 'ana', roomId: null })
  expect(session.state.participants.get('ana')).toMatchObject({ roomId: 'reeds', inRoom: false })
})

test('rooms are renamed; not to nothing, and not to a novel', () => {
  const session = new Rehearsed()
  expect(session.tell(1, facilitator, { type: 'rename-room', roomId: 'reeds', name: ' Rushes ' })).toEqual([
    'room-renamed',
  ])
  expect(session.state.rooms[0]?.name).toBe('Rushes')
  expect(session.tell(2, facilitator, { type: 'rename-room', roomId: 'reeds', name: '' })).toBe('text-empty')
  expect(session.tell(2, facilitator, { type: 'rename-room', roomId: 'reeds', name: 'x'.repeat(61) })).toBe(
    'text-too-long',
  )
})

test('several are placed at once, and if one can not be, none is', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  const place = (...pairs: [string, string | null][]) =>
    session.tell(2, facilitator, {
      type: 'place-people',
      placements: pairs.map(([participantId, roomId]) => ({ participantId, roomId })),
    })
  const where = () => [...session.state.participants.values()].map(one => one.roomId)
  expect(place(['ana', 'birds'], ['chi', 'reeds'])).toEqual(['placed', 'placed'])
  expect(where()).toEqual(['birds', 'reeds', 'reeds'])
  expect(place(['ana', 'reeds'], ['chi', 'gone'])).toBe('no-such-room')
  expect(place(['ana', 'reeds'], ['nobody', 'reeds'])).toBe('no-such-participant')
  expect(where()).toEqual(['birds', 'reeds', 'reeds'])
  // Named twice, the last word counts; what is so already is nothing.
  expect(place(['ana', 'reeds'], ['ana', null])).toEqual(['placed'])
  expect(place(['ana', null])).toEqual([])
})
