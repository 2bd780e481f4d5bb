import fc from 'fast-check'
import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Actor } from './actors'
import { decide } from './decide'
import { participantList, peopleIn } from './door/people'
import { fold } from './evolve'
import type { Command } from './topics'
import { unopened } from './topics'

const MINUTE = 60_000

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

test('everyone stays until sent out; then each is in their room', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  expect(participantList(session.state).some(each => each.inRoom)).toBe(false)
  session.sendOut(2)
  expect(peopleIn(session.state, 'reeds').map(each => each.id)).toEqual(['ana', 'bo'])
  expect(peopleIn(session.state, 'birds').map(each => each.id)).toEqual(['chi'])
  expect(session.tell(3, facilitator, { type: 'send-out', seconds: 600 })).toBe('already-out')
})

test('somebody is moved in mid-round, and a late one is placed', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  session.sendOut(2)
  session.tell(3, facilitator, { type: 'place', participantId: 'bo', roomId: 'birds' })
  session.join(4, 'chi')
  expect(session.state.participants.chi).toMatchObject({ roomId: 'birds', inRoom: false })
  session.tell(5, facilitator, { type: 'place', participantId: 'chi', roomId: 'birds' })
  expect(peopleIn(session.state, 'birds').map(each => each.id)).toEqual(['bo', 'chi'])
  expect(session.tell(6, facilitator, { type: 'place', participantId: 'chi', roomId: 'nowhere' })).toBe(
    'no-such-room',
  )
})

test('taken back to the whole group, somebody keeps the room as the place to go back to', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  session.tell(3, facilitator, { type: 'place', participantId: 'ana', roomId: null })
  expect(session.state.participants.ana).toMatchObject({ roomId: 'reeds', inRoom: false })
})

test('who drops comes back to the same room', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  session.tell(3, door, { type: 'disconnect', participantId: 'ana' })
  session.tell(9, door, { type: 'connect', participantId: 'ana' })
  expect(session.state.participants.ana).toMatchObject({ roomId: 'reeds', inRoom: true, connected: true })
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

test('a room has one help call, answered by a visit or a note, or taken back', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  expect(session.tell(1, participant('ana'), { type: 'call-help', helpId: 'h0' })).toBe('not-in-a-room')
  session.sendOut(2)
  expect(session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h1' })).toEqual(['help-called'])
  expect(session.tell(4, participant('bo'), { type: 'call-help', helpId: 'h2' })).toEqual([])
  expect(session.tell(5, facilitator, { type: 'visit', roomId: 'reeds' })).toEqual([
    'visit-started',
    'help-closed',
  ])
  session.tell(6, participant('chi'), { type: 'call-help', helpId: 'h3' })
  const note: Command = {
    type: 'note',
    messageId: 'm1',
    roomId: 'birds',
    text: 'Listen first.',
    helpId: 'h3',
  }
  expect(session.tell(7, facilitator, note)).toEqual(['note', 'help-closed'])
  session.tell(8, participant('chi'), { type: 'call-help', helpId: 'h4' })
  expect(session.tell(9, participant('chi'), { type: 'withdraw-help' })).toEqual(['help-closed'])
  expect(session.state.helpCalls.map(call => call.how)).toEqual(['visit', 'note', 'withdrawn'])
})

test('a facilitator is in one room at a time, and when each was last visited is remembered', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'chi')
  expect(session.tell(2, facilitator, { type: 'visit', roomId: 'reeds' })).toBe('not-out')
  session.sendOut(2)
  session.tell(3, facilitator, { type: 'visit', roomId: 'reeds' })
  expect(session.tell(4, facilitator, { type: 'visit', roomId: 'birds' })).toEqual([
    'visit-ended',
    'visit-started',
  ])
  session.tell(5, facilitator, { type: 'leave-room' })
  expect(session.state).toMatchObject({ visits: [], lastVisit: { reeds: 4, birds: 5 } })
})

test('messages stay until put away, each for each', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  session.tell(2, facilitator, { type: 'broadcast', messageId: 'm', text: ' Five minutes. ' })
  expect(session.tell(3, participant('ana'), { type: 'put-away', messageId: 'm' })).toEqual(['put-away'])
  expect(session.tell(4, participant('ana'), { type: 'put-away', messageId: 'm' })).toEqual([])
  expect(session.tell(4, participant('ana'), { type: 'put-away', messageId: 'other' })).toBe(
    'no-such-message',
  )
  expect(session.state.putAway).toEqual({ ana: ['m'] })
  expect(session.state.messages[0]).toMatchObject({ text: 'Five minutes.', from: 'Marit' })
  expect(session.tell(5, facilitator, { type: 'broadcast', messageId: 'n', text: '  ' })).toBe('text-empty')
  expect(session.tell(5, facilitator, { type: 'broadcast', messageId: 'n', text: 'x'.repeat(501) })).toBe(
    'text-too-long',
  )
})

test('rooms are renamed; not to nothing, and not to a novel', () => {
  const session = new Rehearsed()
  expect(session.tell(1, facilitator, { type: 'rename-room', roomId: 'reeds', name: ' Rushes ' })).toEqual([
    'room-renamed',
  ])
  expect(session.state.rooms[0]?.name).toBe('Rushes')
  expect(session.tell(2, facilitator, { type: 'rename-room', roomId: 'reeds', name: '' })).toBe('text-empty')
  expect(session.tell(2, facilitator, { type: 'rename-room', roomId: 'reeds', name: 'x'.repeat(61) })).toBe(
    'text-too-long',
  )
})

test('ending closes the round, its help calls and visits; afterwards nothing happens any more', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h' })
  session.tell(4, facilitator, { type: 'end' })
  expect(session.state).toMatchObject({
    phase: 'ended',
    round: null,
    pastRounds: [{ number: 1, startedAt: 2, endedAt: 4 }],
  })
  expect(session.state.helpCalls[0]).toMatchObject({ closedAt: 4, how: 'round-ended' })
  expect(session.tell(5, facilitator, { type: 'broadcast', messageId: 'm', text: 'x' })).toBe('ended')
  expect(session.tell(5, door, { type: 'join', participantId: 'x', personId: null, shownName: 'Zoë' })).toBe(
    'ended',
  )
  expect(session.tell(5, door, { type: 'disconnect', participantId: 'ana' })).toEqual([])
})

test.each([29, 14_401, 60.5, Number.NaN])('nobody is sent out for %p seconds', seconds => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(session.tell(2, facilitator, { type: 'send-out', seconds })).toBe('bad-length')
})

test('before the opening nothing can be done, and it is opened once', () => {
  expect(decide(unopened, { type: 'broadcast', messageId: 'm', text: 'x' }, facilitator, 1)).toEqual({
    ok: false,
    problem: { code: 'not-open' },
  })
  expect(new Rehearsed().tell(1, facilitator, { type: 'open', plan: {} as never })).toBe('already-open')
})

const commands = fc.oneof(
  fc.record({
    type: fc.constant('join' as const),
    participantId: fc.constantFrom('ana', 'bo', 'z'),
    personId: fc.constantFrom('p-ana', 'p-bo', null),
    shownName: fc.constantFrom('Ana', 'Bo', 'Zoë'),
  }),
  fc.record({
    type: fc.constantFrom('connect' as const, 'disconnect' as const),
    participantId: fc.constantFrom('ana', 'bo', 'z'),
  }),
  fc.record({ type: fc.constant('let-in' as const), participantIds: fc.constantFrom(['ana'], ['bo', 'z']) }),
  fc.record({ type: fc.constant('send-out' as const), seconds: fc.constantFrom(600, 30, 5) }),
  fc.record({
    type: fc.constant('place' as const),
    participantId: fc.constantFrom('ana', 'bo', 'z'),
    roomId: fc.constantFrom('reeds', 'birds', null),
  }),
  fc.record({ type: fc.constant('add-time' as const), seconds: fc.constantFrom(60, 300) }),
  fc.record({ type: fc.constant('call-help' as const), helpId: fc.uuid() }),
  fc.record({ type: fc.constant('visit' as const), roomId: fc.constantFrom('reeds', 'birds', 'gone') }),
  fc.record({ type: fc.constant('release' as const), participantId: fc.constantFrom('ana', 'bo') }),
  fc.constantFrom(
    { type: 'withdraw-help' as const },
    { type: 'leave-room' as const },
    { type: 'call-back' as const },
    { type: 'finish-grace' as const },
    { type: 'end' as const },
  ),
) as fc.Arbitrary<Command>
const actors: fc.Arbitrary<Actor> = fc.constantFrom(
  facilitator,
  door,
  clock,
  participant('ana'),
  participant('bo'),
)

describe('whatever is asked by whomever, in any order', () => {
  const play = (script: [Actor, Command][]) => {
    const session = new Rehearsed()
    script.forEach(([actor, command], step) => {
      session.tell(step * 1000, actor, command)
    })
    return session
  }

  test('the log folds to the same state, its numbers have no gaps, and the state keeps its rules', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(actors, commands), { maxLength: 60 }), script => {
        const { state, log } = play(script)
        expect(fold(log)).toEqual(state)
        expect(log.map(recorded => recorded.seq)).toEqual(log.map((_, index) => index + 1))
        for (const each of Object.values(state.participants)) {
          expect(!each.inRoom || (each.roomId !== null && state.round !== null && !each.released)).toBe(true)
        }
        const open = state.helpCalls.filter(call => call.closedAt === null)
        expect(new Set(open.map(call => call.roomId)).size).toBe(open.length)
        expect(open.length === 0 || state.round !== null).toBe(true)
        const names = participantList(state).map(each => each.shownName)
        expect(new Set(names).size).toBe(names.length)
      }),
      { numRuns: 300 },
    )
  })

  test('a participant brings about nothing but their own help calls and put-aways', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(actors, commands), { maxLength: 30 }), commands, (script, command) => {
        const { state } = play(script)
        const decision = decide(state, command, participant('ana'), 99_000)
        const events = decision.ok ? decision.events : []
        return events.every(
          event =>
            (event.type === 'help-called' && event.participantId === 'ana') ||
            event.type === 'put-away' ||
            event.type === 'help-closed',
        )
      }),
      { numRuns: 300 },
    )
  })
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
