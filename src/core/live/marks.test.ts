import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { allMarks } from './marks'

const marksAfter = (session: Rehearsed, from: number) =>
  allMarks(session.log)
    .filter(mark => mark.at >= from)
    .map(mark => [mark.kind, mark.roomId, mark.what])

test('who is sent out came in, each into their own room; who has none came into none', () => {
  const session = new Rehearsed({
    people: [
      { personId: 'p-ana', shownName: 'Ana', roomId: 'reeds' },
      { personId: 'p-bo', shownName: 'Bo', roomId: null },
      { personId: 'p-chi', shownName: 'Chi', roomId: 'birds' },
    ],
  })
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  expect(marksAfter(session, 2)).toEqual([
    ['joined', 'reeds', 'Ana'],
    ['joined', 'birds', 'Chi'],
  ])
})

test('who is moved left one room and came into the other; given a room before going out, they came into none', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.tell(2, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })
  expect(marksAfter(session, 2)).toEqual([])
  session.sendOut(3)
  session.tell(4, facilitator, { type: 'place', participantId: 'ana', roomId: 'reeds' })
  expect(marksAfter(session, 4)).toEqual([
    ['left', 'birds', 'Ana'],
    ['joined', 'reeds', 'Ana'],
  ])
  session.tell(5, facilitator, { type: 'place', participantId: 'ana', roomId: null })
  expect(marksAfter(session, 5)).toEqual([['left', 'reeds', 'Ana']])
  session.tell(6, facilitator, { type: 'place', participantId: 'ana', roomId: 'reeds' })
  expect(marksAfter(session, 6)).toEqual([['joined', 'reeds', 'Ana']])
})
