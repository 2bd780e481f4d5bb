import { clock, facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Actor } from '../actors'
import { participantList, peopleIn } from '../door/people'
import { participantView, projectorView } from '../views'

const MINUTE = 60_000

test('everyone stays until sent out; then each is in their room', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  expect(participantList(session.state).some(each => each.inRoom)).toBe(false)
  session.sendOut(2)
  expect(peopleIn(session.state, 'reeds').map(each => each.id)).toEqual(['ana', 'bo'])
  expect(peopleIn(session.state, 'birds').map(each => each.id)).toEqual(['chi'])
  expect(session.tell(3, facilitator, { type: 'send-out', seconds: 600 })).toBe('already-out')
})

test('added time moves the end, and takes a call back with it', () => {
  const session = new Rehearsed()
  session.join(0, 'ana')
  session.sendOut(0)
  session.tell(1 * MINUTE, facilitator, { type: 'add-time', seconds: 60 })
  expect(session.state.round?.endsAt).toBe(11 * MINUTE)
  session.tell(5 * MINUTE, facilitator, { type: 'call-back' })
  expect(session.state.round).toMatchObject({ endsAt: 5 * MINUTE, graceEndsAt: 6 * MINUTE })
  session.tell(5.5 * MINUTE, facilitator, { type: 'add-time', seconds: 300 })
  expect(session.state.round).toMatchObject({ endsAt: 10.5 * MINUTE, graceEndsAt: null })
  expect(session.tell(6 * MINUTE, facilitator, { type: 'add-time', seconds: 0 })).toBe('bad-length')
  expect(session.tell(6 * MINUTE, facilitator, { type: 'add-time', seconds: 4 * 3600 })).toBe('bad-length')
})

test('of two at the front who give the same time at the same moment one is heard; who presses twice is, and so are both later', () => {
  const session = new Rehearsed()
  session.join(0, 'ana')
  session.sendOut(0)
  const gives = (at: number, by: Actor, seconds = 300) => session.tell(at, by, { type: 'add-time', seconds })
  const other: Actor = { kind: 'facilitator', accountId: 'tobias', name: 'Tobias' }
  expect(gives(MINUTE, facilitator)).toEqual(['time-added'])
  expect(gives(MINUTE + 2_999, other)).toEqual([])
  expect(session.state.round?.endsAt).toBe(15 * MINUTE)
  expect(gives(MINUTE + 2_999, other, 60)).toEqual(['time-added'])
  expect(gives(2 * MINUTE, facilitator)).toEqual(['time-added'])
  expect(gives(2 * MINUTE, facilitator)).toEqual(['time-added'])
  expect(gives(2 * MINUTE + 3_000, other)).toEqual(['time-added'])
  expect(session.state.round?.endsAt).toBe(31 * MINUTE)
  // Whose account that was is on no page of a participant, nor on the projector.
  for (const view of [participantView(session.state, 'ana'), projectorView(session.state)])
    expect(JSON.stringify(view)).not.toMatch(/marit|tobias/)
})

test('a mistaken call back is taken back while people come back: the round is as it was', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  session.sendOut(2)
  const before = session.state.round
  expect(session.tell(3, facilitator, { type: 'go-on' })).toBe('not-called-back')
  session.tell(3, facilitator, { type: 'call-back' })
  expect(session.state.round).toMatchObject({ endsAt: 3, graceEndsAt: 3 + MINUTE })
  expect(session.tell(4, facilitator, { type: 'go-on' })).toEqual(['gone-on'])
  expect(session.state.round).toEqual(before)
  expect(peopleIn(session.state, 'reeds').map(each => each.id)).toEqual(['ana', 'bo'])
  expect(session.tell(5, facilitator, { type: 'call-back' })).toEqual(['called-back'])
})

test('a round whose time is over does not go on without more time, and nothing goes on once all are back', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(0)
  session.tell(10 * MINUTE, clock, { type: 'call-back' })
  expect(session.tell(10 * MINUTE + 1, facilitator, { type: 'go-on' })).toBe('round-over')
  session.tell(11 * MINUTE, clock, { type: 'finish-grace' })
  expect(session.tell(12 * MINUTE, facilitator, { type: 'go-on' })).toBe('not-out')
})
