import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { meetingsOf } from '../../history/meetings'
import { attendance, stays } from '../../review/attendance'
import { participantList, peopleIn } from '../door/people'
import { facilitatorView, participantView } from '../views'
import { MOST_BESIDE } from './without-device'

const ids = (from: string) => Array.from({ length: 500 }, (_, number) => `${from}${number}`)
const putIn = (session: Rehearsed, at: number, ...names: string[]) =>
  session.tell(at, facilitator, { type: 'put-in', names, ids: ids('n') })
const beside = (session: Rehearsed, at: number, shownName: string, newId: string, by = 'ana') =>
  session.tell(at, participant(by), { type: 'put-in-beside', shownName, newId })
const names = (session: Rehearsed) => participantList(session.state).map(each => each.shownName)

test('people without a device are put in by name; who is on the list is that person, with the room planned for them', () => {
  const session = new Rehearsed()
  expect(putIn(session, 1, ' ána ', 'Zoë', '')).toEqual(['joined', 'joined'])
  expect(session.state.participants.get('n0')).toMatchObject({
    personId: 'p-ana',
    shownName: 'Ana',
    roomId: 'reeds',
    admitted: true,
    connected: true,
    hasDevice: false,
  })
  expect(session.state.participants.get('n1')).toMatchObject({
    personId: null,
    shownName: 'Zoë',
    roomId: null,
  })
  session.sendOut(2)
  expect(peopleIn(session.state, 'reeds').map(each => each.shownName)).toEqual(['Ana'])
})

test('of several names, one that can not be put in leaves all of them out, and says which', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(putIn(session, 2, 'Zoë', 'Ana')).toBe('name-taken')
  expect(putIn(session, 2, 'Zoë', 'zoe')).toBe('name-taken')
  expect(putIn(session, 2, 'Zoë', '\u0410na')).toBe('mixed-alphabets')
  expect(putIn(session, 2, 'x'.repeat(41))).toBe('text-too-long')
  expect(putIn(session, 2, ' ', '')).toBe('nobody-named')
  expect(names(session)).toEqual(['Ana'])
})

test('what keeps others out does not keep out whom a facilitator puts in; a full session does', () => {
  const session = new Rehearsed({ waitingList: true })
  session.tell(1, facilitator, { type: 'lock-door', on: true })
  for (let hundred = 0; hundred < 5; hundred++) {
    const names = Array.from({ length: hundred < 4 ? 100 : 99 }, (_, number) => `Person ${hundred} ${number}`)
    const from = ids(`h${hundred}-`)
    expect(session.tell(2, facilitator, { type: 'put-in', names, ids: from })).toHaveLength(names.length)
  }
  expect(participantList(session.state).every(each => each.admitted)).toBe(true)
  expect(session.state).toMatchObject({ waitingList: true, locked: true, crowded: false })
  const more = (...said: string[]) =>
    session.tell(3, facilitator, { type: 'put-in', names: said, ids: ids('m') })
  expect(more('One', 'Too many')).toBe('session-full')
  expect(more('One')).toEqual(['joined'])
})

test('at a neighbour’s device the door is as for everybody, and there is room for so many', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(beside(session, 2, 'Bo', 'b')).toEqual(['joined'])
  expect(session.state.participants.get('b')).toMatchObject({
    personId: 'p-bo',
    besideId: 'ana',
    admitted: true,
  })
  session.tell(3, facilitator, { type: 'lock-door', on: true })
  expect(beside(session, 4, 'Zoë', 'z')).toBe('door-locked')
  session.tell(5, facilitator, { type: 'lock-door', on: false })
  session.tell(5, facilitator, { type: 'set-waiting-list', on: true })
  expect(beside(session, 6, 'Zoë', 'z')).toEqual(['joined'])
  expect(session.state.participants.get('z')).toMatchObject({ admitted: false })
  session.join(7, 'chi')
  expect(beside(session, 8, 'Una', 'u', 'chi')).toBe('waiting')
  for (let number = 2; number < MOST_BESIDE; number++) beside(session, 9, `Guest ${number}`, `g${number}`)
  expect(beside(session, 10, 'One more', 'o')).toBe('device-full')
})

test('whose device it is sees who is at it and where each belongs, and takes out those alone', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'chi')
  beside(session, 2, 'Bo', 'b')
  session.tell(3, facilitator, { type: 'place', participantId: 'b', roomId: 'birds' })
  expect(participantView(session.state, 'ana')?.beside).toEqual([{ id: 'b', shownName: 'Bo', room: 'Birds' }])
  expect(participantView(session.state, 'chi')?.beside).toEqual([])
  const takeOut = (by: string, besideMeId: string) =>
    session.tell(4, participant(by), { type: 'take-out-beside', besideMeId })
  expect(takeOut('chi', 'b')).toBe('not-beside')
  expect(takeOut('ana', 'chi')).toBe('not-beside')
  expect(takeOut('ana', 'b')).toEqual(['released'])
  expect(takeOut('ana', 'b')).toBe('not-beside')
  // Ticked again they have the room they had.
  expect(beside(session, 5, 'Bo', 'b2')).toEqual(['joined'])
  expect(session.state.participants.get('b2')).toMatchObject({ roomId: 'birds' })
})

test('who comes with a device after all takes up the place that stood for them', () => {
  const session = new Rehearsed()
  putIn(session, 1, 'Bo', 'Zoë')
  session.tell(2, facilitator, { type: 'place', participantId: 'n1', roomId: 'birds' })
  const join = (participantId: string, personId: string | null, shownName: string) =>
    session.tell(3, door, { type: 'join', participantId, personId, shownName })
  expect(join('bo', 'p-bo', 'Bo')).toEqual(['released', 'joined'])
  expect(join('zoe', null, 'zoë')).toEqual(['released', 'joined'])
  expect(Object.fromEntries(session.state.participants)).toMatchObject({
    bo: { personId: 'p-bo', hasDevice: true },
    zoe: { personId: null, roomId: 'birds', hasDevice: true, connected: false },
  })
  expect(names(session)).toEqual(['Bo', 'zoë'])
  expect(attendance(session.log, 9).map(each => each.shownName)).toEqual(['Bo', 'zoë'])
  expect(join('again', 'p-bo', 'Bo')).toBe('name-taken')
})

test('nobody without a device drops, and they count in attendance and in who has met whom', () => {
  const session = new Rehearsed()
  putIn(session, 1_000, 'Bo')
  session.join(1_000, 'ana')
  expect(session.tell(2_000, door, { type: 'disconnect', participantId: 'n0' })).toEqual([])
  session.sendOut(3_000)
  session.tell(9_000, facilitator, { type: 'end' })
  expect(facilitatorView(session.state).people[0]).toMatchObject({ hasDevice: false, connected: true })
  const inRooms = stays(session.log, 9_000).filter(stay => stay.participantId === 'n0')
  expect(inRooms.map(({ roomId, from, to }) => [roomId, from, to])).toEqual([
    [null, 1_000, 3_000],
    ['reeds', 3_000, 9_000],
  ])
  expect(meetingsOf(session.log, 9_000)).toMatchObject([{ pair: ['p-ana', 'p-bo'], ms: 6_000 }])
})
