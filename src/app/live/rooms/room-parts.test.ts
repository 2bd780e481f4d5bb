import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { facilitatorView } from '~/core/live/views'
import type { LiveView } from '../live-view'
import { roomParts } from './room-parts'

/** As a browser has it: every section read from JSON, so that no object is the same as before. */
const seen = (session: Rehearsed): LiveView =>
  JSON.parse(JSON.stringify({ ...facilitatorView(session.state), marks: [] }))

function sentOut() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}

test('each room has its own people, and nothing of others', () => {
  const parts = roomParts(seen(sentOut()))
  expect([...parts].map(([id, part]) => [id, part.people.map(each => each.shownName)])).toEqual([
    ['reeds', ['Ana', 'Bo']],
    ['birds', ['Chi']],
  ])
})

test('a room where nothing happened keeps its part, whatever happens elsewhere', () => {
  const session = sentOut()
  const before = roomParts(seen(session))
  session.tell(3, { kind: 'door' }, { type: 'disconnect', participantId: 'chi' })
  const after = roomParts(seen(session), before)
  expect(after.get('reeds')?.people).toBe(before.get('reeds')?.people)
  expect(after.get('reeds')?.visits).toBe(before.get('reeds')?.visits)
  expect(after.get('birds')?.people).not.toBe(before.get('birds')?.people)
  expect(after.get('birds')?.people).toMatchObject([{ id: 'chi', connected: false }])
})

test('a visitor who joins in, and then only listens again, is another each time', () => {
  const session = sentOut()
  session.tell(3, facilitator, { type: 'visit', roomId: 'reeds' })
  const listens = roomParts(seen(session))
  session.tell(4, facilitator, { type: 'join-in', joins: true })
  const joined = roomParts(seen(session), listens)
  expect(joined.get('reeds')?.visits).toMatchObject([{ joined: true }])
  session.tell(5, facilitator, { type: 'join-in', joins: false })
  expect(roomParts(seen(session), joined).get('reeds')?.visits[0]?.joined).toBeUndefined()
})
