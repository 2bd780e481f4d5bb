import { door, facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { smallest } from './late'

const rule = (session: Rehearsed, lateRule: 'ask' | 'planned' | 'smallest') =>
  session.tell(1, facilitator, { type: 'set-late', rule: lateRule })
const walkIn = (session: Rehearsed, name: string) =>
  session.tell(5, door, { type: 'join', participantId: name, personId: null, shownName: name })
const where = (session: Rehearsed, id: string) => {
  const { roomId, inRoom } = session.state.participants.get(id) ?? {}
  return [roomId, inRoom]
}
/** Ana and Bo are in Reeds; Chi, who belongs in Birds, is awaited. */
function out(lateRule: 'ask' | 'planned' | 'smallest'): Rehearsed {
  const session = new Rehearsed()
  rule(session, lateRule)
  session.join(2, 'ana', 'bo')
  session.sendOut(3)
  return session
}

test('as long as nothing is said, it is asked each time', () => {
  const session = out('ask')
  session.join(4, 'chi')
  expect(walkIn(session, 'Zoë')).toEqual(['joined'])
  expect([where(session, 'chi'), where(session, 'Zoë')]).toEqual([
    ['birds', false],
    [null, false],
  ])
  expect(rule(session, 'ask')).toEqual([])
})

test('to their planned room: who has one goes there at once, and who has none is asked about', () => {
  const session = out('planned')
  session.join(4, 'chi')
  expect(walkIn(session, 'Zoë')).toEqual(['joined'])
  expect([where(session, 'chi'), where(session, 'Zoë')]).toEqual([
    ['birds', true],
    [null, false],
  ])
})

test('in a round to which people are invited, who comes late is invited too; who has no page is put there', () => {
  for (const lateRule of ['planned', 'smallest'] as const) {
    const session = out(lateRule)
    session.tell(4, facilitator, { type: 'set-terms', invited: true, mayChange: false, mayReturn: false })
    session.join(4, 'chi')
    walkIn(session, 'Zoë')
    session.tell(5, facilitator, { type: 'put-in', names: ['Eli'], ids: ['eli'] })
    expect(['chi', 'Zoë', 'eli'].map(id => where(session, id))).toEqual(
      lateRule === 'planned'
        ? [
            ['birds', false],
            [null, false],
            [null, false],
          ]
        : [
            ['birds', false],
            ['birds', false],
            ['reeds', true],
          ],
    )
  }
})

test('into the smallest room: everybody who comes, one after the other', () => {
  const session = out('smallest')
  expect(walkIn(session, 'Zoë')).toEqual(['joined', 'placed'])
  walkIn(session, 'Ida')
  session.join(6, 'chi')
  expect(['Zoë', 'Ida', 'chi'].map(id => where(session, id))).toEqual([
    ['birds', true],
    ['birds', true],
    ['reeds', true],
  ])
})

test('before anybody is out, who has a room keeps it, and who has none belongs to the smallest', () => {
  const session = new Rehearsed()
  rule(session, 'smallest')
  session.join(2, 'ana', 'chi')
  walkIn(session, 'Zoë')
  walkIn(session, 'Ida')
  expect(['ana', 'chi', 'Zoë', 'Ida'].map(id => where(session, id))).toEqual([
    ['reeds', false],
    ['birds', false],
    ['reeds', false],
    ['birds', false],
  ])
})

test('who waits is placed when they are let in, not before; without rooms nobody is', () => {
  const session = new Rehearsed({ waitingList: true })
  rule(session, 'smallest')
  session.join(2, 'ana')
  expect(walkIn(session, 'Zoë')).toEqual(['joined'])
  session.tell(3, facilitator, { type: 'let-in', participantIds: ['ana'] })
  session.sendOut(4)
  expect(session.tell(6, facilitator, { type: 'let-in', participantIds: ['Zoë'] })).toEqual([
    'admitted',
    'placed',
  ])
  expect(where(session, 'Zoë')).toEqual(['birds', true])
  const bare = new Rehearsed({ rooms: [], people: [] })
  rule(bare, 'smallest')
  expect(walkIn(bare, 'Zoë')).toEqual(['joined'])
})

test('the smallest is the first of several, and one does not count oneself', () => {
  const sizes = new Map([
    ['a', 2],
    ['b', 1],
    ['c', 1],
  ])
  expect(smallest(sizes, null)).toBe('b')
  expect(smallest(sizes, 'c')).toBe('c')
  expect(smallest(new Map(), null)).toBeNull()
})
