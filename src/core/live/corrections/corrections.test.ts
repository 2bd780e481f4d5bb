import { facilitator, participant, plan, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Board } from '../../boards/board'
import { participantView } from '../views'

const corrected: Board = { ...plan.board, title: 'Notes, corrected' }
const titles = ({ state }: Rehearsed) => ['ana', 'chi'].map(id => participantView(state, id)?.board?.title)

function out() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}
const correct = (session: Rehearsed, roomId: string | null, place = 0, board = corrected) =>
  session.tell(3, facilitator, { type: 'correct-board', place, board, roomId })

test('a correction reaches all rooms with the board, and names their copies', () => {
  const session = out()
  expect(correct(session, null)).toEqual(['board-corrected'])
  expect(session.log.at(-1)?.event).toMatchObject({ roomIds: null, copyIds: ['copy-reeds', 'copy-birds'] })
  expect(titles(session)).toEqual(['Notes, corrected', 'Notes, corrected'])
  expect(session.state.boards).toHaveLength(1)
})

test('for one room only it is that room’s alone, and can be corrected again there', () => {
  const session = out()
  expect(correct(session, 'birds')).toEqual(['board-corrected'])
  expect(session.log.at(-1)?.event).toMatchObject({ roomIds: ['birds'], copyIds: ['copy-birds'] })
  expect(titles(session)).toEqual(['Notes', 'Notes, corrected'])
  expect(correct(session, 'birds')).toBe('no-such-board')
  correct(session, 'birds', 1, { ...corrected, title: 'Once more' })
  expect(titles(session)).toEqual(['Notes', 'Once more'])
  expect(session.state.boards).toHaveLength(2)
  correct(session, null, 1, { ...corrected, title: 'Again' })
  expect(titles(session)).toEqual(['Notes', 'Again'])
  correct(session, null, 0, { ...corrected, title: 'The others' })
  expect(titles(session)).toEqual(['The others', 'Again'])
})

test('there is no correcting what is not there, and nobody else corrects', () => {
  const session = out()
  expect(correct(session, null, 7)).toBe('no-such-board')
  expect(correct(session, 'nowhere')).toBe('no-such-board')
  const asked = { type: 'correct-board', place: 0, board: corrected, roomId: null } as const
  expect(session.tell(3, participant('ana'), asked)).toBe('not-allowed')
  expect(titles(session)).toEqual(['Notes', 'Notes'])
})

test('rooms that are made afterwards get the corrected board', () => {
  const session = new Rehearsed()
  correct(session, null)
  session.tell(4, facilitator, { type: 'add-room', name: 'New', ids: ['new', 'copy-new'] })
  session.join(5, 'ana')
  session.tell(6, facilitator, { type: 'place', participantId: 'ana', roomId: 'new' })
  session.sendOut(7)
  expect(participantView(session.state, 'ana')?.board?.title).toBe('Notes, corrected')
})

const given: Board = { ...plan.board, title: 'Exercise' }
const give = (session: Rehearsed, roomId: string | null) =>
  session.tell(3, facilitator, { type: 'give-board', board: given, roomId })

test('before anybody is in it a room gets another board for itself; after that its board stays', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  expect(give(session, 'birds')).toEqual(['board-corrected'])
  expect(session.log.at(-1)?.event).toMatchObject({ roomIds: ['birds'], copyIds: ['copy-birds'] })
  session.sendOut(4)
  expect(titles(session)).toEqual(['Notes', 'Exercise'])
  expect(give(session, 'reeds')).toBe('board-in-use')
  expect(give(session, null)).toBe('board-in-use')
  expect(give(session, 'nowhere')).toBe('no-such-board')
  const asked = { type: 'give-board', board: given, roomId: null } as const
  expect(session.tell(3, participant('ana'), asked)).toBe('not-allowed')
})

test('to rooms that are still to come alone, also when people have been in others; what is corrected later reaches the right one', () => {
  const session = out()
  const toCome = { type: 'give-board', board: given, roomId: null, toCome: true } as const
  expect(session.tell(3, participant('ana'), toCome)).toBe('not-allowed')
  expect(session.tell(3, facilitator, toCome)).toEqual(['board-to-come'])
  session.tell(4, facilitator, { type: 'add-room', name: 'New', ids: ['new', 'copy-new'] })
  session.tell(5, facilitator, { type: 'place', participantId: 'ana', roomId: 'new' })
  expect(titles(session)).toEqual(['Exercise', 'Notes'])
  correct(session, null, 1, { ...given, title: 'Exercise, corrected' })
  expect(titles(session)).toEqual(['Exercise, corrected', 'Notes'])
  for (let more = 2; more < 200; more++)
    expect(session.tell(6, facilitator, toCome)).toEqual(['board-to-come'])
  expect(session.tell(7, facilitator, toCome)).toBe('too-many-boards')
})

test('to all rooms there are and will be, as long as nobody has been in one', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  expect(give(session, null)).toEqual(['board-corrected'])
  session.tell(4, facilitator, { type: 'add-room', name: 'New', ids: ['new', 'copy-new'] })
  session.tell(5, facilitator, { type: 'place', participantId: 'bo', roomId: 'new' })
  session.sendOut(6)
  expect(titles(session)).toEqual(['Exercise', 'Exercise'])
  expect(participantView(session.state, 'bo')?.board?.title).toBe('Exercise')
})
