import type { LiveEvent, Recorded } from '../live/topics'
import { meetingsOf } from './meetings'

const MINUTE = 60_000

/** A log of events with the minute each happened at. */
const log = (...events: [minute: number, event: LiveEvent][]): Recorded[] =>
  events.map(([minute, event], index) => ({ seq: index + 1, at: minute * MINUTE, event }))

const joined = (id: string, personId: string | null = `person-${id}`): LiveEvent => ({
  type: 'joined',
  participantId: id,
  personId,
  shownName: id,
  admitted: true,
})
const connected = (participantId: string): LiveEvent => ({ type: 'connected', participantId })
const opened: LiveEvent = {
  type: 'opened',
  plan: {
    title: 'Evening',
    rooms: [
      { id: 'r1', name: 'Reeds', copyId: 'c1' },
      { id: 'r2', name: 'Birds', copyId: 'c2' },
    ],
    people: ['a', 'b', 'c'].map(id => ({
      personId: `person-${id}`,
      shownName: id,
      roomId: id === 'c' ? 'r2' : 'r1',
    })),
    board: { title: '', steps: [], prompts: [] },
    roomSeconds: 600,
    graceSeconds: 0,
    groupingVersion: null,
    waitingList: false,
  },
}
const sentOut: LiveEvent = {
  type: 'sent-out',
  number: 1,
  endsAt: 20 * MINUTE,
  participantIds: ['a', 'b', 'c'],
}

test('minutes together are those both were in the room, drops and moves taken off', () => {
  const meetings = meetingsOf(
    log(
      [0, opened],
      [0, joined('a')],
      [0, joined('b')],
      [0, joined('c')],
      [0, connected('a')],
      [0, connected('b')],
      [0, connected('c')],
      [1, sentOut],
      [4, { type: 'disconnected', participantId: 'b' }],
      [6, connected('b')],
      [8, { type: 'placed', participantId: 'b', roomId: 'r2', intoRoom: true }],
      [11, { type: 'ended' }],
    ),
    11 * MINUTE,
  )
  expect(meetings).toEqual([
    { pair: ['person-a', 'person-b'], ms: 5 * MINUTE },
    { pair: ['person-b', 'person-c'], ms: 3 * MINUTE },
  ])
})

test('who typed a name that is not on the list meets nobody, as far as the cohort knows', () => {
  const events = log(
    [0, opened],
    [0, joined('a', null)],
    [0, joined('b')],
    [0, connected('a')],
    [0, connected('b')],
    [1, sentOut],
    [9, { type: 'ended' }],
  )
  expect(meetingsOf(events, 9 * MINUTE)).toEqual([])
})
