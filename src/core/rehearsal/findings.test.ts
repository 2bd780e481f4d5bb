import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { newSegment } from '../schedule/running-order'
import { longestAlone, rehearsalFindings, type Written } from './findings'

const MINUTE = 60_000
const { boardId: _, ...usual } = newSegment('notes', 'rooms')
const reeds = { id: 'reeds', name: 'Reeds', copyId: 'copy-reeds', personIds: ['p-ana', 'p-bo'] }
const rooms = [reeds, { id: 'birds', name: 'Birds', copyId: 'copy-birds', personIds: ['p-chi'] }]
const segment = { ...usual, name: 'Notes', minutes: 10, groups: { from: 'plan' as const, rooms }, board: 0 }

const planned = () => new Rehearsed({ segments: [segment] })
const begin = (session: Rehearsed, at: number) =>
  session.tell(at, facilitator, { type: 'next-segment', segmentId: 'notes' })
/** Called back at this moment, and with the whole group a minute later. */
const back = (session: Rehearsed, at: number) => {
  session.tell(at, facilitator, { type: 'call-back' })
  session.tell(at + MINUTE, clock, { type: 'finish-grace' })
}
const found = (session: Rehearsed, now: number, written: Written[] = []) =>
  rehearsalFindings(session.log, written, now)
const texts = (session: Rehearsed, now: number, written: Written[] = []) =>
  found(session, now, written).map(({ text }) => text)

const both = [
  { copyId: 'copy-reeds', promptId: 'c', at: 3 * MINUTE },
  { copyId: 'copy-birds', promptId: 'c', at: 3 * MINUTE },
]

test('somebody alone in a room, and for how long, with the place in the plan', () => {
  const session = planned()
  session.join(1, 'ana', 'bo', 'chi')
  begin(session, MINUTE)
  back(session, 9 * MINUTE)
  expect(found(session, 10 * MINUTE, both)).toEqual([
    { segment: 0, code: 'alone', text: 'Notes: in Birds somebody was alone for 9 min.' },
  ])
})

test('a room in which nobody was', () => {
  const session = planned()
  session.join(1, 'ana', 'bo')
  begin(session, MINUTE)
  back(session, 9 * MINUTE)
  expect(texts(session, 10 * MINUTE, both)).toEqual(['Notes: nobody was in Birds.'])
})

test('who comes late and is put nowhere is named by how long, and not in the minute to come back', () => {
  const session = planned()
  session.tell(1, facilitator, { type: 'set-late', rule: 'ask' })
  session.join(1, 'ana', 'bo', 'chi')
  begin(session, MINUTE)
  session.tell(4 * MINUTE, door, { type: 'join', participantId: 'guest', personId: null, shownName: 'Guest' })
  session.tell(4 * MINUTE, door, { type: 'connect', participantId: 'guest' })
  back(session, 9 * MINUTE)
  expect(found(session, 10 * MINUTE, both).filter(({ code }) => code === 'no-room')).toEqual([
    {
      segment: 0,
      code: 'no-room',
      text: 'Notes: one person stood without a room, the longest for 5 min. Say where who comes late goes.',
    },
  ])
})

test('calls for help that waited three minutes and more', () => {
  const session = planned()
  session.join(1, 'ana', 'bo', 'chi')
  begin(session, MINUTE)
  session.tell(2 * MINUTE, participant('ana'), { type: 'call-help', helpId: 'h' })
  session.tell(6 * MINUTE, facilitator, { type: 'visit', roomId: 'reeds' })
  session.tell(6 * MINUTE, participant('chi'), { type: 'call-help', helpId: 'i' })
  session.tell(7 * MINUTE, facilitator, { type: 'visit', roomId: 'birds' })
  back(session, 9 * MINUTE)
  expect(texts(session, 10 * MINUTE, both)).toContain('Notes: a call for help waited, the longest for 4 min.')
})

test('a prompt that half of the rooms did not reach, and a room in which nothing was written', () => {
  const session = planned()
  session.join(1, 'ana', 'bo', 'chi')
  begin(session, MINUTE)
  back(session, 9 * MINUTE)
  expect(texts(session, 10 * MINUTE, both.slice(0, 1))).toEqual(
    expect.arrayContaining([
      'Notes: 1 of 2 rooms did not get to “What?”.',
      'Notes: nothing at all was written in Birds.',
    ]),
  )
  expect(texts(session, 10 * MINUTE)).toContain('Notes: no room got to “What?”.')
  // What was written before does not count for this round.
  const before = both.map(one => ({ ...one, at: 30_000 }))
  expect(texts(session, 10 * MINUTE, before)).toContain('Notes: no room got to “What?”.')
})

test('those who waited at the door for two minutes', () => {
  const session = new Rehearsed({ segments: [segment], waitingList: true })
  session.join(1, 'ana', 'bo')
  session.tell(3 * MINUTE, facilitator, { type: 'let-in', participantIds: ['ana', 'bo'] })
  session.join(3 * MINUTE, 'chi')
  session.tell(4 * MINUTE, facilitator, { type: 'let-in', participantIds: ['chi'] })
  expect(found(session, 5 * MINUTE)).toEqual([
    { segment: null, code: 'at-the-door', text: '2 people waited at the door, the longest for 3 min.' },
  ])
})

test('what took longer than planned, and what was never begun, once it has ended', () => {
  const session = new Rehearsed({ segments: [segment, { ...segment, id: 'again', name: 'Again' }] })
  session.join(1, 'ana', 'bo', 'chi')
  begin(session, MINUTE)
  session.tell(5 * MINUTE, facilitator, { type: 'add-time', seconds: 600 })
  back(session, 20 * MINUTE)
  expect(texts(session, 21 * MINUTE, both)).toContain('Notes took 10 min longer than planned.')
  expect(texts(session, 21 * MINUTE, both).join()).not.toContain('was not begun')
  session.tell(22 * MINUTE, facilitator, { type: 'end' })
  expect(found(session, 22 * MINUTE, both).at(-1)).toEqual({
    segment: 1,
    code: 'not-begun',
    text: 'Again was not begun.',
  })
})

test('nothing is found where nothing happened, or all went well', () => {
  expect(texts(planned(), MINUTE)).toEqual([])
  const session = new Rehearsed({
    segments: [
      {
        ...segment,
        groups: { from: 'plan', rooms: [{ ...reeds, personIds: ['p-ana', 'p-bo', 'p-chi'] }] },
      },
    ],
    rooms: [{ id: 'reeds', name: 'Reeds', copyId: 'copy-reeds' }],
    people: ['ana', 'bo', 'chi'].map(id => ({ personId: `p-${id}`, shownName: id, roomId: 'reeds' })),
  })
  session.join(1, 'ana', 'bo', 'chi')
  begin(session, MINUTE)
  back(session, 10 * MINUTE)
  expect(texts(session, 11 * MINUTE, both)).toEqual([])
})

test('the longest time alone: with overlaps, gaps, and one who goes as another comes', () => {
  const stay = (from: number, to: number) => ({ from, to })
  expect(longestAlone([])).toBe(0)
  expect(longestAlone([stay(0, 10)])).toBe(10)
  expect(longestAlone([stay(0, 10), stay(4, 6)])).toBe(4)
  expect(longestAlone([stay(0, 5), stay(5, 9)])).toBe(5)
  expect(longestAlone([stay(0, 3), stay(8, 9)])).toBe(3)
})
