import fc from 'fast-check'
import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { facilitatorView, participantView, projectorView } from '../views'
import { mayWorkOn } from './whereabouts'

/** A session with nothing prepared, and who has walked in. */
function bare(...names: string[]): Rehearsed {
  const session = new Rehearsed({ rooms: [], people: [], board: { title: '', steps: [], prompts: [] } })
  for (const name of names) {
    session.tell(1, door, { type: 'join', participantId: name, personId: null, shownName: name })
    session.tell(1, door, { type: 'connect', participantId: name })
  }
  return session
}

let made = 0
const make = (session: Rehearsed, at: number, groups: Record<string, string[]>) =>
  session.tell(at, facilitator, {
    type: 'make-rooms',
    groups: Object.entries(groups).map(([name, participantIds]) => ({ name, participantIds })),
    ids: Array.from({ length: 200 }, () => `id-${++made}`),
  })
const sendOut = (session: Rehearsed, at: number) =>
  session.tell(at, facilitator, { type: 'send-out', seconds: 600 })
function callBack(session: Rehearsed, at: number): void {
  session.tell(at, facilitator, { type: 'call-back' })
  session.tell(at + 70_000, clock, { type: 'finish-grace' })
}

test('rooms are made of who is here, and everybody is sent into theirs', () => {
  const session = bare('ana', 'bo', 'chi', 'dov')
  expect(sendOut(session, 2)).toBe('nobody-to-send')
  expect(make(session, 3, { One: ['ana', 'bo'], Two: ['chi'] })).toEqual(['rooms-made'])
  expect(facilitatorView(session.state).rooms.map(room => room.name)).toEqual(['One', 'Two'])
  expect(participantView(session.state, 'ana')?.whereabouts).toEqual({
    where: 'whole',
    next: { name: 'One', members: ['ana', 'bo'] },
  })
  sendOut(session, 4)
  expect(participantView(session.state, 'chi')?.whereabouts).toMatchObject({ where: 'room', name: 'Two' })
  expect(participantView(session.state, 'dov')?.whereabouts).toEqual({ where: 'whole', next: null })
  expect(projectorView(session.state).rooms.map(room => room.members)).toEqual([['ana', 'bo'], ['chi']])
})

test('made again before anybody was out, nothing is left of the first; afterwards what was used is closed and keeps its board', () => {
  const session = bare('ana', 'bo')
  make(session, 2, { One: ['ana', 'bo'] })
  make(session, 3, { Other: ['ana'], More: ['bo'] })
  expect(session.state.rooms.map(room => room.name)).toEqual(['Other', 'More'])
  sendOut(session, 4)
  const [other] = session.state.rooms
  expect(make(session, 5, { Late: ['ana'] })).toBe('already-out')
  callBack(session, 6)
  expect(make(session, 80_000, { Again: ['ana', 'bo'] })).toEqual(['rooms-made'])
  expect(session.state.rooms.map(({ name, closed }) => [name, closed])).toEqual([
    ['Other', true],
    ['More', true],
    ['Again', false],
  ])
  expect(facilitatorView(session.state).rooms.map(room => room.name)).toEqual(['Again'])
  const intoClosed = { type: 'place', participantId: 'ana', roomId: other?.id ?? '' } as const
  expect(session.tell(80_001, facilitator, intoClosed)).toBe('no-such-room')
  sendOut(session, 80_002)
  expect(mayWorkOn(session.state, 'ana', other?.copyId ?? '')).toBe(false)
  expect(mayWorkOn(session.state, 'ana', session.state.rooms[2]?.copyId ?? '')).toBe(true)
})

test('who has left or still waits is left out, who stands in two is in the first, an empty group is no room', () => {
  const session = bare('ana', 'bo', 'chi')
  session.tell(2, facilitator, { type: 'set-waiting-list', on: true })
  session.tell(2, door, { type: 'join', participantId: 'wim', personId: null, shownName: 'wim' })
  session.tell(3, facilitator, { type: 'release', participantId: 'chi' })
  make(session, 4, { One: ['ana', 'wim', 'nobody'], Two: ['ana', 'bo', 'bo'], Three: ['chi'] })
  const members = session.state.rooms.map(({ id, name }) => [
    name,
    [...session.state.participants.values()].flatMap(each => (each.roomId === id ? [each.id] : [])),
  ])
  expect(members).toEqual([
    ['One', ['ana']],
    ['Two', ['bo']],
  ])
  expect(make(session, 5, { One: ['chi'] })).toBe('nobody-to-group')
})

test.each<[Record<string, string[]>, string]>([
  [{ One: ['ana'], ' one ': ['bo'] }, 'same-room-name'],
  [{ ' ': ['ana'] }, 'text-empty'],
  [{ ['x'.repeat(61)]: ['ana'] }, 'text-too-long'],
])('%j is refused', (groups, code) => {
  const session = bare('ana', 'bo')
  expect(make(session, 2, groups)).toBe(code)
  expect(session.state.rooms).toEqual([])
})

test('rooms of a plan are there no more for who comes later', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  make(session, 2, { Pair: ['ana', 'bo'] })
  session.join(3, 'chi')
  expect(session.state.participants.get('chi')?.roomId).toBeNull()
  expect(session.state.rooms.map(room => room.name)).toEqual(['Pair'])
})

test('a participant learns of no room but their own, and makes none', () => {
  const session = bare('ana', 'bo')
  make(session, 2, { Mine: ['ana'], Secret: ['bo'] })
  sendOut(session, 3)
  expect(JSON.stringify(participantView(session.state, 'ana'))).not.toContain('Secret')
  expect(session.tell(4, participant('ana'), { type: 'make-rooms', groups: [], ids: [] })).toBe('not-allowed')
})

test('whatever is made, nobody is in two rooms, in one that is closed, or in one that is not shown', () => {
  const people = ['ana', 'bo', 'chi', 'dov', 'eva']
  const act = fc.oneof(
    fc
      .array(fc.subarray(people), { minLength: 1, maxLength: 4 })
      .map(groups => (session: Rehearsed, at: number) => {
        make(session, at, Object.fromEntries(groups.map((ids, number) => [`G${number}`, ids])))
      }),
    fc.constant((session: Rehearsed, at: number) => void sendOut(session, at)),
    fc.constant(callBack),
    fc
      .tuple(fc.constantFrom(...people), fc.nat(5))
      .map(([participantId, index]) => (session: Rehearsed, at: number) => {
        const roomId = session.state.rooms[index]?.id ?? null
        session.tell(at, facilitator, { type: 'place', participantId, roomId })
      }),
    fc.constantFrom(...people).map(participantId => (session: Rehearsed, at: number) => {
      session.tell(at, facilitator, { type: 'release', participantId })
    }),
  )
  fc.assert(
    fc.property(fc.array(act, { maxLength: 25 }), acts => {
      const session = bare(...people)
      for (const [index, each] of acts.entries()) {
        each(session, (index + 2) * 100_000)
        const { state } = session
        const shown = new Set(facilitatorView(state).rooms.map(room => room.id))
        expect(new Set(state.rooms.map(room => room.id)).size).toBe(state.rooms.length)
        for (const person of [...state.participants.values()].filter(one => !one.released)) {
          expect(person.roomId === null || shown.has(person.roomId)).toBe(true)
          const boards = state.rooms.filter(room => mayWorkOn(state, person.id, room.copyId))
          expect(boards.map(room => room.id)).toEqual(person.inRoom ? [person.roomId] : [])
        }
      }
    }),
  )
})

test('the last arrangement is taken back until people are out in it, and who has come since has no room', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  const undo = (at: number) => session.tell(at, facilitator, { type: 'undo-rooms' })
  const belongs = () =>
    Object.fromEntries([...session.state.participants.values()].map(p => [p.id, p.roomId]))
  expect(undo(2)).toBe('nothing-to-undo')
  const before = session.state
  make(session, 3, { One: ['ana', 'bo'] })
  make(session, 4, { Other: ['ana'], More: ['bo'] })
  expect(facilitatorView(session.state).roomsMadeAt).toBe(4)
  // Asked for by somebody who has not seen these, but those before them.
  expect(session.tell(5, facilitator, { type: 'undo-rooms', madeAt: 3 })).toBe('other-rooms-made')
  session.join(5, 'chi')
  // Back to the one before, once: what it took the place of is not known any more.
  expect(undo(6)).toEqual(['rooms-undone'])
  expect(facilitatorView(session.state).rooms.map(room => room.name)).toEqual(['One'])
  expect(new Set(Object.values(belongs()))).toEqual(new Set([session.state.rooms[0]?.id, null]))
  expect(undo(7)).toBe('nothing-to-undo')

  const planned = new Rehearsed()
  planned.join(1, 'ana', 'bo')
  make(planned, 3, { One: ['ana', 'bo'] })
  planned.tell(4, facilitator, { type: 'undo-rooms' })
  const { rooms, expected, participants } = planned.state
  expect({ rooms, expected, participants }).toEqual({
    rooms: before.rooms,
    expected: before.expected,
    participants: before.participants,
  })
  make(planned, 5, { One: ['ana', 'bo'] })
  sendOut(planned, 6)
  expect(planned.tell(7, facilitator, { type: 'undo-rooms' })).toBe('nothing-to-undo')
})
