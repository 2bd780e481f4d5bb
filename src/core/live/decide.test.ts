import fc from 'fast-check'
import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Actor } from './actors'
import { decide } from './decide'
import { participantList } from './door/people'
import { fold } from './evolve'
import type { Command } from './topics'

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
        for (const each of [...state.participants.values()]) {
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
