import { clock, door, facilitator, participant, plan, Rehearsed } from 'tests/fixtures/rehearsed'
import type { RunSegment } from '../../schedule/running-order'
import { due, nextDue } from '../due'
import { openRooms } from '../rooms/room'
import { facilitatorView, participantView, projectorView } from '../views'
import { currentOf, nextOf } from './state'

const MINUTE = 60_000

const segment = (id: string, kind: RunSegment['kind'], changes: Partial<RunSegment> = {}): RunSegment => ({
  id,
  kind,
  name: '',
  minutes: 10,
  cues: '',
  shown: '',
  warnings: [60],
  graceSeconds: 30,
  says: [],
  groups: { from: 'live' },
  board: 0,
  ...changes,
})
const stations = {
  from: 'plan' as const,
  rooms: [
    { id: 'soil', name: 'Soil', copyId: 'copy-soil', personIds: ['p-ana', 'p-chi'] },
    { id: 'map', name: 'Map', copyId: 'copy-map', personIds: ['p-bo', 'p-dai'] },
  ],
}
const first = {
  from: 'plan' as const,
  rooms: plan.rooms.map(room => ({
    ...room,
    personIds: plan.people.flatMap(({ personId, roomId }) => (roomId === room.id ? [personId] : [])),
  })),
}
const evening = (changes: Partial<RunSegment>[] = []): RunSegment[] =>
  [
    segment('welcome', 'whole', { cues: 'Ask who was at the river.', shown: 'Good evening' }),
    segment('round-1', 'rooms', { name: 'Notes', groups: first }),
    segment('report', 'whole'),
    segment('round-2', 'rooms', { name: 'Stations', minutes: 12, groups: stations, board: 1 }),
    segment('tea', 'break'),
    segment('again', 'rooms', { groups: { from: 'earlier', segmentId: 'round-1' } }),
  ].map((one, index) => ({ ...one, ...changes[index] }))

const board = {
  title: 'Stations',
  steps: ['Turn.'],
  prompts: [{ id: 's', kind: 'cards' as const, text: 'Seen?', settings: {} }],
}

function begun(segments = evening()) {
  const session = new Rehearsed({ segments, moreBoards: [board], startsAt: 0, minutes: 60 })
  session.join(1, 'ana', 'bo', 'chi')
  return session
}
const next = (session: Rehearsed, at: number) => {
  const coming = nextOf(session.state)
  return session.tell(at, facilitator, { type: 'next-segment', segmentId: coming?.id ?? 'none' })
}
function roundOver(session: Rehearsed, at: number) {
  session.tell(at, facilitator, { type: 'call-back' })
  return session.tell(at + 30_000, clock, { type: 'finish-grace' })
}
const where = (session: Rehearsed) =>
  Object.fromEntries([...session.state.participants.values()].map(({ id, roomId }) => [id, roomId]))

test('the first segment begins with the session, the rounds by a press, and the whole group by itself after them', () => {
  const session = begun()
  expect(currentOf(session.state)?.id).toBe('welcome')
  expect(next(session, 10 * MINUTE)).toEqual(['segment-begun', 'sent-out'])
  expect(session.state.round).toMatchObject({ endsAt: 20 * MINUTE, warnings: [60], graceSeconds: 30 })
  expect(roundOver(session, 19 * MINUTE)).toEqual(['round-ended', 'segment-begun', 'rooms-laid-out'])
  expect(currentOf(session.state)?.id).toBe('report')
  expect(nextOf(session.state)?.id).toBe('round-2')
})

test('while everybody is together the rooms of the next round stand ready, with its own board; earlier ones are kept', () => {
  const session = begun()
  next(session, 10 * MINUTE)
  expect(participantView(session.state, 'ana')?.board?.title).toBe('Notes')
  roundOver(session, 19 * MINUTE)
  expect(openRooms(session.state.rooms).map(({ name }) => name)).toEqual(['Soil', 'Map'])
  expect(where(session)).toEqual({ ana: 'soil', bo: 'map', chi: 'soil' })
  expect(projectorView(session.state).task.title).toBe('Stations')
  next(session, 25 * MINUTE)
  expect(participantView(session.state, 'ana')).toMatchObject({ board: { title: 'Stations' } })
  expect(session.state.rooms.find(({ id }) => id === 'reeds')).toMatchObject({ closed: true, used: true })
})

test('somebody of the list who comes late is awaited in the room of the round that runs', () => {
  const session = begun(evening().map(one => (one.id === 'round-2' ? { ...one, groups: stations } : one)))
  next(session, 10 * MINUTE)
  roundOver(session, 19 * MINUTE)
  const late = new Map(session.state.expected.map(({ personId, roomId }) => [personId, roomId]))
  expect(late.get('p-ana')).toBe('soil')
  expect(late.get('p-bo')).toBe('map')
})

test('as in an earlier segment the same rooms are there again with the same people, and their boards', () => {
  const session = begun()
  next(session, 10 * MINUTE)
  roundOver(session, 19 * MINUTE)
  next(session, 25 * MINUTE)
  roundOver(session, 35 * MINUTE)
  // A break waits to be begun; the rooms of the round after it are laid out when it begins.
  expect(next(session, 37 * MINUTE)).toContain('rooms-reopened')
  expect(where(session)).toEqual({ ana: 'reeds', bo: 'reeds', chi: 'birds' })
  expect(openRooms(session.state.rooms).map(({ copyId }) => copyId)).toEqual(['copy-reeds', 'copy-birds'])
  expect(next(session, 45 * MINUTE)).toEqual(['segment-begun', 'sent-out'])
})

test('groups made here go on into a round with another board, in rooms of their own', () => {
  const session = new Rehearsed({
    rooms: [],
    people: [],
    moreBoards: [board],
    segments: [segment('one', 'rooms'), segment('talk', 'whole'), segment('two', 'rooms', { board: 1 })],
  })
  for (const id of ['x', 'y']) {
    session.tell(1, door, { type: 'join', participantId: id, personId: null, shownName: id.toUpperCase() })
    session.tell(1, door, { type: 'connect', participantId: id })
  }
  const groups = [{ name: 'Only', participantIds: ['x', 'y'] }]
  session.tell(2, facilitator, { type: 'make-rooms', groups, ids: ['r1', 'c1'] })
  expect(next(session, 3)).toEqual(['segment-begun', 'sent-out'])
  expect(roundOver(session, MINUTE)).toEqual(['round-ended', 'segment-begun', 'rooms-laid-out'])
  expect(openRooms(session.state.rooms)).toMatchObject([{ name: 'Only', copyId: 'two-0', board: 1 }])
  expect(where(session)).toEqual({ x: 'two-0', y: 'two-0' })
})

test('who was to be in a room and has not come is awaited in the same group, also on another board', () => {
  const session = new Rehearsed({
    moreBoards: [board],
    segments: [
      segment('round-1', 'rooms', { groups: first }),
      segment('talk', 'whole'),
      segment('two', 'rooms', { groups: { from: 'earlier', segmentId: 'round-1' }, board: 1 }),
    ],
  })
  session.join(1, 'ana', 'bo')
  next(session, 2)
  roundOver(session, MINUTE)
  expect(session.state.expected.find(({ personId }) => personId === 'p-chi')?.roomId).toBe('two-1')
  session.join(2 * MINUTE, 'chi')
  expect(where(session)).toEqual({ ana: 'two-0', bo: 'two-0', chi: 'two-1' })
})

test('who has not come by the time that rooms are open again is awaited there too', () => {
  const session = new Rehearsed({ segments: evening(), moreBoards: [board] })
  session.join(1, 'ana', 'bo')
  next(session, 10 * MINUTE)
  roundOver(session, 19 * MINUTE)
  next(session, 25 * MINUTE)
  roundOver(session, 35 * MINUTE)
  expect(next(session, 37 * MINUTE)).toContain('people-awaited')
  expect(openRooms(session.state.rooms).map(({ name }) => name)).toEqual(['Reeds', 'Birds'])
  session.join(38 * MINUTE, 'chi')
  expect(where(session)).toEqual({ ana: 'reeds', bo: 'reeds', chi: 'birds' })
})

test('two who press the same thing begin it once, and a round that runs is called back first', () => {
  const session = begun()
  expect(session.tell(9, facilitator, { type: 'next-segment', segmentId: 'round-1' })).toHaveLength(2)
  expect(session.tell(9, facilitator, { type: 'next-segment', segmentId: 'round-1' })).toEqual([])
  expect(session.tell(10, facilitator, { type: 'next-segment', segmentId: 'report' })).toBe('already-out')
  expect(session.tell(10, facilitator, { type: 'next-segment', segmentId: 'gone' })).toBe('no-such-segment')
})

test('a round can be sent out for another time than planned, within what a round may take', () => {
  const session = begun()
  const out = (seconds: number) =>
    session.tell(MINUTE, facilitator, { type: 'next-segment', segmentId: 'round-1', seconds })
  expect([out(29), out(30)]).toEqual(['bad-length', ['segment-begun', 'sent-out']])
  expect(session.state.round?.endsAt).toBe(MINUTE + 30_000)
})

test('without anybody to send out the round does not begin', () => {
  const session = new Rehearsed({ segments: evening() })
  expect(next(session, 5)).toBe('nobody-to-send')
  expect(currentOf(session.state)?.id).toBe('welcome')
})

test('what has not happened can be skipped, put back, moved, lengthened and added to; what has can not', () => {
  const session = begun()
  const ids = () => session.state.segments.filter(one => !one.skipped).map(({ id }) => id)
  session.tell(2, facilitator, { type: 'skip-segment', segmentId: 'round-1', skipped: true })
  expect(nextOf(session.state)?.id).toBe('report')
  session.tell(2, facilitator, { type: 'skip-segment', segmentId: 'round-1', skipped: false })
  session.tell(3, facilitator, { type: 'move-segment', segmentId: 'tea', beforeId: 'round-1' })
  expect(ids().slice(0, 3)).toEqual(['welcome', 'tea', 'round-1'])
  session.tell(3, facilitator, {
    type: 'insert-segment',
    segmentId: 'new',
    kind: 'rooms',
    name: '',
    minutes: 6,
    beforeId: null,
  })
  expect(ids().at(-1)).toBe('new')
  session.tell(4, facilitator, { type: 'set-lengths', lengths: [{ segmentId: 'tea', minutes: 4 }] })
  expect(session.state.segments.find(({ id }) => id === 'tea')?.minutes).toBe(4)
  for (const request of [
    { type: 'skip-segment', segmentId: 'welcome', skipped: true },
    { type: 'move-segment', segmentId: 'tea', beforeId: 'welcome' },
    { type: 'move-segment', segmentId: 'welcome', beforeId: null },
  ] as const)
    expect(session.tell(5, facilitator, request)).toBe('segment-over')
  expect(
    session.tell(5, facilitator, { type: 'set-lengths', lengths: [{ segmentId: 'welcome', minutes: 20 }] }),
  ).toEqual(['segment-length-set'])
})

test('skipping a round lays out the rooms of the one that comes instead', () => {
  const session = begun()
  session.tell(2, facilitator, { type: 'skip-segment', segmentId: 'round-1', skipped: true })
  session.tell(2, facilitator, { type: 'skip-segment', segmentId: 'report', skipped: true })
  expect(where(session)).toEqual({ ana: 'soil', bo: 'map', chi: 'soil' })
  session.tell(3, facilitator, { type: 'skip-segment', segmentId: 'round-1', skipped: false })
  expect(where(session)).toEqual({ ana: 'reeds', bo: 'reeds', chi: 'birds' })
})

test('what is to be said in a round is said once, at its time, and not after the call back', () => {
  const says = [
    { when: 'half' as const, minutes: 0, text: 'Half time' },
    { when: 'before-end' as const, minutes: 2, text: 'Two more' },
    { when: 'after-start' as const, minutes: 50, text: 'Never' },
  ]
  const session = begun(evening([{}, { says, warnings: [] }]))
  next(session, 10 * MINUTE)
  expect(nextDue(session.state)).toBe(15 * MINUTE)
  const [half] = due(session.state, 15 * MINUTE)
  if (!half) throw new Error('Nothing is due.')
  expect(session.tell(15 * MINUTE, clock, half)).toEqual(['broadcast'])
  expect(session.tell(15 * MINUTE, clock, half)).toEqual([])
  expect(nextDue(session.state)).toBe(18 * MINUTE)
  session.tell(16 * MINUTE, facilitator, { type: 'call-back' })
  expect(due(session.state, 16 * MINUTE)).toEqual([])
  expect(session.state.messages.map(({ text }) => text)).toEqual(['Half time'])
})

test('cues are for facilitators alone; everybody reads what is now and what comes', () => {
  const session = begun()
  expect(JSON.stringify(facilitatorView(session.state).order)).toContain('Ask who was at the river.')
  for (const view of [participantView(session.state, 'ana'), projectorView(session.state)])
    expect(JSON.stringify(view)).not.toContain('Ask who was at the river.')
  expect(participantView(session.state, 'ana')?.program).toEqual({
    now: { kind: 'whole', name: 'Whole group' },
    next: { kind: 'rooms', name: 'Notes', minutes: 10 },
  })
  expect(projectorView(session.state).shown).toBe('Good evening')
})

test('a session ended by mistake goes on within a day where it was, its round with the time it had left', () => {
  const session = begun()
  next(session, 10 * MINUTE)
  session.tell(14 * MINUTE, facilitator, { type: 'end' })
  expect(session.state).toMatchObject({ phase: 'ended', round: null })
  expect(session.tell(20 * MINUTE, facilitator, { type: 'reopen-session' })).toEqual(['reopened'])
  expect(session.state).toMatchObject({
    phase: 'open',
    endedAt: null,
    pastRounds: [],
    round: { endsAt: 26 * MINUTE },
  })
  expect(currentOf(session.state)?.id).toBe('round-1')
  expect(participantView(session.state, 'ana')?.whereabouts).toMatchObject({ where: 'room', name: 'Reeds' })
  expect(session.tell(21 * MINUTE, facilitator, { type: 'reopen-session' })).toEqual([])
})

test('after a day it stays ended, and one that ended between rounds has no round again', () => {
  const session = begun()
  next(session, 10 * MINUTE)
  roundOver(session, 12 * MINUTE)
  session.tell(15 * MINUTE, facilitator, { type: 'end' })
  expect(session.tell(15 * MINUTE + 86_400_001, facilitator, { type: 'reopen-session' })).toBe(
    'ended-long-ago',
  )
  session.tell(16 * MINUTE, facilitator, { type: 'reopen-session' })
  expect(session.state).toMatchObject({ round: null, pastRounds: [{ number: 1 }] })
  expect(currentOf(session.state)?.id).toBe('report')
})

test('groups as in a round that was left out are those it was planned with, also so many rooms on; as they were where one before it ran', () => {
  const of = (from: 'earlier' | 'next-step', segmentId: string) => ({ groups: { from, segmentId } })
  const round = (id: string, changes: Partial<RunSegment>) => segment(id, 'rooms', changes)
  const leaveOut = (session: Rehearsed, ...ids: string[]) => {
    for (const segmentId of ids)
      session.tell(2, facilitator, { type: 'skip-segment', segmentId, skipped: true })
  }
  const names = (session: Rehearsed) => openRooms(session.state.rooms).map(({ name }) => name)
  const groups = (session: Rehearsed) => {
    const nameOf = new Map(session.state.rooms.map(({ id, name }) => [id, name]))
    return Object.entries(where(session)).map(([who, id]) => [who, nameOf.get(id ?? '')])
  }
  const plans = () =>
    begun([
      segment('welcome', 'whole'),
      round('one', { groups: stations }),
      round('other', { groups: first }),
      segment('tea', 'break'),
      round('two', { ...of('earlier', 'one'), board: 1 }),
      round('three', of('next-step', 'two')),
      round('four', of('next-step', 'three')),
    ])
  const session = plans()
  leaveOut(session, 'one', 'other', 'tea')
  expect(names(session)).toEqual(['Soil', 'Map'])
  const planned = [
    ['ana', 'Soil'],
    ['bo', 'Map'],
    ['chi', 'Soil'],
  ]
  expect(groups(session)).toEqual(planned)
  const onePlaceOn = planned.map(([who, room]) => [who, room === 'Soil' ? 'Map' : 'Soil'])
  leaveOut(session, 'two')
  expect(groups(session)).toEqual(onePlaceOn)
  leaveOut(session, 'three')
  expect(groups(session)).toEqual(planned)

  // Where an earlier one ran, its people are taken as they were in it, also who is on no list.
  const ran = plans()
  next(ran, 3)
  ran.tell(4, facilitator, { type: 'place', participantId: 'bo', roomId: 'birds' })
  leaveOut(ran, 'other', 'tea', 'two')
  roundOver(ran, MINUTE)
  expect(groups(ran)).toEqual([
    ['ana', 'Birds'],
    ['bo', 'Reeds'],
    ['chi', 'Reeds'],
  ])
})

test('a board for each room: stations, and in the next step each group is one room on, with a board of its own', () => {
  const three = { ...board, title: 'Third' }
  const steps = [
    segment('one', 'rooms', { groups: stations, boards: [1, 2] }),
    segment('talk', 'whole'),
    segment('two', 'rooms', { groups: { from: 'next-step', segmentId: 'one' }, boards: [1, 2] }),
    segment('talk-2', 'whole'),
    segment('three', 'rooms', { groups: { from: 'next-step', segmentId: 'two' }, boards: [1, 2] }),
  ]
  const rooms = stations.rooms.map(({ id, name, copyId }, place) => ({ id, name, copyId, board: place + 1 }))
  const people = plan.people.map(person => ({
    ...person,
    roomId: person.personId === 'p-bo' ? 'map' : 'soil',
  }))
  const session = new Rehearsed({ rooms, people, moreBoards: [board, three], segments: steps })
  session.join(1, 'ana', 'bo')
  expect(where(session)).toEqual({ ana: 'soil', bo: 'map' })
  next(session, 2)
  const titles = () => ['ana', 'bo'].map(id => participantView(session.state, id)?.board?.title)
  expect(titles()).toEqual(['Stations', 'Third'])
  roundOver(session, MINUTE)
  expect(openRooms(session.state.rooms)).toMatchObject([
    { name: 'Soil', board: 1, copyId: 'two-0' },
    { name: 'Map', board: 2, copyId: 'two-1' },
  ])
  // Who has not come is awaited one room on as well.
  expect(session.state.expected.find(({ personId }) => personId === 'p-chi')?.roomId).toBe('two-1')
  next(session, 3 * MINUTE)
  expect(titles()).toEqual(['Third', 'Stations'])
  roundOver(session, 4 * MINUTE)
  next(session, 6 * MINUTE)
  expect(titles()).toEqual(['Stations', 'Third'])
})

test('stations that stay are the rooms of before with others in them, what was said to be done begins anew; blank ones are new', () => {
  const parts = [{ id: 'p', title: 'Then', steps: [], opens: 'done' as const }]
  const stationsOf = (asLeft: boolean) => [
    segment('one', 'rooms', { groups: stations, boards: [1, 2] }),
    segment('two', 'rooms', {
      groups: { from: 'next-step', segmentId: 'one' },
      boards: [1, 2],
      ...(asLeft && { asLeft }),
    }),
    // Groups of their own, at the same stations.
    segment('three', 'rooms', {
      groups: { from: 'plan', rooms: [{ id: 'x', name: 'X', copyId: 'cx', personIds: ['p-ana', 'p-bo'] }] },
      boards: [1, 2],
      ...(asLeft && { asLeft }),
    }),
  ]
  const rooms = stations.rooms.map(({ id, name, copyId }, place) => ({ id, name, copyId, board: place + 1 }))
  const people = plan.people.map(person => ({
    ...person,
    roomId: person.personId === 'p-bo' ? 'map' : 'soil',
  }))
  for (const asLeft of [true, false]) {
    const moreBoards = [
      { ...board, parts },
      { ...board, title: 'Third' },
    ]
    const session = new Rehearsed({ rooms, people, moreBoards, segments: stationsOf(asLeft) })
    session.join(1, 'ana', 'bo')
    next(session, 2)
    session.tell(3, participant('ana'), { type: 'say-part-done', partId: 'first', done: true })
    roundOver(session, MINUTE)
    next(session, 3 * MINUTE)
    expect(where(session)).toEqual(asLeft ? { ana: 'map', bo: 'soil' } : { ana: 'two-1', bo: 'two-0' })
    expect(participantView(session.state, 'bo')).toMatchObject({ partsDone: [], partsShut: 1 })
    const copies = session.state.rooms.filter(({ closed }) => !closed).map(({ copyId }) => copyId)
    expect(copies).toEqual(asLeft ? stations.rooms.map(({ copyId }) => copyId) : ['two-0', 'two-1'])
    roundOver(session, 4 * MINUTE)
    next(session, 6 * MINUTE)
    expect(where(session)).toEqual(asLeft ? { ana: 'soil', bo: 'soil' } : { ana: 'x', bo: 'x' })
  }
})

test('by choice: the rooms stand there while everybody is together, and people choose until they are sent out', () => {
  const rooms = [
    { id: 'a', name: 'Text', copyId: 'ca' },
    { id: 'b', name: 'Picture', copyId: 'cb' },
  ]
  for (const first of [[], [segment('talk', 'whole')]]) {
    const session = new Rehearsed({
      rooms: [],
      segments: [...first, segment('r', 'rooms', { groups: { from: 'choice', rooms, least: 1, most: 1 } })],
    })
    session.join(1, 'ana', 'bo')
    expect(participantView(session.state, 'ana')?.roomsToChoose?.rooms).toHaveLength(2)
    session.tell(2, participant('ana'), { type: 'choose-room', roomId: 'b' })
    expect(session.tell(2, participant('bo'), { type: 'choose-room', roomId: 'b' })).toBe('room-full')
    next(session, 3)
    expect(where(session)).toEqual({ ana: 'b', bo: null })
    expect(session.state.choosing).toBeNull()
  }
})

test('only the parts that are open are seen, and a facilitator opens others while the round runs', () => {
  const two = {
    ...board,
    prompts: ['s', 't'].map(id => ({ ...board.prompts[0], id })) as typeof board.prompts,
  }
  const session = new Rehearsed({
    board: two,
    segments: [
      segment('one', 'rooms', { groups: first, parts: ['s'] }),
      segment('w', 'whole'),
      segment('x', 'rooms'),
    ],
  })
  session.join(1, 'ana', 'bo')
  next(session, 2)
  const seen = () => participantView(session.state, 'ana')?.board?.prompts.map(({ id }) => id)
  expect(seen()).toEqual(['s'])
  const open = (parts: string[] | null) => session.tell(3, facilitator, { type: 'open-parts', parts })
  expect([open(['s', 't', 'gone']), open(['s', 't'])]).toEqual([['parts-opened'], []])
  expect(seen()).toEqual(['s', 't'])
  open(['t'])
  expect(seen()).toEqual(['t'])
  // The next round has its own.
  roundOver(session, MINUTE)
  next(session, 2 * MINUTE)
  expect(seen()).toEqual(['s', 't'])
})

test('terms and roles of a segment hold for its round, what was said in Live as well, and not for the next', () => {
  const session = new Rehearsed({
    segments: [
      segment('one', 'rooms', {
        groups: first,
        terms: { invited: true, mayChange: false, mayReturn: false },
        roles: { rule: 'alphabet', mayPass: false },
      }),
      segment('w', 'whole'),
      segment('two', 'rooms'),
    ],
  })
  session.join(1, 'ana', 'bo')
  session.tell(1, facilitator, { type: 'set-terms', invited: true, mayChange: true, mayReturn: false })
  expect(next(session, 2)).toEqual(['segment-begun', 'sent-out', 'roles-given'])
  expect(session.state).toMatchObject({ terms: { invited: true, mayChange: true } })
  expect(participantView(session.state, 'ana')?.moves).toMatchObject({ enter: 'Reeds' })
  session.tell(3, participant('ana'), { type: 'enter-room' })
  expect(participantView(session.state, 'ana')?.roles).toMatchObject({ mayPass: false })
  roundOver(session, MINUTE)
  expect(session.state).toMatchObject({ terms: { invited: false, mayChange: false }, rolesRule: null })
  expect(next(session, 2 * MINUTE)).toEqual(['segment-begun', 'sent-out'])
})

test('a station stays in its place, with its board, also while its group has not come', () => {
  const three = { ...board, title: 'Third' }
  const rooms = stations.rooms.map(({ id, name, copyId }) => ({ id, name, copyId }))
  const people = plan.people.map(person => ({
    ...person,
    roomId: person.personId === 'p-ana' ? 'map' : 'soil',
  }))
  const session = new Rehearsed({
    rooms,
    people,
    moreBoards: [board, three],
    segments: [
      segment('one', 'rooms', { groups: stations }),
      segment('talk', 'whole'),
      segment('two', 'rooms', { groups: { from: 'earlier', segmentId: 'one' }, boards: [1, 2] }),
      segment('talk-2', 'whole'),
      segment('three', 'rooms', { groups: { from: 'next-step', segmentId: 'two' }, boards: [1, 2] }),
    ],
  })
  // Only of the second group somebody has come.
  session.join(1, 'ana')
  next(session, 2)
  roundOver(session, MINUTE)
  expect(openRooms(session.state.rooms)).toMatchObject([
    { name: 'Soil', board: 1 },
    { name: 'Map', board: 2 },
  ])
  expect(where(session)).toEqual({ ana: 'two-1' })
  next(session, 3 * MINUTE)
  roundOver(session, 4 * MINUTE)
  expect(where(session)).toEqual({ ana: 'three-0' })
  expect(openRooms(session.state.rooms)).toHaveLength(2)
})
