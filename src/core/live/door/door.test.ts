import { door, facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { MOST_PARTICIPANTS } from './door'

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
