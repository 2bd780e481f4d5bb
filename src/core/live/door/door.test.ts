import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { facilitatorView, participantView, projectorView } from '../views'
import { MOST_PARTICIPANTS, participantList, peopleIn } from './people'

test('a session has room for 500 people and not for one more; who gave their name up makes room', () => {
  // On the waiting list from the start, as the list expects three.
  const session = new Rehearsed({ waitingList: true })
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
  expect(session.state.participants.get('ana2')).toMatchObject({ roomId: 'birds', released: false })
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
  expect(session.state.participants.get('ana')).toMatchObject({
    roomId: 'reeds',
    inRoom: true,
    connected: true,
  })
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
  expect(session.state.participants.get('ana')).toMatchObject({ released: false })
  expect(settle('d2', true)).toEqual(['released'])
  expect(session.state).toMatchObject({ doubts: [] })
  expect(session.state.participants.get('bo')).toMatchObject({ released: true })
  expect(session.tell(4, participant('ana'), { type: 'put-away', messageId: 'x' })).toBe('no-such-message')
})

const walkIn = (session: Rehearsed, name: string, earlierId?: string) =>
  session.tell(9, door, { type: 'join', participantId: name, personId: null, shownName: name, earlierId })

test('through a locked door nobody new comes in, whoever they are; who is in comes and goes, and opened it lets in', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(session.tell(2, facilitator, { type: 'lock-door', on: true })).toEqual(['door-locked'])
  expect(session.tell(2, facilitator, { type: 'lock-door', on: true })).toEqual([])
  expect(walkIn(session, 'Zoë')).toBe('door-locked')
  expect(
    session.tell(3, door, { type: 'join', participantId: 'bo', personId: 'p-bo', shownName: 'Bo' }),
  ).toBe('door-locked')
  session.tell(3, door, { type: 'disconnect', participantId: 'ana' })
  expect(session.tell(4, door, { type: 'connect', participantId: 'ana' })).toEqual(['connected'])
  session.tell(5, facilitator, { type: 'lock-door', on: false })
  expect(walkIn(session, 'Zoë')).toEqual(['joined'])
})

test('a guest or two come straight in; when clearly more come than are expected the waiting list switches itself on, once', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  const came = Array.from({ length: 12 }, (_, number) => walkIn(session, `Guest ${number}`))
  // Three are expected: nine come in, the tenth switches it on and waits.
  expect(came.slice(0, 6)).toEqual(Array(6).fill(['joined']))
  expect(came[6]).toEqual(['crowded', 'joined'])
  expect(came.slice(7)).toEqual(Array(5).fill(['joined']))
  expect(participantList(session.state).filter(each => !each.admitted)).toHaveLength(6)
  expect(session.state).toMatchObject({ waitingList: true, crowded: true })
  session.tell(10, facilitator, { type: 'set-waiting-list', on: false })
  expect(session.state).toMatchObject({ waitingList: false, crowded: false })
  // The facilitator has seen it and lets everybody in: that stands.
  expect(walkIn(session, 'One more')).toEqual(['joined'])
  expect(session.state.participants.get('One more')).toMatchObject({ admitted: true })
})

test('many are removed at once; they come back only through the waiting list, by their name or with their browser', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  walkIn(session, 'Zoë')
  session.sendOut(2)
  session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h' })
  expect(
    session.tell(4, facilitator, { type: 'remove', participantIds: ['ana', 'Zoë', 'nobody'] }),
  ).toContain('removed')
  expect(session.tell(5, facilitator, { type: 'remove', participantIds: ['ana'] })).toEqual([])
  expect(participantList(session.state).map(each => each.id)).toEqual(['bo'])
  session.tell(6, door, { type: 'join', participantId: 'ana2', personId: 'p-ana', shownName: 'Ana' })
  walkIn(session, 'zoe')
  walkIn(session, 'Somebody else', 'Zoë')
  walkIn(session, 'A guest')
  const admitted = participantList(session.state).map(each => [each.id, each.admitted])
  expect(Object.fromEntries(admitted)).toEqual({
    bo: true,
    ana2: false,
    zoe: false,
    'Somebody else': false,
    'A guest': true,
  })
})

test('a name that was freed is its owner’s at once: that is no removal', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.tell(2, facilitator, { type: 'release', participantId: 'ana' })
  session.tell(3, door, { type: 'join', participantId: 'ana2', personId: 'p-ana', shownName: 'Ana' })
  expect(session.state.participants.get('ana2')).toMatchObject({ admitted: true })
})

test('a name with a letter of another alphabet in a word is refused, and one that looks the same is taken', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(walkIn(session, '\u0410na')).toBe('mixed-alphabets')
  expect(walkIn(session, 'A\u00adna')).toBe('name-taken')
  expect(walkIn(session, 'ＡＮＡ')).toBe('name-taken')
  expect(walkIn(session, 'Анна')).toEqual(['joined'])
})

test('what somebody opened their page on is told to facilitators alone, and changes when they come back on another', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.tell(2, door, { type: 'disconnect', participantId: 'ana' })
  session.tell(3, door, { type: 'connect', participantId: 'ana', onPhone: true })
  const told = () => facilitatorView(session.state).people.map(({ onPhone }) => onPhone)
  expect(told()).toEqual([true])
  expect(JSON.stringify(participantView(session.state, 'ana'))).not.toContain('onPhone')
  expect(JSON.stringify(projectorView(session.state))).not.toContain('onPhone')
  session.tell(4, door, { type: 'disconnect', participantId: 'ana' })
  session.tell(5, door, { type: 'connect', participantId: 'ana' })
  expect(told()).toEqual([false])
})
