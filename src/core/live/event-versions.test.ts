import alone from 'tests/fixtures/recorded/alone-first-4.json' with { type: 'json' }
import askedAndShown from 'tests/fixtures/recorded/asked-and-shown-4.json' with { type: 'json' }
import evening from 'tests/fixtures/recorded/evening.json' with { type: 'json' }
import everyEvent from 'tests/fixtures/recorded/every-event.json' with { type: 'json' }
import everyEvent2 from 'tests/fixtures/recorded/every-event-2.json' with { type: 'json' }
import looking from 'tests/fixtures/recorded/looking-4.json' with { type: 'json' }
import parts from 'tests/fixtures/recorded/parts-4.json' with { type: 'json' }
import roomsMadeLive from 'tests/fixtures/recorded/rooms-made-live-3.json' with { type: 'json' }
import runningOrder from 'tests/fixtures/recorded/running-order-3.json' with { type: 'json' }
import startedNow from 'tests/fixtures/recorded/started-now-3.json' with { type: 'json' }
import stations from 'tests/fixtures/recorded/stations-4.json' with { type: 'json' }
import { Rehearsed } from 'tests/fixtures/rehearsed'
import { EVENT_VERSION, readEvent, UnreadableEventError } from './event-versions'
import { fold } from './evolve'
import { EVENT_SHAPES } from './topics'

interface Kept {
  seq: number
  at: number
  payload: unknown
}
const read = (events: Kept[], version: number) =>
  events.map(({ seq, at, payload }) => ({ seq, at, event: readEvent(payload, version) }))

/** The state a log leads to, as it was kept: participants by id, and the one board there was. */
function folded(events: Kept[], version: number) {
  const state = fold(read(events, version))
  // A message was for one room, or for everybody.
  const messages = state.messages.map(message => ({ ...message, roomId: message.roomIds?.[0] ?? null }))
  return { ...state, messages, board: state.boards[0], participants: Object.fromEntries(state.participants) }
}

/** The types of all events there are, from the topics themselves. */
const allTypes = [...EVENT_SHAPES.keys()]

test('a log with one event of every kind of the first version folds to what it folded to then', () => {
  expect(folded(everyEvent.events, 1)).toMatchObject(everyEvent.state)
})

test('a log with one event of every kind of the second version folds to what it folded to then', () => {
  const withSettings = {
    ...everyEvent2.state.board,
    prompts: everyEvent2.state.board.prompts.map(prompt => ({ ...prompt, settings: {} })),
  }
  expect(folded(everyEvent2.events, 2)).toMatchObject({ ...everyEvent2.state, board: withSettings })
})

test('a session started with nothing prepared, with rooms made in it twice, folds to what it folded to then', () => {
  expect(startedNow.state.rooms.map(room => room.closed)).toEqual([true, true, false, false])
  expect(folded(startedNow.events, startedNow.version)).toMatchObject(startedNow.state)
})

test('a log in which rooms came and went, and people were put in and found on a list, folds to what it folded to then', () => {
  const types = roomsMadeLive.events.map(({ payload }) => payload.type)
  for (const type of [
    'cohort-attached',
    'people-listed',
    'rooms-undone',
    'room-closed',
    'rooms-reopened',
    'late-set',
  ])
    expect(types).toContain(type)
  expect(folded(roomsMadeLive.events, roomsMadeLive.version)).toMatchObject(roomsMadeLive.state)
})

test('a log of an evening in segments, ended by mistake in between, folds to what it folded to then', () => {
  const types = runningOrder.events.map(({ payload }) => payload.type)
  for (const type of ['rooms-laid-out', 'rooms-reopened', 'segment-inserted', 'segment-moved', 'reopened'])
    expect(types).toContain(type)
  // Rooms had one board for all.
  const { boardToCome, ...state } = runningOrder.state
  expect(folded(runningOrder.events, runningOrder.version)).toMatchObject({
    ...state,
    boardsToCome: [boardToCome],
  })
})

test('a log of rooms chosen, invitations, stations and roles folds to what it folded to then', () => {
  const types = stations.events.map(({ payload }) => payload.type)
  for (const type of ['choosing-opened', 'terms-set', 'roles-given', 'role-passed', 'parts-opened'])
    expect(types).toContain(type)
  const { roles, rolesHeld, ...state } = stations.state
  const now = folded(stations.events, stations.version)
  expect(now).toMatchObject(state)
  expect([Object.fromEntries(now.roles), Object.fromEntries(now.rolesHeld)]).toEqual([roles, rolesHeld])
})

test('a log of a board in parts, with prompts of many kinds, folds to what it folded to then', () => {
  const types = parts.events.map(({ payload }) => payload.type)
  for (const type of ['part-opened', 'part-shut', 'part-done', 'part-not-done']) expect(types).toContain(type)
  expect(Object.keys(parts.state.partsSaid)).toEqual(['reeds', 'birds'])
  expect(folded(parts.events, parts.version)).toMatchObject(parts.state)
})

test('a log of hidden texts that were opened and a board that was corrected folds to what it folded to then', () => {
  const types = looking.events.map(({ payload }) => payload.type)
  for (const type of ['hidden-text-opened', 'board-corrected']) expect(types).toContain(type)
  expect(folded(looking.events, looking.version)).toMatchObject(looking.state)
})

test('a log of hidden cards, another board given, material given and taken back, and stations as they were left folds to what it folded to then', () => {
  const types = alone.events.map(({ payload }) => payload.type)
  for (const type of ['board-corrected', 'hidden-text-opened', 'material-given', 'material-taken-back'])
    expect(types).toContain(type)
  expect(alone.state.rooms.map(({ copyId }) => copyId)).toEqual(['cs', 'cm'])
  expect(folded(alone.events, alone.version)).toMatchObject(alone.state)
})

test('a log of questions of every kind, of what was put up, turned and played, and of a report back folds to what it folded to then', () => {
  const types = askedAndShown.events.map(({ payload }) => payload.type)
  for (const type of [
    'answers-drawn',
    'answers-lost',
    'thing-put-up',
    'page-turned',
    'played',
    'room-heard',
    'points-taken',
  ])
    expect(types).toContain(type)
  const now = folded(askedAndShown.events, askedAndShown.version)
  expect(now).toMatchObject(askedAndShown.state)
  expect([...now.answersGiven].map(([id, given]) => [id, [...given]])).toEqual(askedAndShown.answersGiven)
  expect(
    [...now.answersApart].map(([id, { answeredIds, drawnIds, answers }]) => [
      id,
      { answeredIds: [...answeredIds], drawnIds: [...drawnIds], answers },
    ]),
  ).toEqual(askedAndShown.answersApart)
})

test('an evening recorded by the first version folds to an ended session with everybody in it', () => {
  const state = fold(read(evening.events, 1))
  expect(state).toMatchObject({ phase: 'ended', round: null })
  const names = [...state.participants.values()].map(each => each.shownName)
  expect(names.sort()).toEqual(
    evening.people
      .filter(each => each.presentMs > 0)
      .map(each => each.shownName)
      .sort(),
  )
})

test('what is written today is read as it is, whatever kind it is of', () => {
  const session = new Rehearsed({ waitingList: true })
  const [opened] = session.log
  const plan = opened?.event.type === 'opened' ? opened.event.plan : undefined
  const examples: Record<string, object> = {
    opened: { plan },
    joined: {
      participantId: 'a',
      personId: null,
      shownName: 'A',
      admitted: true,
      withoutDevice: { besideId: null },
    },
    admitted: { participantIds: ['a'] },
    'signal-set': { participantId: 'a', signal: 'hand' },
    'signals-cleared': { participantIds: ['a'] },
    'minutes-said': { roomId: 'r', participantId: 'a', minutes: null },
    connected: { participantId: 'a', onPhone: true },
    disconnected: { participantId: 'a' },
    released: { participantId: 'a' },
    removed: { participantIds: ['a'] },
    crowded: {},
    'door-locked': { on: true },
    'name-doubted': { doubtId: 'd', participantId: 'a', how: 'not-me' },
    'doubt-settled': { doubtId: 'd' },
    'sent-out': { number: 1, endsAt: 9, participantIds: ['a'] },
    placed: { participantId: 'a', roomId: null, intoRoom: false },
    'time-added': { seconds: 60, endsAt: 9, by: 'marit' },
    warned: { secondsLeft: 60 },
    'called-back': { graceEndsAt: 9 },
    'gone-on': { endsAt: 9 },
    'round-ended': {},
    broadcast: {
      messageId: 'm',
      text: 'x',
      from: 'y',
      roomIds: ['r'],
      thing: { is: 'link', title: 'x', address: 'https://x.example' },
    },
    'broadcast-scheduled': { messageId: 'm', text: 'x', from: 'y', sayAt: 9, notDone: 'first' },
    'scheduled-dropped': { messageId: 'm' },
    'note-to-person': { messageId: 'm', participantId: 'a', text: 'x', from: 'y' },
    observed: { observationId: 'o', roomId: null, participantId: 'a', text: 'x', from: 'y' },
    'observation-dropped': { observationId: 'o' },
    commented: {
      commentId: 'k',
      roomId: 'r',
      copyId: 'c',
      promptId: 'p',
      pieceId: null,
      quote: 'x',
      text: 'x',
      from: 'y',
    },
    'comment-answered': { commentId: 'k', answerId: 'w', participantId: 'a', by: 'A', text: 'x' },
    'comment-settled': { commentId: 'k', settled: true, by: 'A' },
    'messages-seen': { participantId: 'a', messageIds: ['m'] },
    'message-answered': { answerId: 'w', messageId: 'm', participantId: 'a', roomId: null, text: 'x' },
    'message-said-again': { messageId: 'm' },
    note: { messageId: 'm', roomId: 'r', text: 'x', from: 'y' },
    'put-away': { participantId: 'a', messageId: 'm' },
    'help-called': { helpId: 'h', roomId: 'r', participantId: 'a', reason: 'stuck' },
    'help-reason-said': { helpId: 'h', reason: 'technical' },
    'help-taken': { helpId: 'h', accountId: 'm', name: 'Marit', comesAt: 5 },
    'help-let-go': { helpId: 'h' },
    'help-closed': { helpId: 'h', how: 'visit' },
    'writing-set': { who: 'scribe', roomId: null },
    'pen-passed': { roomId: 'r', toId: 'p' },
    muted: { participantId: 'p', muted: true },
    'pictures-allowed': { may: false },
    'room-right-set': { roomId: 'r', right: 'change', may: null },
    'line-said': {
      lineId: 'l',
      roomId: 'r',
      round: 1,
      participantId: 'p',
      by: 'Ana',
      text: 'Shall we begin?',
      open: false,
    },
    'line-taken-off': { lineId: 'l', roomId: 'r', round: 1, off: true },
    'talk-opened': { open: true },
    'call-set': { way: 'direct' },
    'duty-given': { accountId: 'a', does: 'clock', rooms: ['r'] },
    'office-opened': { minutes: 10 },
    'times-offered': { times: [{ id: 't', at: 1 }] },
    'time-withdrawn': { timeId: 't' },
    'time-taken': { timeId: 't', participantId: 'p', about: 'My essay' },
    'time-given-back': { timeId: 't' },
    'line-joined': { participantId: 'p', about: 'My essay' },
    'line-left': { participantId: 'p' },
    'seeing-begun': { roomId: 'r', participantIds: ['p'], about: 'My essay' },
    'seeing-ended': {},
    'call-silenced': { roomIds: ['r'], silent: true },
    'taken-off': {
      takenId: 't',
      roomId: 'r',
      copyId: 'c',
      promptId: 'q',
      pieceId: 'a',
      text: 'mud',
      kept: '[{}]',
      authorId: 'p',
      by: 'Marit',
    },
    'given-back': { takenId: 't', by: 'Marit' },
    'name-hidden': { participantId: 'p', instead: 'Guest 1' },
    'name-shown': { participantId: 'p' },
    'visit-started': { accountId: 'a', name: 'x', roomId: 'r' },
    'visit-joined': { accountId: 'a', roomId: 'r', joins: true },
    'visit-ended': { accountId: 'a', roomId: 'r' },
    'room-renamed': { roomId: 'r', name: 'x' },
    'rooms-made': { rooms: [{ id: 'r', name: 'x', copyId: 'c', participantIds: ['a'] }] },
    'rooms-undone': {},
    'room-added': { room: { id: 'r', name: 'x', copyId: 'c' } },
    'room-closed': { roomId: 'r', intoRoomId: null, participantIds: ['a'] },
    'rooms-reopened': { roomIds: ['r'], placements: [{ participantId: 'a', roomId: 'r' }] },
    'room-linked': { roomId: 'r', link: 'https://talk.example/r' },
    'late-set': { rule: 'smallest' },
    renamed: { title: 'x' },
    'cohort-attached': {
      cohortId: 'c',
      name: 'x',
      people: [{ personId: 'p', shownName: 'P', roomId: null }],
      matches: [{ participantId: 'a', personId: 'p' }],
    },
    'people-matched': { matches: [{ participantId: 'a', personId: 'p' }] },
    'people-unmatched': { participantIds: ['a'] },
    'people-listed': { people: [{ participantId: 'a', personId: 'p', shownName: 'P' }] },
    'waiting-list-set': { on: true },
    ended: {},
    reopened: {},
    'segment-begun': { segmentId: 's' },
    'segment-length-set': { segmentId: 's', minutes: 5 },
    'segment-skipped': { segmentId: 's', skipped: true },
    'segment-moved': { segmentId: 's', beforeId: null },
    'segment-inserted': {
      segment: {
        id: 's',
        kind: 'rooms',
        name: '',
        minutes: 5,
        cues: '',
        shown: '',
        warnings: [60],
        graceSeconds: 60,
        says: [{ when: 'half', minutes: 0, text: 'x' }],
        groups: { from: 'live' },
        board: 0,
      },
      beforeId: null,
    },
    'terms-set': { invited: true, mayChange: false, mayReturn: true },
    'choosing-opened': { least: 2, most: 5 },
    'choosing-closed': {},
    'roles-set': { rule: { rule: 'turn', mayPass: true } },
    'roles-given': { roles: [{ participantId: 'a', role: 'lead' }] },
    'role-passed': { role: 'lead', fromId: null, toId: 'a' },
    'facilitator-came': { accountId: 'a', name: 'x' },
    'facilitator-gone': { accountId: 'a' },
    'sitting-asked': {},
    'sitting-over': {},
    'beside-named': { participantId: 'a', besideIds: ['b'] },
    'people-awaited': { awaited: [{ personId: 'p', roomId: 'r' }] },
    'question-asked': { questionId: 'q', text: '', answers: ['A', 'B'] },
    'question-answered': { questionId: 'q', participantId: 'a', answer: 1 },
    'report-begun': { secondsEach: 60, onPages: true, rooms: [{ roomId: 'r', reporterId: 'a' }] },
    'room-called': { roomId: 'r', endsAt: 1 },
    'room-heard': { roomId: 'r', heard: true, participantId: 'a', personId: null },
    'reporter-set': { roomId: 'r', participantId: null },
    'points-taken': { roomId: 'r', text: 'x' },
    'report-ended': {},
    'answer-noted': { questionId: 'q', participantId: 'a' },
    'answers-drawn': { questionId: 'q', participantIds: ['a', 'b', 'c'], answers: [1, 0, 'x'] },
    'answers-lost': { questionId: 'q', participantIds: ['a'] },
    'question-closed': { questionId: 'q' },
    'parts-opened': { parts: ['c'] },
    'part-opened': { roomIds: ['r'], partId: 'p' },
    'part-shut': { roomIds: ['r'], partId: 'p' },
    'part-done': { roomId: 'r', partId: 'first', participantId: 'a' },
    'board-corrected': { place: 0, board: plan?.board, roomIds: ['r'], copyIds: ['c'] },
    'board-to-come': { board: plan?.board },
    'material-given': {
      givenId: 'g',
      thing: { is: 'link', title: 'x', address: 'https://x.example' },
      roomIds: null,
    },
    'material-taken-back': { givenId: 'g' },
    'put-up': { roomId: 'r', promptId: null },
    'thing-put-up': { thing: { is: 'question', questionId: 'q' }, onPages: true },
    'put-up-on-pages': { onPages: true },
    'page-turned': { page: 2 },
    played: { at: 3.5, on: true },
    'taken-down': {},
    'hidden-text-opened': { roomIds: ['r'], promptId: 'h', participantId: null },
    'part-not-done': { roomId: 'r', partId: 'first', participantId: 'a' },
    'rooms-laid-out': {
      segmentId: 's',
      rooms: [{ id: 'r', name: 'x', copyId: 'c', board: 1, participantIds: ['a'] }],
      awaited: [{ personId: 'p', roomId: 'r' }],
    },
  }
  expect(Object.keys(examples).sort()).toEqual([...allTypes].sort())
  for (const type of allTypes) {
    const event = { type, ...examples[type] }
    expect(readEvent(JSON.parse(JSON.stringify(event)), EVENT_VERSION)).toEqual(event)
  }
})

test.each([
  [{ type: 'sent-out', number: 1 }, 1],
  [{ type: 'unheard-of' }, 1],
  [{ type: 'joined', participantId: 7, personId: null, shownName: 'x', admitted: true }, 2],
  [null, 1],
  [[], 2],
  ['ended', 2],
  [{ type: 'ended' }, EVENT_VERSION + 1],
  [{ type: 'ended' }, 0],
  [{ type: 'ended' }, 1.5],
])('what cannot be read is said to be so: %j in version %s', (payload, version) => {
  expect(() => readEvent(payload, version)).toThrow(UnreadableEventError)
})
