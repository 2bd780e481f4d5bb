import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'

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
