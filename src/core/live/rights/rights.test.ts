import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { allMarks } from '../marks'
import { facilitatorView, participantView, projectorView } from '../views'
import { mayWriteOn } from './writers'

/** Ana and Bo are in one room, Chi in another, out in a round. */
function atWork() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const copyOf = (roomId: string) => session.state.rooms.find(({ id }) => id === roomId)?.copyId ?? ''
  const writers = () =>
    ['ana', 'bo', 'chi'].filter(id => mayWriteOn(session.state, id, copyOf(id === 'chi' ? 'birds' : 'reeds')))
  const told = (id: string) => participantView(session.state, id)?.writing
  return { session, writers, told }
}

test('everybody writes in their own room and in no other, and nobody is told of rights', () => {
  const { session, writers, told } = atWork()
  expect(writers()).toEqual(['ana', 'bo', 'chi'])
  const birds = session.state.rooms.find(({ id }) => id === 'birds')?.copyId ?? ''
  expect(mayWriteOn(session.state, 'ana', birds)).toBe(false)
  expect(told('ana')).toBeNull()
})

test('by role: the one who has it writes, in rooms where somebody has; in one room another rule may hold, until it is as in the others', () => {
  const { session, writers, told } = atWork()
  session.tell(3, facilitator, { type: 'set-writing', who: 'scribe', roomId: null })
  expect(writers()).toEqual(['ana', 'bo', 'chi'])
  session.tell(4, facilitator, { type: 'give-role', participantId: 'bo', role: 'scribe' })
  expect(writers()).toEqual(['bo', 'chi'])
  expect(told('ana')).toEqual({
    who: 'scribe',
    by: { id: 'bo', shownName: 'Bo' },
    mayWrite: false,
    muted: false,
    mayPass: false,
  })
  expect(told('bo')).toMatchObject({ mayWrite: true })
  session.tell(5, facilitator, { type: 'set-writing', who: 'all', roomId: 'reeds' })
  expect(writers()).toEqual(['ana', 'bo', 'chi'])
  expect(session.tell(6, facilitator, { type: 'set-writing', who: 'all', roomId: 'reeds' })).toEqual([])
  session.tell(7, facilitator, { type: 'set-writing', who: null, roomId: 'reeds' })
  expect(writers()).toEqual(['bo', 'chi'])
  expect(session.tell(8, facilitator, { type: 'set-writing', who: 'lead', roomId: 'none' })).toBe(
    'no-such-room',
  )
  // The role moves on, and the right with it.
  session.tell(9, facilitator, { type: 'give-role', participantId: 'ana', role: 'scribe' })
  expect(writers()).toEqual(['ana', 'chi'])
})

test('where all read along nobody writes but a facilitator who has joined in; in another room people write as before', () => {
  const { session, writers, told } = atWork()
  const copyOf = (roomId: string) => session.state.rooms.find(({ id }) => id === roomId)?.copyId ?? ''
  session.tell(3, facilitator, { type: 'set-writing', who: 'nobody', roomId: 'reeds' })
  expect(writers()).toEqual(['chi'])
  expect(told('ana')).toEqual({ who: 'nobody', by: null, mayWrite: false, muted: false, mayPass: false })
  expect(session.tell(4, participant('ana'), { type: 'pass-pen', toId: 'ana' })).toBe('no-turns')
  expect(session.tell(4, facilitator, { type: 'give-pen', participantId: 'ana' })).toBe('no-turns')
  session.tell(5, facilitator, { type: 'visit', roomId: 'reeds' })
  expect(mayWriteOn(session.state, 'marit', copyOf('reeds'))).toBe(false)
  session.tell(6, facilitator, { type: 'join-in', joins: true })
  expect(mayWriteOn(session.state, 'marit', copyOf('reeds'))).toBe(true)
  session.tell(7, facilitator, { type: 'set-writing', who: null, roomId: 'reeds' })
  expect(writers()).toEqual(['ana', 'bo', 'chi'])
})

test('in turns: who came first has the pen, passes it on, and nobody else can; whoever is gone with it leaves it to be taken up', () => {
  const { session, writers, told } = atWork()
  session.tell(3, facilitator, { type: 'set-writing', who: 'turn', roomId: 'reeds' })
  expect(writers()).toEqual(['ana', 'chi'])
  expect(told('ana')).toMatchObject({ mayWrite: true, mayPass: true })
  expect(session.tell(4, participant('bo'), { type: 'pass-pen', toId: 'bo' })).toBe('not-your-turn')
  expect(session.tell(4, participant('ana'), { type: 'pass-pen', toId: 'chi' })).toBe('cannot-write')
  expect(session.tell(4, participant('chi'), { type: 'pass-pen', toId: 'chi' })).toBe('no-turns')
  session.tell(5, participant('ana'), { type: 'pass-pen', toId: 'bo' })
  expect(writers()).toEqual(['bo', 'chi'])
  session.tell(6, door, { type: 'disconnect', participantId: 'bo' })
  expect(told('ana')).toMatchObject({ mayWrite: false, mayPass: true })
  session.tell(7, participant('ana'), { type: 'pass-pen', toId: 'ana' })
  session.tell(8, door, { type: 'connect', participantId: 'bo' })
  expect(writers()).toEqual(['ana', 'chi'])
  expect(session.tell(9, facilitator, { type: 'give-pen', participantId: 'bo' })).toEqual(['pen-passed'])
  expect(writers()).toEqual(['bo', 'chi'])
  // Taken out of the room, the pen is with who is still there.
  session.tell(10, facilitator, { type: 'place', participantId: 'bo', roomId: 'birds' })
  expect(writers()).toContain('ana')
  expect(session.tell(11, facilitator, { type: 'give-pen', participantId: 'nobody' })).toBe(
    'no-such-participant',
  )
})

test('whoever is muted writes nowhere, is told so, has no pen, and writes again afterwards; the others read nothing of it', () => {
  const { session, writers, told } = atWork()
  session.tell(3, facilitator, { type: 'mute', participantId: 'ana', muted: true })
  expect(writers()).toEqual(['bo', 'chi'])
  expect(told('ana')).toEqual({ who: 'all', by: null, mayWrite: false, muted: true, mayPass: false })
  expect(told('bo')).toBeNull()
  session.tell(4, facilitator, { type: 'set-writing', who: 'turn', roomId: 'reeds' })
  expect(writers()).toEqual(['bo', 'chi'])
  expect(session.tell(5, participant('bo'), { type: 'pass-pen', toId: 'ana' })).toBe('cannot-write')
  expect(session.tell(6, facilitator, { type: 'mute', participantId: 'ana', muted: true })).toEqual([])
  session.tell(7, facilitator, { type: 'mute', participantId: 'ana', muted: false })
  session.tell(8, participant('bo'), { type: 'pass-pen', toId: 'ana' })
  expect(writers()).toEqual(['ana', 'chi'])
})

test('nobody waits for somebody without a device', () => {
  const { session, writers } = atWork()
  session.tell(3, facilitator, { type: 'put-in', names: ['Zoë'], ids: ['zoe', 'x1', 'x2'] })
  session.tell(4, facilitator, { type: 'place', participantId: 'zoe', roomId: 'reeds' })
  session.tell(5, facilitator, { type: 'give-role', participantId: 'zoe', role: 'lead' })
  session.tell(6, facilitator, { type: 'set-writing', who: 'lead', roomId: null })
  expect(writers()).toEqual(['ana', 'bo', 'chi'])
})

test('a name that hurts is off every screen in one move, is told to whom it is, kept for facilitators, and given back', () => {
  const { session } = atWork()
  const typed = 'Somebody rude'
  for (const [id, shownName] of [
    ['rude', typed],
    ['guest', 'guest 1'],
  ] as const)
    session.tell(3, door, { type: 'join', participantId: id, personId: null, shownName })
  session.tell(4, facilitator, { type: 'let-in', participantIds: ['rude', 'guest'] })
  session.tell(4, facilitator, { type: 'place', participantId: 'rude', roomId: 'reeds' })
  expect(session.tell(5, facilitator, { type: 'hide-name', participantId: 'ana' })).toBe('name-of-list')
  expect(JSON.stringify(participantView(session.state, 'ana'))).toContain(typed)
  session.tell(6, facilitator, { type: 'hide-name', participantId: 'rude' })
  for (const id of ['ana', 'bo', 'chi', 'rude', 'guest'])
    expect(JSON.stringify(participantView(session.state, id))).not.toContain(typed)
  expect(JSON.stringify(projectorView(session.state))).not.toContain(typed)
  // The first that is nobody's.
  expect(participantView(session.state, 'rude')).toMatchObject({
    me: { shownName: 'Guest 2' },
    nameHidden: true,
  })
  expect(participantView(session.state, 'ana')?.nameHidden).toBe(false)
  expect(facilitatorView(session.state).people.find(({ id }) => id === 'rude')).toMatchObject({
    shownName: 'Guest 2',
    typedName: typed,
  })
  session.tell(7, facilitator, { type: 'show-name', participantId: 'rude' })
  expect(participantView(session.state, 'rude')).toMatchObject({
    me: { shownName: typed },
    nameHidden: false,
  })
  // Off the screens it is still theirs: nobody else comes in by it.
  session.tell(8, facilitator, { type: 'hide-name', participantId: 'rude' })
  expect(
    session.tell(9, door, { type: 'join', participantId: 'other', personId: null, shownName: typed }),
  ).toBe('name-taken')
})

test('whoever turns out to be on the list goes by its name', () => {
  const session = new Rehearsed({ people: [], rooms: [] })
  session.tell(1, door, { type: 'join', participantId: 'v', personId: null, shownName: 'Vera' })
  session.tell(2, facilitator, { type: 'hide-name', participantId: 'v' })
  expect(participantView(session.state, 'v')).toMatchObject({
    me: { shownName: 'Guest 1' },
    nameHidden: true,
  })
  const list = { name: 'Course', people: [{ personId: 'p', shownName: 'Vera', fullName: 'Vera X' }] }
  session.tell(3, facilitator, { type: 'attach-cohort', cohortId: 'c', list })
  expect(participantView(session.state, 'v')).toMatchObject({ me: { shownName: 'Vera' }, nameHidden: false })
  expect(session.tell(4, facilitator, { type: 'hide-name', participantId: 'v' })).toBe('name-of-list')
})

test('who may write leaves marks on the lanes it is about: of all rooms, one, and one person', () => {
  const { session } = atWork()
  session.tell(3, facilitator, { type: 'set-writing', who: 'lead', roomId: 'birds' })
  session.tell(4, facilitator, { type: 'set-writing', who: 'turn', roomId: null })
  session.tell(5, facilitator, { type: 'give-pen', participantId: 'bo' })
  session.tell(6, facilitator, { type: 'mute', participantId: 'ana', muted: true })
  session.tell(7, facilitator, { type: 'mute', participantId: 'ana', muted: false })
  session.tell(8, facilitator, { type: 'set-writing', who: null, roomId: 'birds' })
  const marks = allMarks(session.log).filter(({ kind }) => kind === 'rights')
  expect(marks.map(({ at, roomId, what }) => [at, roomId, what])).toEqual([
    [3, 'birds', 'lead writes'],
    [4, 'reeds', 'write in turns'],
    [5, 'reeds', 'pen to Bo'],
    [6, 'reeds', 'Ana may not write'],
    [7, 'reeds', 'Ana may write again'],
    [8, 'birds', 'write in turns'],
  ])
})

test('a session opens with who writes, and whose pictures are added, as planned', () => {
  const { writing, mayAddPictures } = new Rehearsed({ writing: 'turn', mayAddPictures: false }).state
  expect([writing, mayAddPictures]).toEqual(['turn', false])
  const usual = new Rehearsed().state
  expect([usual.writing, usual.mayAddPictures]).toEqual(['all', true])
})
