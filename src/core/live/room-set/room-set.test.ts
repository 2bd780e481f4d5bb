import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { peopleIn } from '../door/people'
import { allMarks } from '../marks'
import { mayRead, mayWorkOn } from '../rooms/whereabouts'
import { facilitatorView, participantView } from '../views'

let fresh = 0
const ids = () => Array.from({ length: 200 }, () => `new-${++fresh}`)
const add = (session: Rehearsed, at: number, name: string) =>
  session.tell(at, facilitator, { type: 'add-room', name, ids: ids() })
const close = (session: Rehearsed, at: number, roomId: string, toRoomId: string | null = null) =>
  session.tell(at, facilitator, { type: 'close-room', roomId, toRoomId })
const reopen = (session: Rehearsed, at: number, ...roomIds: string[]) =>
  session.tell(at, facilitator, { type: 'reopen-rooms', roomIds, instead: false })
const openNames = (session: Rehearsed) => facilitatorView(session.state).rooms.map(room => room.name)
const inRoom = (session: Rehearsed, roomId: string) => peopleIn(session.state, roomId).map(each => each.id)

/** Ana and Bo in Reeds, Chi in Birds, in the middle of a round. */
function out(): Rehearsed {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}

test('a room is added before a round and in it, under a name of its own', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(add(session, 2, ' Soil ')).toEqual(['room-added'])
  expect(add(session, 2, 'soil')).toBe('same-room-name')
  expect(add(session, 2, ' ')).toBe('text-empty')
  expect(openNames(session)).toEqual(['Reeds', 'Birds', 'Soil'])
  session.sendOut(3)
  expect(add(session, 4, 'Map')).toEqual(['room-added'])
  const map = session.state.rooms.at(-1)?.id ?? ''
  expect(session.tell(5, facilitator, { type: 'place', participantId: 'ana', roomId: map })).toEqual([
    'placed',
  ])
  expect(inRoom(session, map)).toEqual(['ana'])
  expect(session.tell(6, facilitator, { type: 'rename-room', roomId: map, name: 'SOIL' })).toBe(
    'same-room-name',
  )
})

test('there are at most a hundred rooms at once, closed ones not counted', () => {
  const session = new Rehearsed()
  for (let number = 3; number <= 100; number++)
    expect(add(session, 1, `Room ${number}`)).toEqual(['room-added'])
  expect(add(session, 2, 'One more')).toBe('too-many-rooms')
  close(session, 3, 'reeds')
  expect(add(session, 4, 'One more')).toEqual(['room-added'])
  expect(reopen(session, 5, 'reeds')).toBe('too-many-rooms')
})

test('closed in mid-round, its people are with the whole group; opened again they are back in it with their board', () => {
  const session = out()
  session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h' })
  session.tell(4, facilitator, { type: 'visit', roomId: 'reeds' })
  session.tell(4, participant('ana'), { type: 'call-help', helpId: 'h2' })
  expect(close(session, 5, 'reeds')).toEqual(['help-closed', 'visit-ended', 'room-closed'])
  expect(openNames(session)).toEqual(['Birds'])
  expect(participantView(session.state, 'ana')?.whereabouts).toEqual({ where: 'whole', next: null })
  expect(mayWorkOn(session.state, 'ana', 'copy-reeds')).toBe(false)
  expect(facilitatorView(session.state)).toMatchObject({
    visits: [],
    help: [],
    closedRooms: [{ id: 'reeds', name: 'Reeds', people: 2, closedAt: 5 }],
  })
  expect(close(session, 6, 'reeds')).toBe('no-such-room')
  expect(reopen(session, 7, 'birds')).toBe('room-not-closed')
  expect(reopen(session, 7, 'reeds', 'gone')).toBe('no-such-room')
  expect(reopen(session, 8, 'reeds')).toEqual(['rooms-reopened'])
  const marks = allMarks(session.log)
    .filter(mark => mark.at === 8)
    .map(({ roomId, kind, what }) => [roomId, kind, what])
  expect(marks).toEqual([
    ['reeds', 'joined', 'Ana'],
    ['reeds', 'joined', 'Bo'],
  ])
  expect(inRoom(session, 'reeds')).toEqual(['ana', 'bo'])
  expect(mayWorkOn(session.state, 'ana', 'copy-reeds')).toBe(true)
})

test('merged, what the closed room made is read where its people went, written by nobody, and theirs again when it opens', () => {
  const session = out()
  expect(close(session, 3, 'reeds', 'reeds')).toBe('no-such-room')
  expect(close(session, 3, 'reeds', 'gone')).toBe('no-such-room')
  close(session, 4, 'reeds', 'birds')
  expect(inRoom(session, 'birds')).toEqual(['ana', 'bo', 'chi'])
  const moved = allMarks(session.log).filter(mark => mark.at === 4)
  expect(moved.map(({ roomId, kind, what }) => [roomId, kind, what])).toEqual([
    ['reeds', 'left', 'Ana'],
    ['birds', 'joined', 'Ana'],
    ['reeds', 'left', 'Bo'],
    ['birds', 'joined', 'Bo'],
  ])
  expect(participantView(session.state, 'chi')?.whereabouts).toMatchObject({
    copyId: 'copy-birds',
    alsoReads: [{ copyId: 'copy-reeds', name: 'Reeds' }],
  })
  for (const who of ['ana', 'chi']) {
    expect([mayRead(session.state, who, 'copy-reeds'), mayWorkOn(session.state, who, 'copy-reeds')]).toEqual([
      true,
      false,
    ])
  }
  reopen(session, 5, 'reeds')
  expect(mayRead(session.state, 'chi', 'copy-reeds')).toBe(false)
  expect(inRoom(session, 'reeds')).toEqual(['ana', 'bo'])
  // With the whole group nobody reads a board.
  session.tell(6, facilitator, { type: 'call-back' })
  session.tell(99_000, clock, { type: 'finish-grace' })
  expect(mayRead(session.state, 'ana', 'copy-reeds')).toBe(false)
})

test('work goes along however often rooms are merged', () => {
  const session = out()
  add(session, 3, 'Soil')
  const soil = session.state.rooms.at(-1)?.id ?? ''
  close(session, 4, 'reeds', 'birds')
  close(session, 5, 'birds', soil)
  expect(session.state.rooms.at(-1)?.alsoReads).toEqual(['copy-birds', 'copy-reeds'])
})

test('who comes late to a closed room has the one its people went to', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  close(session, 2, 'reeds', 'birds')
  session.join(3, 'bo')
  session.sendOut(4)
  expect(inRoom(session, 'birds')).toEqual(['ana', 'bo'])
})

test('an earlier arrangement is opened again as it was: its rooms, its people, its boards', () => {
  const session = out()
  session.tell(3, facilitator, { type: 'call-back' })
  session.tell(70_000, clock, { type: 'finish-grace' })
  session.tell(80_000, facilitator, {
    type: 'make-rooms',
    groups: [{ name: 'All', participantIds: ['ana', 'bo', 'chi'] }],
    ids: ids(),
  })
  session.sendOut(90_000)
  session.tell(100_000, facilitator, { type: 'release', participantId: 'bo' })
  const all = session.state.rooms.at(-1)?.id ?? ''
  // Under a name that is there again they come back only in its place.
  add(session, 101_000, 'REEDS')
  expect(reopen(session, 110_000, 'reeds', 'birds')).toBe('same-room-name')
  session.tell(110_000, facilitator, { type: 'reopen-rooms', roomIds: ['reeds', 'birds'], instead: true })
  expect(openNames(session)).toEqual(['Reeds', 'Birds'])
  expect(facilitatorView(session.state).closedRooms).toMatchObject([
    { name: 'All', people: 2, closedAt: 110_000 },
    { name: 'REEDS', people: 0 },
  ])
  expect([inRoom(session, 'reeds'), inRoom(session, 'birds'), inRoom(session, all)]).toEqual([
    ['ana'],
    ['chi'],
    [],
  ])
  expect(session.tell(111_000, door, { type: 'disconnect', participantId: 'ana' })).toEqual(['disconnected'])
})

test('a room has a link to wherever its people talk, which they see; only addresses of pages are taken', () => {
  const session = out()
  const link = (typed: string) =>
    session.tell(3, facilitator, { type: 'link-room', roomId: 'reeds', link: typed })
  for (const bad of [
    'javascript:alert(1)',
    'data:text/html,x',
    'talk.example',
    'https://',
    'ftp://talk.example',
  ])
    expect([bad, link(bad)]).toEqual([bad, 'not-a-link'])
  expect(link(`https://talk.example/${'x'.repeat(500)}`)).toBe('text-too-long')
  expect(link(' https://talk.example/reeds ')).toEqual(['room-linked'])
  expect(link('https://talk.example/reeds')).toEqual([])
  const linkOf = (who: string) => {
    const at = participantView(session.state, who)?.whereabouts
    return at?.where === 'room' ? at.link : undefined
  }
  expect([linkOf('ana'), linkOf('chi')]).toEqual(['https://talk.example/reeds', ''])
  expect(link('')).toEqual(['room-linked'])
  expect(linkOf('ana')).toBe('')
})
