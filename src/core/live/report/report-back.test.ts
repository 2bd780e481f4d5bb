import { clock, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Board } from '../../boards/board'
import { marksOf } from '../marks'
import type { Recorded } from '../topics'
import { facilitatorView, participantView, projectorView } from '../views'
import { MOST_REPORTS } from './report'

const board: Board = {
  title: 'Birds',
  steps: [],
  prompts: [{ id: 'c', kind: 'cards', text: 'What did you hear?', settings: {} }],
  parts: [],
}

/** Ana and Bo were in Reeds, Chi in Birds; all are back. */
function back(withBoard = true) {
  const session = new Rehearsed(withBoard ? { board } : { board: { ...board, prompts: [] } })
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  session.tell(3, facilitator, { type: 'call-back' })
  return session
}
const begin = (session: Rehearsed, onPages = false) =>
  session.tell(4, facilitator, {
    type: 'begin-report',
    secondsEach: 60,
    onPages,
    rooms: [
      { roomId: 'birds', reporterId: 'chi' },
      { roomId: 'reeds', reporterId: 'bo' },
    ],
  })
const next = (
  session: Rehearsed,
  at = 5_000,
  afterId: string | null = session.state.report?.now?.roomId ?? null,
) => session.tell(at, facilitator, { type: 'next-room', afterId })
const take = (session: Rehearsed, roomId: string, text: string, was = '') =>
  session.tell(6, facilitator, { type: 'take-points', roomId, text, was })
const turnOf = ({ state }: Rehearsed, id: string) => {
  const { turn, iReport } = participantView(state, id)?.reporting ?? {}
  return [turn, iReport]
}

test('rooms are called one after the other, each with its board put up and its time; the one before is ticked off', () => {
  const session = back()
  expect(begin(session)).toEqual(['report-begun'])
  expect(begin(session)).toEqual([])
  expect(projectorView(session.state)?.reporting).toBeNull()
  expect(next(session)).toEqual(['put-up', 'room-called'])
  expect(projectorView(session.state)).toMatchObject({
    reporting: { room: 'Birds', reporter: 'Chi', endsAt: 65_000, next: 'Reeds' },
    putUp: { is: 'work', roomId: 'birds', promptId: null, onPages: false },
  })
  expect([turnOf(session, 'chi'), turnOf(session, 'ana'), turnOf(session, 'bo')]).toEqual([
    ['now', true],
    ['next', false],
    ['next', true],
  ])
  expect(next(session, 70_000)).toEqual(['room-heard', 'put-up', 'room-called'])
  expect(projectorView(session.state)?.reporting).toMatchObject({ room: 'Reeds', next: null })
  expect(turnOf(session, 'chi')).toEqual(['heard', true])
  // The last was heard: its board is taken down, and there is nobody to call.
  expect(next(session, 80_000)).toEqual(['room-heard', 'taken-down', 'room-called'])
  expect(projectorView(session.state)).toMatchObject({ reporting: null, putUp: null })
  expect(next(session)).toBe('nobody-to-hear')
  expect(facilitatorView(session.state).report.heard).toEqual({
    people: { chi: 1, bo: 1 },
    rooms: { birds: 1, reeds: 1 },
  })
})

test('any room can be called out of turn; who was ticked off by mistake is called again', () => {
  const session = back()
  begin(session)
  session.tell(5, facilitator, { type: 'call-room', roomId: 'reeds' })
  expect(session.tell(5, facilitator, { type: 'call-room', roomId: 'reeds' })).toEqual([])
  expect(projectorView(session.state)?.reporting).toMatchObject({ room: 'Reeds', next: 'Birds' })
  next(session)
  next(session)
  session.tell(7, facilitator, { type: 'hear-room', roomId: 'reeds', heard: false })
  expect(session.tell(7, facilitator, { type: 'hear-room', roomId: 'reeds', heard: false })).toEqual([])
  expect(facilitatorView(session.state).report.heard.people).toEqual({ chi: 1 })
  expect(next(session)).toEqual(['put-up', 'room-called'])
})

test('another reports than was thought; points are taken down, and stay when it is over', () => {
  const session = back()
  begin(session)
  session.tell(5, facilitator, { type: 'set-reporter', roomId: 'reeds', participantId: 'ana' })
  take(session, 'reeds', 'Two herons.')
  expect(take(session, 'reeds', 'Two herons.')).toEqual([])
  expect(session.tell(6, facilitator, { type: 'end-report' })).toEqual(['report-ended'])
  expect(session.tell(6, facilitator, { type: 'end-report' })).toEqual([])
  expect(session.state.pastReports).toMatchObject([
    { rooms: [{ roomId: 'birds' }, { roomId: 'reeds', reporterId: 'ana', points: 'Two herons.' }] },
  ])
  expect(begin(session)).toEqual(['report-begun'])
})

test('of two who call the next at the same moment one is too late: no room is passed over', () => {
  const session = back()
  begin(session)
  expect(next(session, 5_000, null)).toEqual(['put-up', 'room-called'])
  expect(next(session, 5_100, null)).toEqual([])
  expect(next(session, 9_000, 'birds')).toEqual(['room-heard', 'put-up', 'room-called'])
  expect(next(session, 9_100, 'birds')).toEqual([])
  expect(projectorView(session.state)?.reporting).toMatchObject({ room: 'Reeds' })
})

test('two take down points of one room at once, also after it is all over: none of them are lost', () => {
  const session = back()
  begin(session)
  next(session)
  expect(take(session, 'birds', 'Two herons.')).toEqual(['points-taken'])
  expect(take(session, 'birds', 'A sluice.')).toEqual(['points-taken'])
  // A field that was only looked into changes nothing.
  expect(take(session, 'birds', '')).toEqual([])
  session.tell(7, facilitator, { type: 'end-report' })
  expect(take(session, 'birds', 'Two herons.\nA sluice.\nMud.', 'Two herons.\nA sluice.')).toEqual([
    'points-taken',
  ])
  expect(take(session, 'nowhere', 'Mud.')).toBe('no-report')
  session.tell(8, facilitator, { type: 'end' })
  expect(take(session, 'reeds', 'Nothing.')).toEqual(['points-taken'])
  expect(session.state.pastReports[0]?.rooms.map(({ points }) => points)).toEqual([
    'Two herons.\nA sluice.\nMud.',
    'Nothing.',
  ])
})

test('what was taken down is on no page but the facilitators’', () => {
  const session = back()
  begin(session)
  next(session)
  take(session, 'birds', 'Muddled, but right.')
  for (const view of [
    projectorView(session.state),
    ...['ana', 'chi'].map(id => participantView(session.state, id)),
  ])
    expect(JSON.stringify(view)).not.toContain('Muddled')
  expect(JSON.stringify(facilitatorView(session.state))).toContain('Muddled')
})

test('a room without a board is called without one, and something else that is up stays up', () => {
  const session = back(false)
  begin(session)
  session.tell(4, facilitator, { type: 'put-up-thing', thing: { is: 'clock' }, onPages: false })
  expect(next(session)).toEqual(['room-called'])
  expect(projectorView(session.state)?.putUp).toMatchObject({ is: 'clock' })
  session.tell(6, facilitator, { type: 'end-report' })
  expect(projectorView(session.state)?.putUp).toMatchObject({ is: 'clock' })
})

test('rooms and people that are not there, points that are too long, one report too many, and whoever is no facilitator are refused', () => {
  const session = back()
  const asked = { type: 'begin-report' as const, secondsEach: 60, onPages: false }
  const told = (rooms: { roomId: string; reporterId: string | null }[]) =>
    session.tell(4, facilitator, { ...asked, rooms })
  expect(told([{ roomId: 'nowhere', reporterId: null }])).toBe('no-such-room')
  expect(told([{ roomId: 'reeds', reporterId: 'nobody' }])).toBe('no-such-participant')
  expect(next(session)).toBe('no-report')
  expect(session.tell(4, facilitator, { type: 'call-room', roomId: 'reeds' })).toBe('no-report')
  begin(session)
  expect(take(session, 'reeds', 'x'.repeat(2_001))).toBe('points-too-long')
  expect(session.tell(4, facilitator, { type: 'set-reporter', roomId: 'reeds', participantId: 'x' })).toBe(
    'no-such-participant',
  )
  expect(session.tell(4, participant('ana'), { type: 'next-room', afterId: null })).toBe('not-allowed')
  for (let number = 0; number < MOST_REPORTS; number++) {
    session.tell(5, facilitator, { type: 'end-report' })
    if (number < MOST_REPORTS - 1) begin(session)
  }
  expect(begin(session)).toBe('too-many-reports')
})

test('when the rooms of the next round stand ready, those of the last are heard, by who was in them', () => {
  const session = back()
  session.tell(4, clock, { type: 'finish-grace' })
  session.tell(5, facilitator, {
    type: 'make-rooms',
    groups: [{ name: 'Team', participantIds: ['ana', 'bo', 'chi'] }],
    ids: ['team', 'copy-team'],
  })
  expect(session.state.rooms.filter(room => !room.closed).map(({ name }) => name)).toEqual(['Team'])
  expect(facilitatorView(session.state).report.rooms).toEqual([
    { id: 'reeds', name: 'Reeds', peopleIds: ['ana', 'bo'] },
    { id: 'birds', name: 'Birds', peopleIds: ['chi'] },
  ])
  expect(begin(session)).toEqual(['report-begun'])
  expect(next(session)).toEqual(['put-up', 'room-called'])
  expect(turnOf(session, 'chi')).toEqual(['now', true])
  expect(turnOf(session, 'ana')).toEqual(['next', false])
})

test('the end of the session ends it, with what was heard; lanes show when each room reported', () => {
  const session = back()
  begin(session)
  const before = session.state
  next(session, 7_000)
  const called = session.log.at(-1) as Recorded
  expect(marksOf(before, called)).toEqual([{ at: 7_000, roomId: 'birds', kind: 'reports', what: 'Chi' }])
  session.tell(8_000, facilitator, { type: 'end' })
  expect(session.state).toMatchObject({ report: null, pastReports: [{ now: null }] })
})
