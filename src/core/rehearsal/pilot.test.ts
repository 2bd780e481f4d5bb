import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Command } from '../live/topics'
import { facilitatorView } from '../live/views'
import { newSegment } from '../schedule/running-order'
import { pilotMoves } from './pilot'

const MINUTE = 60_000
const { boardId: _, ...usual } = newSegment('notes', 'rooms')
const rooms = [
  { id: 'reeds', name: 'Reeds', copyId: 'copy-reeds', personIds: ['p-ana', 'p-bo'] },
  { id: 'birds', name: 'Birds', copyId: 'copy-birds', personIds: ['p-chi'] },
]
const welcome = {
  ...usual,
  id: 'welcome',
  kind: 'whole' as const,
  minutes: 8,
  groups: { from: 'live' as const },
  board: 0,
}
const round = { ...usual, minutes: 10, groups: { from: 'plan' as const, rooms }, board: 0 }

const moves = (session: Rehearsed, at: number, short = false) =>
  pilotMoves(facilitatorView(session.state), 'marit', { short }, at)

test('whoever waits is let in', () => {
  const session = new Rehearsed({ waitingList: true })
  session.join(1, 'ana', 'bo')
  expect(moves(session, 2)).toEqual([{ type: 'let-in', participantIds: ['ana', 'bo'] }])
})

test('what is for the whole group lasts as planned, or a minute where that is asked, once there was time to come; then the round begins', () => {
  const session = new Rehearsed({ segments: [welcome, round] })
  session.join(1, 'ana', 'bo', 'chi')
  expect(moves(session, 7 * MINUTE)).toEqual([])
  expect(moves(session, 8 * MINUTE)).toEqual([{ type: 'next-segment', segmentId: 'notes' }])
  expect(moves(session, MINUTE, true)).toEqual([])
  expect(moves(session, 1.5 * MINUTE, true)).toEqual([{ type: 'next-segment', segmentId: 'notes' }])
})

test('a room that calls is visited after a while, for a minute, and who has no room is put into the smallest', () => {
  const session = new Rehearsed({ segments: [round] })
  session.join(1, 'ana', 'bo', 'chi')
  expect(moves(session, MINUTE)).toEqual([])
  session.tell(2 * MINUTE, facilitator, { type: 'next-segment', segmentId: 'notes' })
  session.tell(3 * MINUTE, participant('ana'), { type: 'call-help', helpId: 'h' })
  expect(moves(session, 3 * MINUTE + 1_000)).toEqual([])
  expect(moves(session, 4 * MINUTE)).toEqual([{ type: 'visit', roomId: 'reeds' }])
  session.tell(4 * MINUTE, facilitator, { type: 'visit', roomId: 'reeds' })
  expect(moves(session, 4 * MINUTE + 30_000)).toEqual([])
  expect(moves(session, 5 * MINUTE)).toEqual([{ type: 'leave-room' }])
  session.tell(5 * MINUTE, facilitator, { type: 'leave-room' })
  session.tell(5 * MINUTE, facilitator, { type: 'set-late', rule: 'ask' })
  session.tell(5 * MINUTE, door, { type: 'join', participantId: 'guest', personId: null, shownName: 'Guest' })
  session.tell(5 * MINUTE, door, { type: 'connect', participantId: 'guest' })
  expect(moves(session, 5 * MINUTE)).toEqual([
    { type: 'place-people', placements: [{ participantId: 'guest', roomId: 'birds' }] },
  ])
})

test('who comes late is put into their room, unless people go there by themselves', () => {
  const session = new Rehearsed({ segments: [round] })
  session.join(1, 'ana', 'chi')
  session.tell(1, facilitator, { type: 'set-late', rule: 'ask' })
  session.tell(2 * MINUTE, facilitator, { type: 'next-segment', segmentId: 'notes' })
  session.join(3 * MINUTE, 'bo')
  expect(moves(session, 3 * MINUTE)).toEqual([
    { type: 'place-people', placements: [{ participantId: 'bo', roomId: 'reeds' }] },
  ])
  session.tell(4 * MINUTE, facilitator, { type: 'set-terms', invited: true })
  expect(moves(session, 4 * MINUTE)).toEqual([])
})

test('without rooms it makes some of who is here; when all is over it ends the session, and then does nothing more', () => {
  const session = new Rehearsed({ rooms: [], segments: [{ ...round, groups: { from: 'live' } }] })
  session.join(1, 'ana', 'bo', 'chi')
  const [made] = moves(session, 2 * MINUTE)
  expect(made).toMatchObject({ type: 'make-rooms', groups: [{ name: 'Room 1' }] })
  session.tell(2 * MINUTE, facilitator, { ...made, ids: ['r1', 'c1', 'r2', 'c2'] } as Command)
  expect(moves(session, 2 * MINUTE)).toEqual([{ type: 'next-segment', segmentId: 'notes' }])
  session.tell(2 * MINUTE, facilitator, { type: 'next-segment', segmentId: 'notes' })
  session.tell(12 * MINUTE, clock, { type: 'call-back' })
  session.tell(13 * MINUTE, clock, { type: 'finish-grace' })
  expect(moves(session, 13 * MINUTE)).toEqual([{ type: 'end' }])
  session.tell(13 * MINUTE, facilitator, { type: 'end' })
  expect(moves(session, 14 * MINUTE)).toEqual([])
})

test('a session of one round, without an order, is sent out and ended; nobody here, and nothing is made', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  expect(moves(session, 2 * MINUTE)).toEqual([{ type: 'send-out', seconds: 600 }])
  const empty = new Rehearsed({ rooms: [] })
  expect(moves(empty, 2 * MINUTE)).toEqual([])
})

test('what is planned to be asked is asked in its segment, one question after the other', () => {
  const ready = [
    { text: 'Which comes first?', asks: { is: 'choice' as const, answers: ['Reeds', 'Birds'] } },
    { text: 'How sure?', asks: { is: 'scale' as const, steps: 5, least: '', most: '' } },
  ]
  const session = new Rehearsed({ segments: [{ ...welcome, questions: ready }, round] })
  session.join(1, 'ana', 'bo', 'chi')
  // At first people are still coming; in any segment there is a moment before the first question.
  expect(moves(session, MINUTE)).toEqual([])
  const [first] = moves(session, 2 * MINUTE)
  expect(first).toEqual({
    type: 'ask-question',
    text: 'Which comes first?',
    answers: ['Reeds', 'Birds'],
    seconds: 60,
    over: null,
  })
  session.tell(2 * MINUTE, facilitator, { ...first, questionId: 'q' } as Command)
  expect(moves(session, 2.5 * MINUTE)).toEqual([])
  session.tell(3 * MINUTE, clock, { type: 'close-question', questionId: 'q' })
  expect(moves(session, 3 * MINUTE)).toMatchObject([{ text: 'How sure?', asks: ready[1]?.asks, answers: [] }])
})

test('in the whole group after a round its rooms report, each in its time; then, or when the segment is over, that ends', () => {
  const talk = { ...welcome, id: 'talk', minutes: 5 }
  const session = new Rehearsed({ segments: [round, talk, { ...round, id: 'more' }] })
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(2 * MINUTE, facilitator, { type: 'next-segment', segmentId: 'notes' })
  session.tell(12 * MINUTE, clock, { type: 'call-back' })
  session.tell(13 * MINUTE, clock, { type: 'finish-grace' })
  const [begin] = moves(session, 13 * MINUTE)
  expect(begin).toEqual({
    type: 'begin-report',
    secondsEach: 60,
    onPages: true,
    rooms: [
      { roomId: 'reeds', reporterId: 'ana' },
      { roomId: 'birds', reporterId: 'chi' },
    ],
  })
  // With too little time left for each it is not begun at all.
  expect(moves(session, 17.1 * MINUTE)).toEqual([])
  session.tell(13 * MINUTE, facilitator, begin as Command)
  const goesOn = (at: number, expected: object) => {
    expect(moves(session, at)).toEqual([expected])
    session.tell(at, facilitator, expected as Command)
    expect(moves(session, at + 1_000)).toEqual([])
  }
  goesOn(13 * MINUTE, { type: 'next-room', afterId: null })
  goesOn(14 * MINUTE, { type: 'next-room', afterId: 'reeds' })
  expect(moves(session, 15 * MINUTE)).toEqual([{ type: 'next-room', afterId: 'birds' }])
  expect(moves(session, 18 * MINUTE)).toMatchObject([{ type: 'end-report' }, { type: 'next-segment' }])
  session.tell(15 * MINUTE, facilitator, { type: 'next-room', afterId: 'birds' })
  goesOn(15 * MINUTE, { type: 'end-report' })
  // Whoever was heard is not asked again for the same.
  expect(session.state.pastReports).toMatchObject([
    { rooms: [{ heardAt: 14 * MINUTE }, { heardAt: 15 * MINUTE }] },
  ])
  expect(moves(session, 16 * MINUTE)).toEqual([])
})
