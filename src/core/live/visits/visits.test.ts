import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { mayWriteOn, writerName } from '../rights/writers'
import { participantView } from '../views'

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

test('whoever visits listens until they say that they join in; then they may write in that room alone, as a facilitator', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'chi')
  session.sendOut(2)
  const { accountId, name } = facilitator as { accountId: string; name: string }
  session.tell(2, facilitator, { type: 'facilitator-comes' })
  expect(session.tell(3, facilitator, { type: 'join-in', joins: true })).toBe('not-visiting')
  const copyOf = (roomId: string) => session.state.rooms.find(({ id }) => id === roomId)?.copyId ?? ''
  const mayWrite = () => ['reeds', 'birds'].map(id => mayWriteOn(session.state, accountId, copyOf(id)))
  const seenByAna = () => participantView(session.state, 'ana')?.visits
  session.tell(4, facilitator, { type: 'visit', roomId: 'reeds' })
  expect(mayWrite()).toEqual([false, false])
  expect(seenByAna()).toEqual([{ name, writesAs: null }])
  expect(session.tell(5, facilitator, { type: 'join-in', joins: true })).toEqual(['visit-joined'])
  expect(session.tell(5, facilitator, { type: 'join-in', joins: true })).toEqual([])
  expect(mayWrite()).toEqual([true, false])
  expect(seenByAna()).toEqual([{ name, writesAs: accountId }])
  expect(participantView(session.state, 'chi')?.visits).toEqual([])
  expect(writerName(session.state, accountId)).toBe(`${name} (facilitator)`)
  expect(writerName(session.state, 'ana')).toBe(session.state.participants.get('ana')?.shownName)
  expect(writerName(session.state, 'nobody')).toBe('')
  session.tell(6, facilitator, { type: 'join-in', joins: false })
  expect(mayWrite()).toEqual([false, false])
  // In the next room they only listen again.
  session.tell(7, facilitator, { type: 'join-in', joins: true })
  session.tell(8, facilitator, { type: 'visit', roomId: 'birds' })
  expect(mayWrite()).toEqual([false, false])
})

test('two who have each joined in a room write there both: that one begins or stops changes nothing for the other', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'chi')
  session.sendOut(2)
  const other = { kind: 'facilitator', accountId: 'tobias', name: 'Tobias' } as const
  for (const [who, roomId] of [
    [facilitator, 'reeds'],
    [other, 'birds'],
  ] as const) {
    session.tell(3, who, { type: 'visit', roomId })
    session.tell(4, who, { type: 'join-in', joins: true })
  }
  const writing = () =>
    ['ana', 'chi'].map(id => participantView(session.state, id)?.visits.map(({ writesAs }) => writesAs))
  expect(writing()).toEqual([['marit'], ['tobias']])
  session.tell(5, other, { type: 'join-in', joins: false })
  expect(writing()).toEqual([['marit'], [null]])
})
