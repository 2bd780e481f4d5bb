import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { facilitatorView, participantView } from '../views'

function asked() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(2, facilitator, { type: 'ask-sitting' })
  return session
}
const name = (session: Rehearsed, id: string, ...besideIds: string[]) =>
  session.tell(3, participant(id), { type: 'name-beside', besideIds })
const groups = (session: Rehearsed) => facilitatorView(session.state).sitting?.groups

test('names of all who are here are sent only while it is asked, and groups grow as people name each other', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  expect(participantView(session.state, 'ana')?.namesHere).toBeNull()
  expect(name(session, 'ana', 'bo')).toBe('not-asked')
  session.tell(2, facilitator, { type: 'ask-sitting' })
  expect(participantView(session.state, 'ana')?.namesHere?.map(one => one.shownName)).toEqual([
    'Ana',
    'Bo',
    'Chi',
  ])
  name(session, 'ana', 'bo', 'ana', 'gone')
  expect(groups(session)).toEqual([])
  name(session, 'bo', 'ana')
  expect(groups(session)).toEqual([['ana', 'bo']])
  expect(participantView(session.state, 'ana')?.besideMe).toEqual(['bo'])
  // Somebody may think better of it.
  name(session, 'bo', 'chi')
  expect(groups(session)).toEqual([])
})

test('who is at a device sits with it', () => {
  const session = asked()
  session.tell(2, participant('ana'), { type: 'put-in-beside', shownName: 'Eli', newId: 'eli' })
  expect(groups(session)).toEqual([['ana', 'eli']])
})

test('it is over when it is ended or people are sent out, and is not asked in a round', () => {
  const session = asked()
  session.tell(4, facilitator, { type: 'end-sitting' })
  expect(session.state.sitting).toBeNull()
  session.tell(4, facilitator, { type: 'ask-sitting' })
  session.sendOut(5)
  expect(session.state.sitting).toBeNull()
  expect(session.tell(6, facilitator, { type: 'ask-sitting' })).toBe('already-out')
})

test('whoever waits is not asked, and no more than eight are named', () => {
  const session = new Rehearsed({ waitingList: true })
  session.join(1, 'ana')
  session.tell(2, facilitator, { type: 'ask-sitting' })
  expect(name(session, 'ana', 'bo')).toBe('waiting')
  expect(participantView(session.state, 'ana')?.namesHere).toBeNull()
  const names = Array.from({ length: 9 }, (_, at) => `Guest ${at}`)
  session.tell(2, facilitator, { type: 'put-in', names, ids: names })
  session.tell(2, facilitator, { type: 'let-in', participantIds: ['ana'] })
  expect(name(session, 'ana', ...names)).toBe('too-many-beside')
  expect(name(session, 'ana', ...names.slice(1))).toEqual(['beside-named'])
})
