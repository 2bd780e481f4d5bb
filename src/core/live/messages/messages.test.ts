import { clock, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { due } from '../due'
import { marksOf } from '../marks'
import { facilitatorRequestSchema } from '../topics'
import { facilitatorView, participantView, projectorView } from '../views'
import { MOST_SCHEDULED } from './message'

test('messages stay until put away, each for each', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  session.tell(2, facilitator, { type: 'broadcast', messageId: 'm', text: ' Five minutes. ' })
  expect(session.tell(3, participant('ana'), { type: 'put-away', messageId: 'm' })).toEqual(['put-away'])
  expect(session.tell(4, participant('ana'), { type: 'put-away', messageId: 'm' })).toEqual([])
  expect(session.tell(4, participant('ana'), { type: 'put-away', messageId: 'other' })).toBe(
    'no-such-message',
  )
  expect(session.state.putAway).toEqual({ ana: ['m'] })
  expect(session.state.messages[0]).toMatchObject({ text: 'Five minutes.', from: 'Marit' })
  expect(session.tell(5, facilitator, { type: 'broadcast', messageId: 'n', text: '  ' })).toBe('text-empty')
  expect(session.tell(5, facilitator, { type: 'broadcast', messageId: 'n', text: 'x'.repeat(501) })).toBe(
    'text-too-long',
  )
})

test('the same words to the same people within ten seconds are said once, whoever says them; later, or to others, again', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  const kim = { kind: 'facilitator', accountId: 'kim', name: 'Kim' } as const
  let number = 0
  const say = (at: number, who: typeof facilitator, more: object = {}) =>
    session.tell(at, who, { type: 'broadcast', messageId: `m${++number}`, text: 'Come back.', ...more })
  expect(say(1_000, facilitator)).toEqual(['broadcast'])
  expect(say(1_000, kim, { text: ' Come back. ' })).toEqual([])
  expect(say(10_999, facilitator)).toEqual([])
  expect(say(10_999, kim, { roomIds: ['reeds'] })).toEqual(['broadcast'])
  expect(say(10_999, kim, { link: 'https://tides.example/today' })).toEqual(['broadcast'])
  expect(say(11_000, facilitator)).toEqual(['broadcast'])
  expect(session.state.messages).toHaveLength(4)
})

test('the same note to the same room or person within ten seconds is one; the call it answers is closed all the same', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  let number = 0
  const note = (at: number, more: object = {}) =>
    session.tell(at, facilitator, {
      type: 'note',
      messageId: `n${++number}`,
      roomId: 'reeds',
      text: 'Look closer.',
      helpId: null,
      ...more,
    })
  expect(note(1_000)).toEqual(['note'])
  session.tell(1_000, participant('ana'), { type: 'call-help', helpId: 'h' })
  expect(note(2_000, { text: 'Look closer. ' })).toEqual([])
  expect(note(2_000, { helpId: 'h' })).toEqual(['help-closed'])
  expect(note(2_000, { roomId: 'birds' })).toEqual(['note'])
  expect(note(11_000)).toEqual(['note'])
  const alone = (at: number, participantId: string) =>
    session.tell(at, facilitator, {
      type: 'note-to-person',
      messageId: `n${++number}`,
      participantId,
      text: 'Look closer.',
    })
  expect([alone(11_000, 'ana'), alone(11_500, 'ana'), alone(11_500, 'bo'), alone(21_000, 'ana')]).toEqual([
    ['note-to-person'],
    [],
    ['note-to-person'],
    ['note-to-person'],
  ])
})

test('a note reaches those who are in its room, whoever comes in later too, and nobody else', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  const note = { type: 'note', messageId: 'n', roomId: 'reeds', text: 'Look closer.', helpId: null } as const
  expect(session.tell(2, facilitator, { ...note, roomId: 'nowhere' })).toBe('no-such-room')
  session.sendOut(2)
  expect(session.tell(3, facilitator, note)).toEqual(['note'])
  const reads = (id: string) => participantView(session.state, id)?.messages.map(message => message.text)
  expect([reads('ana'), reads('bo'), reads('chi')]).toEqual([['Look closer.'], ['Look closer.'], []])
  session.tell(4, facilitator, { type: 'place', participantId: 'chi', roomId: 'reeds' })
  session.tell(4, facilitator, { type: 'place', participantId: 'bo', roomId: 'birds' })
  expect([reads('bo'), reads('chi')]).toEqual([[], ['Look closer.']])
})

const reads = ({ state }: Rehearsed, id: string) =>
  participantView(state, id)?.messages.map(message => message.text)

test('a broadcast to some rooms is read there alone, leaves its mark there, and is not on the projector', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const before = session.state
  const say = (roomIds: string[]) =>
    session.tell(3, facilitator, { type: 'broadcast', messageId: 'm', text: 'For Birds.', roomIds })
  expect(say(['birds', 'nowhere'])).toBe('no-such-room')
  expect(say(['birds', 'birds'])).toEqual(['broadcast'])
  expect([reads(session, 'ana'), reads(session, 'chi')]).toEqual([[], ['For Birds.']])
  const event = session.log.at(-1)
  expect(event && marksOf(before, event)).toMatchObject([{ roomId: 'birds', what: 'For Birds.' }])
  expect(projectorView(session.state)?.broadcast).toBeNull()
  session.tell(4, facilitator, { type: 'broadcast', messageId: 'all', text: 'For all.' })
  expect(projectorView(session.state)?.broadcast).toMatchObject({ text: 'For all.' })
  // It belongs to the room: whoever leaves it has it no more.
  session.tell(5, facilitator, { type: 'place', participantId: 'chi', roomId: null })
  expect(reads(session, 'chi')).toEqual(['For all.'])
})

test('only rooms that have not said that they are done are told; when all are, nothing is said', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const done = (id: string) =>
    session.tell(3, participant(id), { type: 'say-part-done', partId: 'first', done: true })
  const tell = (messageId: string) =>
    session.tell(4, facilitator, { type: 'broadcast', messageId, text: 'Come to an end.', notDone: 'first' })
  done('ana')
  expect(tell('m')).toEqual(['broadcast'])
  expect(session.state.messages.at(-1)?.roomIds).toEqual(['birds'])
  expect([reads(session, 'bo'), reads(session, 'chi')]).toEqual([[], ['Come to an end.']])
  done('chi')
  expect(tell('n')).toBe('all-done')
})

test('a link goes with it when it is a web address; what is of the library only the server adds', () => {
  const asks = (link: string) =>
    facilitatorRequestSchema.safeParse({ type: 'broadcast', text: 'Read this.', link }).success
  expect([asks('https://tides.example/today'), asks('javascript:alert(1)'), asks('tides')]).toEqual([
    true,
    false,
    false,
  ])
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.tell(2, facilitator, {
    type: 'broadcast',
    messageId: 'm',
    text: 'Read this.',
    link: 'https://tides.example/today',
  })
  expect(participantView(session.state, 'ana')?.messages[0]?.thing).toMatchObject({
    is: 'link',
    address: 'https://tides.example/today',
  })
  const thing = { is: 'picture', title: 'Map', file: 'a'.repeat(64), width: 8, height: 6 }
  expect(facilitatorRequestSchema.safeParse({ type: 'broadcast-material', text: 'x', thing }).success).toBe(
    false,
  )
})

test('what waits for its time is said then and once, to rooms that have still not done the part, or taken back', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const later = (messageId: string, minutes: number, more: object = {}) =>
    session.tell(0, facilitator, { type: 'broadcast', messageId, text: messageId, minutes, ...more })
  expect(later('second', 10)).toEqual(['broadcast-scheduled'])
  expect(later('first', 5, { notDone: 'first' })).toEqual(['broadcast-scheduled'])
  expect(later('third', 15)).toEqual(['broadcast-scheduled'])
  expect(facilitatorView(session.state).scheduled.map(({ id }) => id)).toEqual(['first', 'second', 'third'])
  expect(due(session.state, 5 * 60_000 - 1).map(({ type }) => type)).not.toContain('say-scheduled')
  session.tell(4, participant('ana'), { type: 'say-part-done', partId: 'first', done: true })
  const say = (at: number) => {
    const command = due(session.state, at).find(({ type }) => type === 'say-scheduled')
    return command && session.tell(at, clock, command)
  }
  expect(say(5 * 60_000)).toEqual(['broadcast'])
  expect([reads(session, 'bo'), reads(session, 'chi')]).toEqual([[], ['first']])
  expect(say(5 * 60_000)).toBeUndefined()
  expect(session.tell(5, facilitator, { type: 'drop-scheduled', messageId: 'second' })).toEqual([
    'scheduled-dropped',
  ])
  expect(session.tell(5, facilitator, { type: 'drop-scheduled', messageId: 'second' })).toBe(
    'no-such-message',
  )
  expect(say(20 * 60_000)).toEqual(['broadcast'])
  expect(session.state).toMatchObject({ scheduled: [] })
  expect(reads(session, 'chi')).toEqual(['first', 'third'])
})

test('so many can wait, and no more; after the end nothing is said any more; rooms that are all done by then are not told', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  const later = (messageId: string) =>
    session.tell(0, facilitator, { type: 'broadcast', messageId, text: 'x', minutes: 1, notDone: 'first' })
  for (let count = 0; count < MOST_SCHEDULED; count++) later(`m${count}`)
  expect(later('more')).toBe('too-many-scheduled')
  session.tell(3, participant('ana'), { type: 'say-part-done', partId: 'first', done: true })
  expect(session.tell(60_000, clock, { type: 'say-scheduled', messageId: 'm0' })).toEqual([
    'scheduled-dropped',
  ])
  expect(session.state).toMatchObject({ messages: [] })
  session.tell(60_001, facilitator, { type: 'end' })
  expect(due(session.state, 120_000)).toEqual([])
})

test('a note to a person is read by them alone, wherever they are, in its place among all others', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const note = (participantId: string, text: string, messageId = 'n', at = 4) =>
    session.tell(at, facilitator, { type: 'note-to-person', messageId, participantId, text })
  expect(note('nobody', 'x')).toBe('no-such-participant')
  expect(note('ana', ' ')).toBe('text-empty')
  session.tell(3, facilitator, { type: 'broadcast', messageId: 'before', text: 'before' })
  const before = session.state
  expect(note('ana', 'For Ana.')).toEqual(['note-to-person'])
  expect(note('ana', 'For Ana.')).toEqual([])
  const event = session.log.at(-1)
  expect(event && marksOf(before, event)).toMatchObject([{ roomId: 'reeds', kind: 'note', what: 'For Ana.' }])
  session.tell(5, facilitator, { type: 'broadcast', messageId: 'after', text: 'after' })
  expect(reads(session, 'ana')).toEqual(['before', 'For Ana.', 'after'])
  for (const id of ['bo', 'chi']) expect(reads(session, id)).toEqual(['before', 'after'])
  expect(projectorView(session.state)?.broadcast).toMatchObject({ text: 'after' })
  expect(facilitatorView(session.state).heard.n).toEqual({ seen: 0, of: 1, unseen: { reeds: 1 } })
  session.tell(6, facilitator, { type: 'place', participantId: 'ana', roomId: null })
  expect(reads(session, 'ana')).toEqual(['before', 'For Ana.', 'after'])
  session.tell(7, participant('ana'), { type: 'see-messages', messageIds: ['n'] })
  expect(facilitatorView(session.state).heard.n).toEqual({ seen: 1, of: 1, unseen: {} })
  session.tell(8, facilitator, { type: 'put-in', names: ['Uma'], ids: ['uma'] })
  expect(note('uma', 'x', 'u')).toBe('no-device')
})
