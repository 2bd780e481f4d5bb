import fc from 'fast-check'
import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { mayWorkOn } from './rooms/whereabouts'
import { facilitatorView, participantView, projectorView, viewFor } from './views'

function inRooms(): Rehearsed {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}

test('a participant sees where they are, with whom, the clock and the board', () => {
  expect(participantView(inRooms().state, 'ana')).toMatchObject({
    clock: { number: 1, startedAt: 2, endsAt: 600_002 },
    whereabouts: {
      where: 'room',
      name: 'Reeds',
      copyId: 'copy-reeds',
      members: [{ shownName: 'Ana' }, { shownName: 'Bo' }],
    },
    board: { title: 'Notes' },
  })
})

test('a participant’s view holds nothing of other rooms: no name, no copy, no note', () => {
  const session = inRooms()
  session.tell(3, facilitator, {
    type: 'note',
    messageId: 'n',
    roomId: 'birds',
    text: 'a secret for birds',
    helpId: null,
  })
  session.tell(3, participant('chi'), { type: 'call-help', helpId: 'h' })
  session.tell(3, facilitator, { type: 'visit', roomId: 'birds' })
  const text = JSON.stringify(participantView(session.state, 'ana'))
  for (const secret of ['Chi', 'chi', 'Birds', 'copy-birds', 'secret', 'Marit'])
    expect(text).not.toContain(secret)
  expect(JSON.stringify(participantView(session.state, 'chi'))).toContain('a secret for birds')
})

test('whoever waits learns nothing but that they wait', () => {
  const session = new Rehearsed({ waitingList: true })
  session.join(1, 'ana')
  session.tell(2, facilitator, { type: 'broadcast', messageId: 'm', text: 'hello' })
  expect(participantView(session.state, 'ana')).toMatchObject({
    whereabouts: { where: 'waiting' },
    board: null,
    messages: [],
    clock: null,
  })
})

test('before being sent out one sees the room that comes', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  expect(participantView(session.state, 'ana')?.whereabouts).toEqual({
    where: 'whole',
    next: { name: 'Reeds', members: ['Ana', 'Bo'] },
  })
})

test('a broadcast reaches everybody and stays when put away; a note reaches its room', () => {
  const session = inRooms()
  session.tell(3, facilitator, { type: 'broadcast', messageId: 'm', text: 'Five minutes.' })
  session.tell(4, participant('ana'), { type: 'put-away', messageId: 'm' })
  expect(participantView(session.state, 'ana')?.messages).toMatchObject([{ id: 'm' }])
  expect(participantView(session.state, 'ana')?.putAway).toEqual(['m'])
  expect(participantView(session.state, 'bo')?.putAway).toEqual([])
  expect(participantView(session.state, 'bo')?.messages).toMatchObject([{ id: 'm' }])
})

test('somebody whose name was freed sees nothing any more', () => {
  const session = inRooms()
  session.tell(3, facilitator, { type: 'release', participantId: 'ana' })
  expect(participantView(session.state, 'ana')).toMatchObject({
    me: { released: true },
    whereabouts: { where: 'waiting' },
    board: null,
    messages: [],
  })
})

test('the facilitator sees everybody, also those who are not in a room and not here', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  session.join(3, 'chi')
  const view = facilitatorView(session.state)
  expect(view.people.map(each => [each.shownName, each.inRoom])).toEqual([
    ['Ana', true],
    ['Chi', false],
  ])
  expect(view.expected.map(each => each.shownName)).toEqual(['Bo'])
})

test('the projector says who goes where, also of those who have not arrived, and shows the last broadcast of the round', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(projectorView(session.state).rooms).toMatchObject([
    { name: 'Reeds', members: ['Ana', 'Bo'] },
    { members: ['Chi'] },
  ])
  session.sendOut(2)
  session.tell(3, facilitator, { type: 'broadcast', messageId: 'm', text: 'Look up.' })
  expect(projectorView(session.state)).toMatchObject({
    rooms: [{ members: ['Ana'] }, { members: [] }],
    broadcast: { text: 'Look up.' },
  })
})

test('who has no place has no view', () => {
  expect(viewFor(inRooms().state, { kind: 'participant', participantId: 'nobody' })).toBeNull()
})

test('one may work on the board of the room one is in, while one is in it', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'chi')
  const may = (copyId: string) => mayWorkOn(session.state, 'ana', copyId)
  expect(may('copy-reeds')).toBe(false)
  session.sendOut(2)
  expect([may('copy-reeds'), may('copy-birds'), may('other')]).toEqual([true, false, false])
  session.tell(3, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })
  expect([may('copy-reeds'), may('copy-birds')]).toEqual([false, true])
  session.tell(4, door, { type: 'disconnect', participantId: 'ana' })
  expect(may('copy-birds')).toBe(true)
  session.tell(5, facilitator, { type: 'end' })
  expect(may('copy-birds')).toBe(false)
})

test('whatever happens, a participant’s view names nobody but those of the room they are in or will be in', () => {
  const ids = ['ana', 'bo', 'chi'] as const
  const step = fc.oneof(
    fc.record({
      type: fc.constant('place' as const),
      participantId: fc.constantFrom(...ids),
      roomId: fc.constantFrom('reeds', 'birds', null),
    }),
    fc.record({
      type: fc.constantFrom('connect' as const, 'disconnect' as const),
      participantId: fc.constantFrom(...ids),
    }),
    fc.record({ type: fc.constant('release' as const), participantId: fc.constantFrom('bo', 'chi') }),
    fc.record({ type: fc.constant('visit' as const), roomId: fc.constantFrom('reeds', 'birds') }),
    fc.constantFrom(
      { type: 'send-out' as const, seconds: 600 },
      { type: 'call-back' as const },
      { type: 'leave-room' as const },
      { type: 'set-waiting-list' as const, on: true },
    ),
  )
  fc.assert(
    fc.property(fc.array(step, { maxLength: 25 }), steps => {
      const session = new Rehearsed()
      session.join(1, ...ids)
      steps.forEach((command, at) => {
        session.tell(
          at + 2,
          command.type === 'connect' || command.type === 'disconnect' ? door : facilitator,
          command,
        )
        const { participants, rooms } = session.state
        const mine = participants.get('ana')?.roomId
        const text = JSON.stringify(participantView(session.state, 'ana'))
        for (const other of ['bo', 'chi'] as const) {
          const together =
            participants.get(other)?.roomId === mine && mine !== null && !participants.get(other)?.released
          if (!together) expect(text).not.toContain(participants.get(other)?.shownName)
        }
        for (const room of rooms) if (room.id !== mine) expect(text).not.toContain(room.copyId)
      })
    }),
    { numRuns: 200 },
  )
})

/** What each reader is told, section by section, written down once more by hand: a topic that tells more is found here. */
const SECTIONS = {
  facilitator: [
    'boards',
    'boardsToCome',
    'callSilent',
    'callWay',
    'choosing',
    'clock',
    'closedRooms',
    'cohort',
    'comments',
    'door',
    'doubts',
    'duties',
    'expected',
    'facilitators',
    'given',
    'heard',
    'help',
    'hiddenNames',
    'hiddenOpened',
    'lastVisit',
    'lateRule',
    'linesSaid',
    'mayAddPictures',
    'messageAnswers',
    'messages',
    'minutesSaid',
    'muted',
    'observations',
    'office',
    'order',
    'partsOpen',
    'partsSaid',
    'people',
    'putUp',
    'questionNow',
    'questions',
    'questionsReady',
    'report',
    'rightsIn',
    'roles',
    'rolesBefore',
    'rolesRule',
    'rooms',
    'roomsMadeAt',
    'rounds',
    'scheduled',
    'session',
    'signals',
    'signalsOverTime',
    'sitting',
    'takenOff',
    'talkOpen',
    'terms',
    'visits',
    'writers',
    'writing',
  ],
  participant: [
    'beside',
    'besideMe',
    'board',
    'call',
    'clock',
    'comments',
    'given',
    'help',
    'hiddenOpened',
    'me',
    'messages',
    'minutesSaid',
    'moves',
    'myAnswer',
    'nameHidden',
    'namesHere',
    'office',
    'ownAnswers',
    'partsDone',
    'partsShut',
    'program',
    'putAway',
    'putUp',
    'question',
    'reporting',
    'roles',
    'roomsToChoose',
    'roundsBegun',
    'saidAgain',
    'session',
    'signal',
    'takenOff',
    'talk',
    'talkOpen',
    'visits',
    'whereabouts',
    'writing',
  ],
  projector: [
    'broadcast',
    'clock',
    'program',
    'putUp',
    'question',
    'reporting',
    'rooms',
    'session',
    'shown',
    'task',
  ],
}

test.each([
  { kind: 'facilitator' },
  { kind: 'projector' },
  { kind: 'participant', participantId: 'ana' },
] as const)('what the $kind is told is what is written here', viewer => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  for (const act of [
    () => session.sendOut(2),
    () => session.tell(3, participant('ana'), { type: 'call-help', helpId: 'h' }),
    () => session.tell(4, facilitator, { type: 'visit', roomId: 'reeds' }),
    () => session.tell(5, facilitator, { type: 'end' }),
  ]) {
    expect(Object.keys(viewFor(session.state, viewer) ?? {}).sort()).toEqual(SECTIONS[viewer.kind])
    act()
  }
  expect(Object.keys(viewFor(session.state, viewer) ?? {}).sort()).toEqual(SECTIONS[viewer.kind])
})
