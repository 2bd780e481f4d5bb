import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { marksOf } from '../marks'
import { facilitatorView, participantView, viewFor } from '../views'
import { type GivenThing, MOST_GIVEN } from './given'

const map: GivenThing = { is: 'picture', title: 'Secret map', file: 'a'.repeat(64), width: 800, height: 600 }
const link: GivenThing = { is: 'link', title: 'Tides', address: 'https://tides.example' }

/** Ana and Bo are in Reeds, Chi in Birds. */
function out() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}
const give = (session: Rehearsed, thing: GivenThing, roomIds: string[] | null, givenId: string) =>
  session.tell(3, facilitator, { type: 'give-material', thing, roomIds, givenId })
const has = ({ state }: Rehearsed, id: string) => participantView(state, id)?.given.map(given => given.id)

test('what is given to a room is seen by those in it and by nobody else, what is given to all by all', () => {
  const session = out()
  const before = session.state
  expect(give(session, map, ['reeds'], 'm')).toEqual(['material-given'])
  const event = session.log.at(-1)
  expect(event && marksOf(before, event)).toMatchObject([
    { roomId: 'reeds', kind: 'material', what: 'Secret map' },
  ])
  expect([has(session, 'ana'), has(session, 'bo'), has(session, 'chi')]).toEqual([['m'], ['m'], []])
  for (const view of [participantView(session.state, 'chi'), viewFor(session.state, { kind: 'projector' })])
    expect(JSON.stringify(view)).not.toContain('Secret map')
  give(session, link, null, 'l')
  expect([has(session, 'ana'), has(session, 'chi')]).toEqual([['m', 'l'], ['l']])
  expect(facilitatorView(session.state).given.map(({ id }) => id)).toEqual(['m', 'l'])
  // It belongs to the room: whoever goes there has it, whoever leaves does not.
  session.tell(4, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })
  expect(has(session, 'ana')).toEqual(['l'])
  session.tell(5, facilitator, { type: 'place', participantId: 'ana', roomId: null })
  expect(has(session, 'ana')).toEqual(['l'])
})

test('it is taken back once, and who waits at the door has none', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  session.sendOut(2)
  give(session, link, null, 'l')
  const back = () => session.tell(4, facilitator, { type: 'take-material-back', givenId: 'l' })
  session.tell(4, facilitator, { type: 'set-waiting-list', on: true })
  session.join(4, 'chi')
  expect(has(session, 'chi')).toEqual([])
  expect(back()).toEqual(['material-taken-back'])
  expect(has(session, 'ana')).toEqual([])
  expect(back()).toBe('no-such-material')
})

test('to rooms that are there, by facilitators, and no more than can be looked through', () => {
  const session = out()
  expect(give(session, link, ['reeds', 'nowhere'], 'l')).toBe('no-such-room')
  const asked = { type: 'give-material', thing: link, roomIds: null, givenId: 'l' } as const
  expect(session.tell(3, participant('ana'), asked)).toBe('not-allowed')
  for (let count = 0; count < MOST_GIVEN; count++) give(session, link, null, `l${count}`)
  expect(give(session, link, null, 'more')).toBe('too-much-material')
  expect(has(session, 'ana')).toHaveLength(MOST_GIVEN)
})
