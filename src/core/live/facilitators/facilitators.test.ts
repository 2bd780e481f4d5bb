import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Actor } from '../actors'
import { facilitatorView, participantView, projectorView } from '../views'

const sam: Actor = { kind: 'facilitator', accountId: 'sam', name: 'Sam' }
const says = (session: Rehearsed, at: number, who: Actor, type: 'facilitator-comes' | 'facilitator-goes') =>
  session.tell(at, who, { type })

test('whoever leads is told who else does and whose line has dropped; nobody else is', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  says(session, 2, facilitator, 'facilitator-comes')
  says(session, 3, sam, 'facilitator-comes')
  expect(says(session, 4, sam, 'facilitator-comes')).toEqual([])
  expect(says(session, 5, facilitator, 'facilitator-goes')).toEqual(['facilitator-gone'])
  expect(says(session, 6, facilitator, 'facilitator-goes')).toEqual([])
  expect(facilitatorView(session.state).facilitators).toEqual([
    { accountId: 'marit', name: 'Marit', here: false, since: 5 },
    { accountId: 'sam', name: 'Sam', here: true, since: 3 },
  ])
  expect(JSON.stringify([participantView(session.state, 'ana'), projectorView(session.state)])).not.toContain(
    'Sam',
  )
  expect(says(session, 7, facilitator, 'facilitator-comes')).toEqual(['facilitator-came'])
})

test('whose line drops listens in no room any more', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  says(session, 1, facilitator, 'facilitator-comes')
  session.sendOut(2)
  session.tell(3, facilitator, { type: 'visit', roomId: 'reeds' })
  expect(says(session, 4, facilitator, 'facilitator-goes')).toEqual(['visit-ended', 'facilitator-gone'])
  expect(session.state.visits).toEqual([])
})

test('after the end nothing is written down of who comes and goes', () => {
  const session = new Rehearsed()
  session.tell(2, facilitator, { type: 'end' })
  expect(says(session, 3, sam, 'facilitator-comes')).toEqual([])
})
