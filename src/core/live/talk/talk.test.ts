import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { facilitatorView, participantView, projectorView } from '../views'
import { LONGEST_LINE, MOST_LINES } from './line'
import { talkFor } from './talk'

/** Ana and Bo in one room, Chi in another, out in a round. */
function atWork() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  let number = 0
  const say = (id: string, text: string) =>
    session.tell(3, participant(id), { type: 'say-line', lineId: `l${++number}`, text })
  const heard = (id: string) =>
    participantView(session.state, id)?.talk.map(({ by, text }) => `${by}: ${text}`)
  const read = (accountId = 'marit', roomId = 'reeds') =>
    talkFor(session.state, accountId, roomId).map(({ text }) => text)
  return { session, say, heard, read }
}

test('what is said in a room is read in that room and nowhere else', () => {
  const { session, say, heard } = atWork()
  expect(say('ana', '  Shall we begin? ')).toEqual(['line-said'])
  say('bo', 'Yes')
  say('chi', 'Alone here')
  expect(heard('ana')).toEqual(['Ana: Shall we begin?', 'Bo: Yes'])
  expect(heard('chi')).toEqual(['Chi: Alone here'])
  for (const view of [facilitatorView(session.state), projectorView(session.state)])
    expect(JSON.stringify(view)).not.toMatch(/Shall we begin|Alone here/)
  expect(facilitatorView(session.state).linesSaid).toEqual({ reeds: 2, birds: 1 })
})

test('a facilitator reads it while they visit, says something there, and no longer than that', () => {
  const { session, say, heard, read } = atWork()
  say('ana', 'Shall we begin?')
  expect(read()).toEqual([])
  expect(session.tell(4, facilitator, { type: 'say-line', lineId: 'm', text: 'Hello' })).toBe('not-in-a-room')
  session.tell(5, facilitator, { type: 'visit', roomId: 'reeds' })
  expect([read(), read('other'), read('marit', 'birds')]).toEqual([['Shall we begin?'], [], []])
  expect(session.tell(6, facilitator, { type: 'say-line', lineId: 'm', text: 'Hello' })).toEqual([
    'line-said',
  ])
  expect(heard('bo')).toEqual(['Ana: Shall we begin?', 'Marit (facilitator): Hello'])
  session.tell(7, facilitator, { type: 'leave-room' })
  expect(read()).toEqual([])
})

test('once the session says so people are told, and facilitators read what is said from then on without a visit', () => {
  const { session, say, read } = atWork()
  say('ana', 'Between us')
  expect(participantView(session.state, 'ana')?.talkOpen).toBe(false)
  session.tell(4, facilitator, { type: 'open-talk', open: true })
  expect(participantView(session.state, 'ana')?.talkOpen).toBe(true)
  say('bo', 'For all to read')
  session.tell(5, facilitator, { type: 'open-talk', open: false })
  say('ana', 'Between us again')
  expect(read()).toEqual(['For all to read'])
})

test('the next round begins with nothing said, and whoever comes into the room reads what was said in this one', () => {
  const { session, say, heard } = atWork()
  say('ana', 'First round')
  session.tell(4, facilitator, { type: 'call-back' })
  session.tell(64_000, { kind: 'clock' }, { type: 'finish-grace' })
  expect(heard('ana')).toEqual([])
  expect(say('ana', 'With all')).toBe('not-in-a-room')
  session.sendOut(70_000)
  expect(heard('bo')).toEqual([])
  say('bo', 'Second round')
  session.tell(70_001, facilitator, { type: 'place', participantId: 'chi', roomId: 'reeds' })
  expect(heard('chi')).toEqual(['Bo: Second round'])
})

test('a line that hurts goes from all screens, is kept for who may read it, and comes back', () => {
  const { session, say, heard } = atWork()
  say('ana', 'Mean words')
  const take = (off: boolean) =>
    session.tell(5, facilitator, { type: 'take-line-off', roomId: 'reeds', lineId: 'l1', off })
  expect(take(true)).toBe('no-such-line')
  session.tell(4, facilitator, { type: 'visit', roomId: 'reeds' })
  expect(take(true)).toEqual(['line-taken-off'])
  expect(take(true)).toEqual([])
  expect(JSON.stringify(participantView(session.state, 'bo'))).not.toContain('Mean words')
  expect(heard('bo')).toEqual(['Ana: '])
  expect(talkFor(session.state, 'marit', 'reeds')).toMatchObject([{ text: 'Mean words', takenOff: true }])
  expect(take(false)).toEqual(['line-taken-off'])
  expect(heard('bo')).toEqual(['Ana: Mean words'])
  expect(participantView(session.state, 'bo')?.talk[0]).not.toHaveProperty('gone')
})

test('whoever is muted says nothing, nobody says nothing, too long or without end', () => {
  const { session, say } = atWork()
  expect(say('ana', '  ')).toBe('text-empty')
  expect(say('ana', 'x'.repeat(LONGEST_LINE + 1))).toBe('text-too-long')
  for (let number = 0; number < MOST_LINES; number++) expect(say('ana', 'again')).toEqual(['line-said'])
  expect(say('bo', 'one more')).toBe('too-much-said')
  session.tell(4, facilitator, { type: 'mute', participantId: 'chi', muted: true })
  expect(say('chi', 'Hello?')).toBe('may-not-talk')
})

test('a name that is taken off the screens is off the talk as well', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.tell(
    1,
    { kind: 'door' },
    { type: 'join', participantId: 'rude', personId: null, shownName: 'Rude name' },
  )
  session.tell(1, facilitator, { type: 'place', participantId: 'rude', roomId: 'reeds' })
  session.sendOut(2)
  session.tell(3, participant('rude'), { type: 'say-line', lineId: 'l', text: 'Hi' })
  session.tell(4, facilitator, { type: 'hide-name', participantId: 'rude' })
  expect(participantView(session.state, 'ana')?.talk).toMatchObject([{ by: 'Guest 1', text: 'Hi' }])
  session.tell(5, facilitator, { type: 'show-name', participantId: 'rude' })
  expect(participantView(session.state, 'ana')?.talk).toMatchObject([{ by: 'Rude name' }])
})
