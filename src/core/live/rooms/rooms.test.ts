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

test('a move is taken back of those who are still where it put them: whom another has moved since, or who is gone, stays so', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  const place = (participantId: string, roomId: string | null) =>
    session.tell(2, facilitator, { type: 'place-people', placements: [{ participantId, roomId }] })
  const back = (...moves: [participantId: string, from: string | null, roomId: string | null][]) =>
    session.tell(3, facilitator, {
      type: 'place-people',
      placements: moves.map(([participantId, from, roomId]) => ({ participantId, from, roomId })),
    })
  const where = () => [...session.state.participants.values()].map(one => one.roomId)
  for (const id of ['ana', 'bo', 'chi']) place(id, 'birds')
  place('bo', null)
  session.tell(2, facilitator, { type: 'release', participantId: 'chi' })
  expect(back(['ana', 'birds', 'reeds'], ['bo', 'birds', 'reeds'], ['chi', 'birds', 'reeds'])).toEqual([
    'placed',
  ])
  expect(where().slice(0, 2)).toEqual(['reeds', null])
  expect(back(['ana', 'birds', null], ['chi', 'birds', null])).toBe('moved-since')
  expect(back(['bo', null, 'birds'])).toEqual(['placed'])
  // In mid-round, whoever was taken out keeps the room to go back to.
  session.sendOut(4)
  place('ana', null)
  expect(back(['ana', 'reeds', 'birds'])).toBe('moved-since')
  expect(back(['ana', null, 'birds'])).toEqual(['placed'])
  expect(where().slice(0, 2)).toEqual(['birds', 'birds'])
})
