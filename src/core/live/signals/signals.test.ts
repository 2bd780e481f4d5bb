import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { allMarks } from '../marks'
import { facilitatorView, participantView, projectorView } from '../views'
import { handsUp, signalCounts, timeProposal } from './counts'
import { MOST_MINUTES, SIGNALS, type Signal, shownBy } from './signal'

const rehearsed = () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  return session
}
const shows = (session: Rehearsed, at: number, id: string, signal: Signal | null) =>
  session.tell(at, participant(id), { type: 'set-signal', signal })
const says = (session: Rehearsed, at: number, id: string, minutes: number | null) =>
  session.tell(at, participant(id), { type: 'say-minutes', minutes })
const shown = ({ state }: Rehearsed) =>
  Object.fromEntries(Object.entries(state.signals).map(([id, { signal }]) => [id, signal]))

test('each shows one signal at a time, takes it back, and saying the same again changes nothing', () => {
  const session = rehearsed()
  expect(shows(session, 2, 'ana', 'hand')).toEqual(['signal-set'])
  expect(shows(session, 3, 'ana', 'hand')).toEqual([])
  expect(shows(session, 4, 'ana', 'lost')).toEqual(['signal-set'])
  expect(shown(session)).toEqual({ ana: 'lost' })
  expect(shows(session, 5, 'ana', null)).toEqual(['signals-cleared'])
  expect(shows(session, 6, 'ana', null)).toEqual([])
  expect(shown(session)).toEqual({})
  expect(shows(session, 7, 'nobody', 'hand')).toBe('no-such-participant')
})

test('nobody signals from the waiting list', () => {
  const session = new Rehearsed({ waitingList: true })
  session.join(1, 'ana')
  expect(shows(session, 2, 'ana', 'hand')).toBe('waiting')
})

test('a facilitator clears signals; those that are gone by then are left out', () => {
  const session = rehearsed()
  shows(session, 2, 'ana', 'hand')
  shows(session, 3, 'bo', 'done')
  const clear = (...participantIds: string[]) =>
    session.tell(4, facilitator, { type: 'clear-signals', participantIds })
  expect(clear('chi')).toEqual([])
  expect(clear('ana', 'chi')).toEqual(['signals-cleared'])
  expect(shown(session)).toEqual({ bo: 'done' })
})

test('what no longer applies is gone by itself', () => {
  const gone = (signal: Signal, change: (session: Rehearsed) => void, out = true) => {
    const session = rehearsed()
    if (out) session.sendOut(2)
    shows(session, 3, 'ana', signal)
    shows(session, 3, 'chi', 'done')
    change(session)
    return session.state.signals.ana === undefined
  }
  const goneAfter = (change: (session: Rehearsed) => void, out = true) =>
    SIGNALS.filter(signal => gone(signal, change, out))
  const all = [...SIGNALS]
  const butOut = SIGNALS.filter(signal => signal !== 'stepped-out')
  expect(goneAfter(session => session.sendOut(4), false)).toEqual(butOut)
  expect(
    goneAfter(session => {
      session.tell(4, facilitator, { type: 'call-back' })
      session.tell(70_000, { kind: 'clock' }, { type: 'finish-grace' })
    }),
  ).toEqual(butOut)
  const placed = { type: 'place', participantId: 'ana', roomId: 'birds' } as const
  expect(goneAfter(session => session.tell(4, facilitator, placed))).toEqual(['done', 'more-time', 'lost'])
  expect(goneAfter(session => session.tell(4, facilitator, { type: 'add-time', seconds: 60 }))).toEqual([
    'more-time',
  ])
  const cameBack = (session: Rehearsed) => {
    session.tell(4, door, { type: 'disconnect', participantId: 'ana' })
    session.tell(5, door, { type: 'connect', participantId: 'ana' })
  }
  expect(goneAfter(cameBack)).toEqual(['stepped-out'])
  expect(
    goneAfter(session => session.tell(4, facilitator, { type: 'remove', participantIds: ['ana'] })),
  ).toEqual(all)
  expect(
    goneAfter(session => session.tell(4, facilitator, { type: 'release', participantId: 'ana' })),
  ).toEqual(all)
  expect(goneAfter(session => session.tell(4, facilitator, { type: 'end' }))).toEqual(all)
})

test('a room says how many minutes it needs, in a round, by anybody in it; added time is taken off', () => {
  const session = rehearsed()
  expect(says(session, 2, 'ana', 5)).toBe('not-in-a-room')
  session.sendOut(3)
  expect(says(session, 4, 'ana', 5)).toEqual(['minutes-said'])
  expect(says(session, 5, 'bo', 5)).toEqual([])
  expect(says(session, 6, 'bo', 3)).toEqual(['minutes-said'])
  expect(says(session, 6, 'chi', 0)).toEqual(['minutes-said'])
  expect(session.state.minutesSaid).toEqual({ reeds: 3, birds: 0 })
  session.tell(7, facilitator, { type: 'add-time', seconds: 90 })
  // Three minutes less one and a half: two are still asked for. Who is done stays done.
  expect(session.state.minutesSaid).toEqual({ reeds: 2, birds: 0 })
  session.tell(8, facilitator, { type: 'add-time', seconds: 120 })
  expect(session.state.minutesSaid).toEqual({ birds: 0 })
  expect(says(session, 9, 'chi', null)).toEqual(['minutes-said'])
  expect(session.state.minutesSaid).toEqual({})
  says(session, 10, 'ana', MOST_MINUTES)
  session.tell(11, facilitator, { type: 'call-back' })
  session.tell(80_000, { kind: 'clock' }, { type: 'finish-grace' })
  expect(session.state.minutesSaid).toEqual({})
})

test('of others’ signals no page but the facilitators’ is told anything', () => {
  const session = rehearsed()
  session.sendOut(2)
  shows(session, 3, 'ana', 'lost')
  says(session, 4, 'ana', 2)
  expect(facilitatorView(session.state)).toMatchObject({
    signals: { ana: { signal: 'lost', at: 3 } },
    minutesSaid: { reeds: 2 },
  })
  const seen = (id: string) => participantView(session.state, id)
  expect([seen('ana')?.signal, seen('bo')?.signal, seen('chi')?.signal]).toEqual(['lost', null, null])
  // What a room says of the time its own people see.
  expect([seen('ana')?.minutesSaid, seen('bo')?.minutesSaid, seen('chi')?.minutesSaid]).toEqual([2, 2, null])
  expect(JSON.stringify([seen('bo'), seen('chi'), projectorView(session.state)])).not.toContain('lost')
})

test('signals in rooms leave marks with who and what', () => {
  const session = rehearsed()
  shows(session, 2, 'ana', 'hand')
  session.sendOut(3)
  shows(session, 4, 'ana', 'lost')
  says(session, 5, 'chi', 0)
  says(session, 6, 'chi', 4)
  const marks = allMarks(session.log).filter(({ kind }) => kind === 'signal')
  expect(marks.map(({ roomId, what }) => [roomId, what])).toEqual([
    ['reeds', 'Ana, lost'],
    ['birds', 'the room is done'],
    ['birds', 'the room needs 4 min more'],
  ])
})

test('hands stand in the order they came, whatever order people joined in; signals are counted', () => {
  const session = rehearsed()
  shows(session, 2, 'chi', 'hand')
  shows(session, 3, 'ana', 'hand')
  shows(session, 4, 'bo', 'done')
  const { signals } = facilitatorView(session.state)
  expect(handsUp(signals)).toEqual(['chi', 'ana'])
  expect(signalCounts(signals)).toEqual([
    ['hand', 2],
    ['done', 1],
  ])
  expect(signalCounts(signals, ['bo', 'somebody'])).toEqual([['done', 1]])
  expect(signalCounts({})).toEqual([])
})

test('the clock could be given what is enough for three quarters of the rooms that said anything', () => {
  const proposal = (...minutes: number[]) =>
    timeProposal(Object.fromEntries(minutes.map((each, place) => [`r${place}`, each])))
  expect(proposal()).toBeNull()
  expect(proposal(0)).toEqual({ said: 1, done: 1, more: 0, minutes: 0 })
  expect(proposal(5)).toEqual({ said: 1, done: 0, more: 1, minutes: 5 })
  expect(proposal(0, 0, 2, 10)).toEqual({ said: 4, done: 2, more: 2, minutes: 2 })
  expect(proposal(10, 2, 5)).toEqual({ said: 3, done: 0, more: 3, minutes: 10 })
  expect(proposal(0, 0, 0, 10)).toEqual({ said: 4, done: 3, more: 1, minutes: 0 })
})

test('how many showed what is kept for every half minute in which that changed, as it began', () => {
  const session = rehearsed()
  shows(session, 10_000, 'ana', 'lost')
  shows(session, 20_000, 'bo', 'lost')
  shows(session, 65_000, 'chi', 'hand')
  // One for another, and the same again: nothing that is counted changes.
  shows(session, 70_000, 'ana', 'lost')
  session.tell(125_000, facilitator, { type: 'clear-signals', participantIds: ['ana', 'bo', 'chi'] })
  expect(facilitatorView(session.state).signalsOverTime).toEqual([
    { at: 0, counts: [0, 0, 0, 0, 0] },
    { at: 60_000, counts: [0, 0, 0, 2, 0] },
    { at: 120_000, counts: [1, 0, 0, 2, 0] },
  ])
})

test('what one shows and what several show is said as each is spoken', () => {
  expect(SIGNALS.map(signal => [1, 2].map(count => `${count} ${shownBy(signal, count)}`))).toEqual([
    ['1 wants to speak', '2 want to speak'],
    ['1 done', '2 done'],
    ['1 needs more time', '2 need more time'],
    ['1 lost', '2 lost'],
    ['1 stepped out', '2 stepped out'],
  ])
})
