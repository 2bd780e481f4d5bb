import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { MOST_PARTICIPANTS } from './door'
import { participantList, peopleIn } from './people'

test('a session has room for 500 people and not for one more; who gave their name up makes room', () => {
  const session = new Rehearsed()
  const join = (number: number) =>
    session.tell(number, door, {
      type: 'join',
      participantId: `x${number}`,
      personId: null,
      shownName: `Person ${number}`,
    })
  expect(MOST_PARTICIPANTS).toBe(500)
  for (let number = 1; number <= 500; number++) expect(join(number)).toEqual(['joined'])
  expect(join(501)).toBe('session-full')
  session.tell(502, facilitator, { type: 'release', participantId: 'x7' })
  expect(join(503)).toEqual(['joined'])
  expect(join(504)).toBe('session-full')
})

test('people join by a name of the list, and that name is theirs', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(
    session.tell(2, door, { type: 'join', participantId: 'x', personId: 'p-ana', shownName: 'Ana' }),
  ).toBe('name-taken')
  expect(
    session.tell(2, door, { type: 'join', participantId: 'x', personId: null, shownName: ' ána ' }),
  ).toBe('name-taken')
  expect(session.tell(2, door, { type: 'join', participantId: 'x', personId: null, shownName: 'Bo' })).toBe(
    'name-taken',
  )
  expect(session.tell(2, door, { type: 'join', participantId: 'x', personId: null, shownName: ' ' })).toBe(
    'text-empty',
  )
  expect(
    session.tell(2, door, { type: 'join', participantId: 'x', personId: null, shownName: 'Zoë' }),
  ).toEqual(['joined'])
})

test('a freed name can be taken again, with the room it had', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.tell(2, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })
  session.tell(3, facilitator, { type: 'release', participantId: 'ana' })
  expect(session.tell(4, door, { type: 'connect', participantId: 'ana' })).toBe('no-such-participant')
  session.tell(5, door, { type: 'join', participantId: 'ana2', personId: 'p-ana', shownName: 'Ana' })
  expect(session.state.participants.ana2).toMatchObject({ roomId: 'birds', released: false })
  expect(participantList(session.state).map(each => each.id)).toEqual(['ana2'])
})

test('with a waiting list people wait until they are let in, and are not sent out before', () => {
  const session = new Rehearsed({ waitingList: true })
  session.join(1, 'ana', 'bo')
  expect(session.tell(2, facilitator, { type: 'send-out', seconds: 600 })).toBe('nobody-to-send')
  expect(session.tell(2, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })).toBe(
    'waiting',
  )
  expect(session.tell(3, facilitator, { type: 'let-in', participantIds: ['ana', 'gone'] })).toEqual([
    'admitted',
  ])
  expect(session.tell(4, facilitator, { type: 'let-in', participantIds: ['ana'] })).toEqual([])
  session.sendOut(5)
  expect(peopleIn(session.state, 'reeds').map(each => each.id)).toEqual(['ana'])
})

test('who drops comes back to the same room', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  session.tell(3, door, { type: 'disconnect', participantId: 'ana' })
  session.tell(9, door, { type: 'connect', participantId: 'ana' })
  expect(session.state.participants.ana).toMatchObject({ roomId: 'reeds', inRoom: true, connected: true })
})

test('who took the wrong name gives it back while nothing was written, and asks the facilitator after', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  const notMe = (doubtId: string, wrote: boolean) => ({ type: 'not-me', doubtId, wrote }) as const
  expect(session.tell(2, participant('ana'), notMe('d1', false))).toEqual(['released'])
  expect(session.tell(3, participant('ana'), notMe('d2', false))).toBe('no-such-participant')
  expect(session.tell(4, participant('bo'), notMe('d3', true))).toEqual(['name-doubted'])
  expect(session.tell(5, participant('bo'), notMe('d4', true))).toEqual([])
  expect(session.state.doubts).toMatchObject([{ id: 'd3', participantId: 'bo', how: 'not-me' }])
})

test('a doubt about a name is settled by freeing it or leaving it, once', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  const claim = (participantId: string, doubtId: string) =>
    session.tell(2, door, { type: 'claim-name', participantId, doubtId })
  const settle = (doubtId: string, free: boolean) =>
    session.tell(3, facilitator, { type: 'settle-doubt', doubtId, free })
  expect(claim('nobody', 'd0')).toBe('no-such-participant')
  expect(claim('ana', 'd1')).toEqual(['name-doubted'])
  expect(claim('bo', 'd2')).toEqual(['name-doubted'])
  expect(settle('d1', false)).toEqual(['doubt-settled'])
  expect(settle('d1', true)).toBe('no-such-doubt')
  expect(session.state.participants.ana).toMatchObject({ released: false })
  expect(settle('d2', true)).toEqual(['released'])
  expect(session.state).toMatchObject({ doubts: [], participants: { bo: { released: true } } })
  expect(session.tell(4, participant('ana'), { type: 'put-away', messageId: 'x' })).toBe('no-such-message')
})
