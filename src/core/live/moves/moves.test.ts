import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { MOVED_AT_ONCE, type Terms } from '../../schedule/terms'
import { facilitatorView, participantView } from '../views'

const set = (session: Rehearsed, terms: Partial<Terms>) =>
  session.tell(1, facilitator, { type: 'set-terms', ...MOVED_AT_ONCE, ...terms })
const here = () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  return session
}
const roomsOf = (session: Rehearsed) =>
  Object.fromEntries(
    [...session.state.participants.values()].map(({ id, roomId, inRoom }) => [id, inRoom ? roomId : null]),
  )
const ask = (session: Rehearsed, id: string, type: 'enter-room' | 'come-back', at = 5) =>
  session.tell(at, participant(id), { type })
const choose = (session: Rehearsed, id: string, roomId: string, at = 5) =>
  session.tell(at, participant(id), { type: 'choose-room', roomId })

describe('invited to go', () => {
  test('nobody is moved: each accepts, and who has not gone is seen; the rest are brought in by one move', () => {
    const session = here()
    set(session, { invited: true })
    session.sendOut(2)
    expect(roomsOf(session)).toEqual({ ana: null, bo: null, chi: null })
    expect(participantView(session.state, 'ana')?.moves).toMatchObject({ enter: 'Reeds' })
    expect(participantView(session.state, 'ana')?.board).toBeNull()
    expect(ask(session, 'ana', 'enter-room')).toEqual(['placed'])
    expect(ask(session, 'ana', 'enter-room')).toEqual([])
    expect(participantView(session.state, 'ana')?.board?.title).toBe('Notes')
    expect(roomsOf(session)).toEqual({ ana: 'reeds', bo: null, chi: null })
    expect(session.tell(6, facilitator, { type: 'bring-in' })).toEqual(['placed', 'placed'])
    expect(session.tell(6, facilitator, { type: 'bring-in' })).toEqual([])
    expect(roomsOf(session)).toEqual({ ana: 'reeds', bo: 'reeds', chi: 'birds' })
  })

  test('who has no page of their own is in the room at once, or goes along with whose device they are at', () => {
    const session = here()
    session.tell(1, facilitator, { type: 'put-in', names: ['Kim'], ids: ['kim'] })
    session.tell(1, participant('ana'), { type: 'put-in-beside', shownName: 'Eli', newId: 'eli' })
    for (const id of ['kim', 'eli'])
      session.tell(1, facilitator, { type: 'place', participantId: id, roomId: 'reeds' })
    set(session, { invited: true })
    session.sendOut(2)
    expect(roomsOf(session)).toMatchObject({ kim: 'reeds', eli: null, ana: null })
    expect(ask(session, 'ana', 'enter-room')).toEqual(['placed', 'placed'])
    expect(roomsOf(session)).toMatchObject({ eli: 'reeds', ana: 'reeds' })
  })

  test('once called back nobody goes in any more, and in an ordinary round nobody is asked', () => {
    const session = here()
    set(session, { invited: true })
    session.sendOut(2)
    session.tell(6, facilitator, { type: 'call-back' })
    expect(ask(session, 'ana', 'enter-room', 7)).toBe('choosing-closed')
    expect(participantView(session.state, 'ana')?.moves).toBeNull()
    session.tell(90_000, clock, { type: 'finish-grace' })
    expect(ask(session, 'ana', 'enter-room', 90_001)).toBe('not-out')
    set(session, {})
    session.sendOut(90_002)
    expect(roomsOf(session)).toEqual({ ana: 'reeds', bo: 'reeds', chi: 'birds' })
    expect(session.log.at(-1)?.event).not.toHaveProperty('invited')
  })
})

test('of the terms only what is named changes', () => {
  const session = here()
  session.tell(1, facilitator, { type: 'set-terms', invited: true })
  session.tell(1, facilitator, { type: 'set-terms', mayReturn: true, mayChange: false })
  expect(session.state.terms).toEqual({ invited: true, mayChange: false, mayReturn: true })
  expect(session.tell(1, facilitator, { type: 'set-terms', invited: true })).toEqual([])
})

describe('coming back and changing rooms', () => {
  test('one comes back, and goes in again, only where that is allowed', () => {
    const session = here()
    session.sendOut(2)
    expect(ask(session, 'ana', 'come-back')).toBe('must-stay')
    set(session, { mayReturn: true })
    expect(ask(session, 'ana', 'come-back')).toEqual(['placed'])
    expect(participantView(session.state, 'ana')?.moves).toMatchObject({ enter: 'Reeds', mayReturn: false })
    expect(ask(session, 'ana', 'enter-room')).toEqual(['placed'])
    expect(participantView(session.state, 'ana')?.moves).toMatchObject({ enter: null, mayReturn: true })
  })

  test('a call for help is closed by leaving the room, as by any other way out', () => {
    const session = here()
    session.sendOut(2)
    set(session, { mayReturn: true })
    session.tell(3, participant('chi'), { type: 'call-help', helpId: 'h' })
    ask(session, 'chi', 'come-back')
    expect(facilitatorView(session.state).help).toEqual([])
  })

  test('rooms are changed in a round where that is allowed, and not otherwise', () => {
    const session = here()
    session.sendOut(2)
    expect(choose(session, 'ana', 'birds')).toBe('choosing-closed')
    expect(participantView(session.state, 'ana')?.roomsToChoose).toBeNull()
    set(session, { mayChange: true })
    expect(participantView(session.state, 'ana')?.roomsToChoose?.rooms).toEqual([
      { id: 'reeds', name: 'Reeds', people: 2, left: null },
      { id: 'birds', name: 'Birds', people: 1, left: null },
    ])
    expect(choose(session, 'ana', 'birds')).toEqual(['placed'])
    expect(roomsOf(session)).toEqual({ ana: 'birds', bo: 'reeds', chi: 'birds' })
    expect(choose(session, 'ana', 'gone')).toBe('no-such-room')
  })
})

describe('choosing before a round', () => {
  const open = (session: Rehearsed, least: number, most: number) =>
    session.tell(2, facilitator, { type: 'open-choosing', least, most })

  test('rooms say how many places are left, not who is in them; the last place goes to one', () => {
    const session = here()
    expect(open(session, 1, 2)).toEqual(['choosing-opened'])
    expect(choose(session, 'bo', 'birds')).toEqual(['placed'])
    expect(choose(session, 'ana', 'birds')).toBe('room-full')
    const seen = participantView(session.state, 'ana')
    expect(seen?.roomsToChoose).toEqual({
      rooms: [
        { id: 'reeds', name: 'Reeds', people: 1, left: 1 },
        { id: 'birds', name: 'Birds', people: 2, left: 0 },
      ],
      places: { least: 1, most: 2 },
    })
    expect(JSON.stringify([seen?.roomsToChoose, seen?.moves])).not.toContain('Bo')
    // Who chose and changes their mind gives the place back.
    expect(choose(session, 'bo', 'reeds')).toEqual(['placed'])
    expect(choose(session, 'ana', 'birds')).toEqual(['placed'])
    expect(roomsOf(session)).toEqual({ ana: null, bo: null, chi: null })
  })

  test('who is at a device comes along, and needs a place', () => {
    const session = here()
    session.tell(1, participant('ana'), { type: 'put-in-beside', shownName: 'Eli', newId: 'eli' })
    open(session, 1, 2)
    expect(choose(session, 'ana', 'birds')).toBe('room-full')
    open(session, 1, 3)
    expect(choose(session, 'ana', 'birds')).toEqual(['placed', 'placed'])
  })

  test('it is open until it is closed or people are sent out; facilitators go on by hand', () => {
    const session = here()
    open(session, 1, 2)
    session.tell(3, facilitator, { type: 'close-choosing' })
    expect(choose(session, 'ana', 'birds')).toBe('choosing-closed')
    expect(session.tell(3, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })).toEqual([
      'placed',
    ])
    open(session, 1, 2)
    const groups = [{ name: 'All', participantIds: ['ana', 'bo'] }]
    session.tell(3, facilitator, { type: 'make-rooms', groups, ids: ['r', 'c'] })
    expect(session.state.choosing).toBeNull()
    session.tell(3, facilitator, { type: 'undo-rooms' })
    open(session, 1, 2)
    session.sendOut(4)
    expect(session.state.choosing).toBeNull()
    expect(choose(session, 'ana', 'reeds')).toBe('choosing-closed')
    expect(open(session, 1, 2)).toBe('already-out')
  })

  test('it needs rooms, sizes that go together, and people who are let in', () => {
    const none = new Rehearsed({ rooms: [], people: [] })
    expect(open(none, 1, 2)).toBe('no-rooms-to-choose')
    const session = new Rehearsed({ waitingList: true })
    session.join(1, 'ana')
    expect(open(session, 3, 2)).toBe('bad-places')
    expect(open(session, 3, 0)).toEqual(['choosing-opened'])
    expect(choose(session, 'ana', 'birds')).toBe('waiting')
    expect(participantView(session.state, 'ana')).toMatchObject({ moves: null, roomsToChoose: null })
    expect(choose(session, 'nobody', 'birds')).toBe('no-such-participant')
    session.tell(5, door, { type: 'disconnect', participantId: 'ana' })
  })
})
