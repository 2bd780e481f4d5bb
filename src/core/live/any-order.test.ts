import fc from 'fast-check'
import { clock, door, facilitator, participant, plan, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Board } from '../boards/board'
import { ROLE_RULES, ROLES } from '../grouping/roles'
import type { RunSegment } from '../schedule/running-order'
import type { Actor } from './actors'
import { CALL_WAYS } from './call/ways'
import { participantList } from './door/people'
import { fold } from './evolve'
import { ROOM_RIGHTS } from './rights/may-in'
import { mayWriteOn } from './rights/writers'
import { WHO_WRITES } from './rights/writing'
import { mayRead, mayWorkOn } from './rooms/whereabouts'
import { nextOf } from './segments/state'
import { SIGNALS } from './signals/signal'
import type { Command, LiveState } from './topics'
import {
  facilitatorView,
  type MadeView,
  participantView,
  projectorView,
  type Viewer,
  viewAfter,
} from './views'

/** What is asked, of whatever rooms and people there are by then: each is named by a number. */
type Ask = (state: LiveState, pick: number, ids: string[]) => [Actor, Command]

const roomId = ({ rooms }: LiveState, pick: number) => rooms[pick % Math.max(1, rooms.length)]?.id ?? 'none'
const personId = ({ participants }: LiveState, pick: number) => {
  const ids = [...participants.keys()]
  return ids[pick % Math.max(1, ids.length)] ?? 'nobody'
}
const NAMES = ['Ana', 'Bo', 'Chi', 'Zoë', 'Ida', 'Uli', 'Vera']
const LIST = {
  name: 'Course',
  people: NAMES.slice(0, 5).map(name => ({ personId: `p-${name}`, shownName: name, fullName: `${name} X` })),
}

const ASKS: Ask[] = [
  (state, pick, [id = '']) => {
    // As the server asks for it: by somebody of the list, or by a name alone.
    const person = pick % 2 === 0 ? state.expected[pick % Math.max(1, state.expected.length)] : undefined
    const shownName = person?.shownName ?? NAMES[pick % NAMES.length] ?? ''
    return [door, { type: 'join', participantId: id, personId: person?.personId ?? null, shownName }]
  },
  (state, pick) => [door, { type: 'connect', participantId: personId(state, pick) }],
  (state, pick) => [door, { type: 'disconnect', participantId: personId(state, pick) }],
  (_state, pick, ids) => [
    facilitator,
    { type: 'put-in', names: [NAMES[pick % NAMES.length] ?? '', `Guest ${pick}`], ids },
  ],
  (state, pick, [id = '']) => [
    participant(personId(state, pick)),
    { type: 'put-in-beside', shownName: NAMES[(pick * 3) % NAMES.length] ?? '', newId: id },
  ],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'take-out-beside', besideMeId: personId(state, pick + 1) },
  ],
  (state, pick) => [facilitator, { type: 'let-in', participantIds: [personId(state, pick)] }],
  (state, pick) => [facilitator, { type: 'release', participantId: personId(state, pick) }],
  (state, pick) => [facilitator, { type: 'remove', participantIds: [personId(state, pick)] }],
  (_state, pick) => [facilitator, { type: 'set-waiting-list', on: pick % 2 === 0 }],
  (state, pick, ids) => [
    facilitator,
    {
      type: 'make-rooms',
      groups: [0, 1].map(part => ({
        name: `Group ${part + 1}`,
        participantIds: [...state.participants.keys()].filter((_, at) => (at + pick) % 2 === part),
      })),
      ids,
    },
  ],
  () => [facilitator, { type: 'undo-rooms' }],
  (_state, pick, ids) => [facilitator, { type: 'add-room', name: `Room ${pick % 4}`, ids }],
  (state, pick) => [
    facilitator,
    {
      type: 'close-room',
      roomId: roomId(state, pick),
      toRoomId: pick % 3 === 0 ? null : roomId(state, pick + 1),
    },
  ],
  (state, pick) => [
    facilitator,
    {
      type: 'reopen-rooms',
      roomIds: [roomId(state, pick), roomId(state, pick + 2)],
      instead: pick % 2 === 0,
    },
  ],
  (state, pick) => [
    facilitator,
    { type: 'rename-room', roomId: roomId(state, pick), name: `Room ${pick % 4}` },
  ],
  (_state, pick) => [
    facilitator,
    { type: 'set-late', rule: (['ask', 'planned', 'smallest'] as const)[pick % 3] ?? 'ask' },
  ],
  (state, pick) => [
    facilitator,
    {
      type: 'place',
      participantId: personId(state, pick),
      roomId: pick % 4 === 0 ? null : roomId(state, pick),
    },
  ],
  (state, pick) => [
    facilitator,
    {
      type: 'place-people',
      placements: [0, 1, 2].map(at => ({
        participantId: personId(state, pick + at),
        roomId: (pick + at) % 4 === 0 ? null : roomId(state, pick * at),
      })),
    },
  ],
  () => [facilitator, { type: 'send-out', seconds: 600 }],
  () => [facilitator, { type: 'call-back' }],
  () => [clock, { type: 'finish-grace' }],
  (_state, pick) => [facilitator, { type: 'attach-cohort', cohortId: `c${pick % 2}`, list: LIST }],
  (state, pick) => [
    facilitator,
    {
      type: 'match-people',
      matches: [
        { participantId: personId(state, pick), personId: `p-${NAMES[pick % 5]}` },
        { participantId: personId(state, pick + 1), personId: `p-${NAMES[(pick + 1) % 5]}` },
      ],
    },
  ],
  (state, pick) => [facilitator, { type: 'unmatch-people', participantIds: [personId(state, pick)] }],
  (state, pick, ids) => [facilitator, { type: 'list-people', participantIds: [personId(state, pick)], ids }],
  (state, pick) => [
    facilitator,
    // Mostly what comes next, as the one press does it.
    {
      type: 'next-segment',
      segmentId: pick % 5 === 0 ? segmentId(state, pick) : (nextOf(state)?.id ?? 'none'),
    },
  ],
  (state, pick) => [
    facilitator,
    { type: 'skip-segment', segmentId: segmentId(state, pick), skipped: pick % 2 === 0 },
  ],
  (state, pick) => [
    facilitator,
    {
      type: 'move-segment',
      segmentId: segmentId(state, pick),
      beforeId: pick % 4 === 0 ? null : segmentId(state, pick + 2),
    },
  ],
  (state, pick, [id = '']) => [
    facilitator,
    {
      type: 'insert-segment',
      kind: (['whole', 'rooms', 'break'] as const)[pick % 3] ?? 'whole',
      name: '',
      minutes: 5,
      beforeId: pick % 3 === 0 ? null : segmentId(state, pick),
      segmentId: id,
    },
  ],
  (_state, pick) => [facilitator, { type: pick % 6 === 0 ? 'end' : 'reopen-session' }],
  (_state, pick) => [
    facilitator,
    { type: 'set-terms', invited: pick % 2 === 0, mayChange: pick % 3 === 0, mayReturn: pick % 5 < 3 },
  ],
  (_state, pick) => [facilitator, { type: 'open-choosing', least: 1, most: pick % 4 }],
  () => [facilitator, { type: 'close-choosing' }],
  (_state, pick) => [facilitator, { type: pick % 4 === 0 ? 'end-sitting' : 'ask-sitting' }],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'name-beside', besideIds: [personId(state, pick + 1), personId(state, pick + 2)] },
  ],
  () => [facilitator, { type: 'bring-in' }],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'choose-room', roomId: roomId(state, pick * 7 + 1) },
  ],
  (state, pick) => [participant(personId(state, pick)), { type: 'enter-room' }],
  (state, pick) => [participant(personId(state, pick)), { type: 'come-back' }],
  (_state, pick) => [
    facilitator,
    {
      type: 'set-roles',
      rule: pick % 4 === 0 ? null : { rule: ROLE_RULES[pick % 3] ?? 'turn', mayPass: pick % 2 === 0 },
    },
  ],
  (state, pick) => [
    facilitator,
    { type: 'give-role', participantId: personId(state, pick), role: ROLES[pick % 4] ?? 'lead' },
  ],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'pass-role', toId: personId(state, pick * 3 + 1) },
  ],
  (_state, pick, [id = '']) => [
    facilitator,
    {
      type: 'ask-question',
      questionId: id,
      text: '',
      answers: pick % 2 === 0 ? ['', ''] : ['Yes', 'No', ''],
    },
  ],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'answer-question', questionId: state.questions.at(-1)?.id ?? 'none', answer: pick % 3 },
  ],
  state => [facilitator, { type: 'close-question', questionId: state.questions.at(-1)?.id ?? 'none' }],
  (state, pick) => [
    facilitator,
    {
      type: 'put-up-thing',
      thing:
        pick % 3 === 0
          ? { is: 'question', questionId: state.questions.at(-1)?.id ?? 'none' }
          : { is: (['groups', 'clock', 'instructions', 'join-code'] as const)[pick % 4] ?? 'groups' },
      onPages: pick % 2 === 0,
    },
  ],
  (state, pick) => [
    facilitator,
    pick % 3 === 0
      ? { type: 'take-down' }
      : { type: 'put-up', roomId: pick % 2 === 0 ? null : roomId(state, pick), promptId: 'c', onPages: true },
  ],
  (state, pick) => [
    facilitator,
    {
      type: 'begin-report',
      secondsEach: 60,
      onPages: pick % 2 === 0,
      rooms: [0, 1, 2].map(at => ({
        roomId: roomId(state, pick + at),
        reporterId: pick % 3 === 0 ? null : personId(state, pick + at),
      })),
    },
  ],
  (state, pick) => [
    facilitator,
    pick % 4 === 0
      ? { type: 'call-room', roomId: roomId(state, pick) }
      : {
          type: 'next-room',
          afterId: pick % 7 === 0 ? roomId(state, pick) : (state.report?.now?.roomId ?? null),
        },
  ],
  (state, pick) => [
    facilitator,
    pick % 5 === 0
      ? { type: 'end-report' }
      : { type: 'hear-room', roomId: roomId(state, pick), heard: pick % 2 === 0 },
  ],
  (_state, pick) => [facilitator, { type: 'open-parts', parts: pick % 2 === 0 ? null : ['c'] }],
  (state, pick) => [
    facilitator,
    {
      type: pick % 3 === 0 ? 'shut-part' : 'open-part',
      partId: 'later',
      roomId: pick % 2 === 0 ? null : roomId(state, pick),
    },
  ],
  (state, pick) => [
    facilitator,
    { type: 'open-hidden-text', promptId: 'hint', roomId: pick % 2 === 0 ? null : roomId(state, pick) },
  ],
  (state, pick) => [participant(personId(state, pick)), { type: 'open-hidden-text-here', promptId: 'hint' }],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'say-part-done', partId: pick % 2 === 0 ? 'first' : 'later', done: pick % 3 > 0 },
  ],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'set-signal', signal: pick % 7 === 0 ? null : (SIGNALS[pick % SIGNALS.length] ?? null) },
  ],
  (state, pick) => [facilitator, { type: 'clear-signals', participantIds: [personId(state, pick)] }],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'say-minutes', minutes: pick % 5 === 0 ? null : pick % 4 },
  ],
  (state, pick, [id = '']) => [
    facilitator,
    {
      type: 'broadcast',
      text: 'x',
      messageId: id,
      ...(pick % 3 === 0 && { roomIds: [roomId(state, pick)] }),
      ...(pick % 4 === 0 && { notDone: 'first' }),
      ...(pick % 5 === 0 && { minutes: 1 }),
    },
  ],
  (state, pick) => [
    facilitator,
    {
      type: 'set-writing',
      who: WHO_WRITES[pick % 5] ?? null,
      roomId: pick % 3 === 0 ? null : roomId(state, pick),
    },
  ],
  (state, pick) => [
    facilitator,
    {
      type: 'set-room-right',
      roomId: roomId(state, pick),
      right: ROOM_RIGHTS[pick % 4] ?? 'change',
      may: pick % 3 === 0 ? null : pick % 2 === 0,
    },
  ],
  (state, pick) => [
    pick % 4 === 0 ? facilitator : participant(personId(state, pick)),
    { type: 'say-line', text: `Line ${pick}`, lineId: `line-${pick}` },
  ],
  (state, pick) => [
    facilitator,
    { type: 'take-line-off', roomId: roomId(state, pick), lineId: `line-${pick}`, off: pick % 2 === 0 },
  ],
  (_state, pick) => [facilitator, { type: 'open-office', minutes: 1 + (pick % 20) }],
  (_state, pick, ids) => [
    facilitator,
    { type: 'offer-times', from: 1_000 * pick, count: 1 + (pick % 3), minutes: 5, ids },
  ],
  (state, pick) => [
    facilitator,
    { type: 'withdraw-time', timeId: state.office?.times[pick % 3]?.id ?? 'none' },
  ],
  (state, pick, ids) => [
    facilitator,
    {
      type: 'see',
      participantIds: [personId(state, pick), personId(state, pick + (pick % 2))],
      instead: pick % 5 === 0 ? null : (state.office?.now?.roomId ?? null),
      ids,
    },
  ],
  (state, pick) => [
    facilitator,
    { type: 'end-seeing', roomId: state.office?.now?.roomId ?? 'none', putBack: pick % 2 === 0 },
  ],
  (state, pick) => [participant(personId(state, pick)), { type: 'join-line', about: `About ${pick}` }],
  (state, pick) => [participant(personId(state, pick)), { type: 'leave-line' }],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'take-time', timeId: state.office?.times[pick % 3]?.id ?? 'none', about: '' },
  ],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'give-time-back', timeId: state.office?.times[pick % 3]?.id ?? 'none' },
  ],
  (_state, pick) => [facilitator, { type: 'set-call', way: CALL_WAYS[pick % CALL_WAYS.length] ?? 'links' }],
  (state, pick) => [
    facilitator,
    {
      type: 'silence-call',
      roomId: pick % 3 === 0 ? null : roomId(state, pick),
      silent: pick % 2 === 0,
    },
  ],
  (_state, pick) => [facilitator, { type: 'allow-pictures', may: pick % 2 === 0 }],
  (state, pick) => [facilitator, { type: 'give-pen', participantId: personId(state, pick) }],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'pass-pen', toId: personId(state, pick + 1) },
  ],
  (state, pick) => [facilitator, { type: 'mute', participantId: personId(state, pick), muted: pick % 3 > 0 }],
  (state, pick) => [facilitator, { type: 'hide-name', participantId: personId(state, pick) }],
  (state, pick) => [facilitator, { type: 'show-name', participantId: personId(state, pick) }],
  (state, pick) => [facilitator, { type: 'visit', roomId: roomId(state, pick) }],
  (_state, pick) => [facilitator, { type: 'join-in', joins: pick % 3 > 0 }],
  (_state, pick) => [facilitator, pick % 2 === 0 ? { type: 'leave-room' } : { type: 'join-in', joins: true }],
  state => [clock, { type: 'say-scheduled', messageId: state.scheduled[0]?.id ?? 'none' }],
  (state, pick) => [
    participant(personId(state, pick)),
    { type: 'see-messages', messageIds: state.messages.slice(-2).map(({ id }) => id) },
  ],
  (state, pick) => [
    facilitator,
    { type: 'say-again', messageId: state.messages[pick % (state.messages.length + 1)]?.id ?? 'none' },
  ],
]

const segment = (
  id: string,
  kind: RunSegment['kind'],
  groups: RunSegment['groups'],
  board = 0,
): RunSegment => ({
  id,
  kind,
  name: '',
  minutes: 10,
  cues: 'a cue',
  shown: '',
  warnings: [],
  graceSeconds: 10,
  says: [],
  groups,
  board,
})
const LIVE = { from: 'live' } as const
const ORDER = [
  segment('welcome', 'whole', LIVE),
  segment('first', 'rooms', LIVE),
  segment(
    'stations',
    'rooms',
    {
      from: 'plan',
      rooms: [
        { id: 'soil', name: 'Soil', copyId: 'copy-soil', personIds: ['p-ana', 'p-chi'] },
        { id: 'map', name: 'Map', copyId: 'copy-map', personIds: ['p-bo', 'p-gone'] },
      ],
    },
    1,
  ),
  segment('tea', 'break', LIVE),
  segment('again', 'rooms', { from: 'earlier', segmentId: 'first' }),
  segment('other board', 'rooms', { from: 'earlier', segmentId: 'stations' }, 2),
  { ...segment('one on', 'rooms', { from: 'next-step', segmentId: 'stations' }), boards: [2, 1] },
  {
    ...segment('chosen', 'rooms', {
      from: 'choice',
      rooms: [
        { id: 'text', name: 'Text', copyId: 'copy-text' },
        { id: 'film', name: 'Film', copyId: 'copy-film' },
      ],
      least: 1,
      most: 2,
    }),
    terms: { invited: true, mayChange: true, mayReturn: true },
    roles: { rule: 'turn' as const, mayPass: true },
    parts: ['c'],
  },
]
const BOARD: Board = {
  ...plan.board,
  prompts: [
    ...plan.board.prompts,
    { id: 'hint', kind: 'hidden-text', text: 'Hint', settings: { hidden: 'Look up.', opens: 'group' } },
    { id: 'd', kind: 'cards', text: 'And then?', settings: {}, part: 'later' },
  ],
  parts: [{ id: 'later', title: 'Later', steps: [], opens: 'done' }],
}
const segmentId = ({ segments }: LiveState, pick: number) =>
  segments[pick % Math.max(1, segments.length)]?.id ?? 'none'

/** Plays what is asked; half of the sessions have a plan, half begin with nothing. */
function play(planned: boolean, script: readonly [number, number][], seen?: (session: Rehearsed) => void) {
  const session = planned
    ? new Rehearsed({ segments: ORDER, board: BOARD, moreBoards: [plan.board, plan.board] })
    : new Rehearsed({ rooms: [], people: [] })
  for (const [step, [which, pick]] of script.entries()) {
    const ids = Array.from({ length: 8 }, (_, at) => `id-${step}-${at}`)
    const [actor, command] = (ASKS[which % ASKS.length] as Ask)(session.state, pick, ids)
    session.tell(step * 1000, actor, command)
    seen?.(session)
  }
  return session
}

const scripts = fc.array(fc.tuple(fc.nat(ASKS.length - 1), fc.nat(20)), { minLength: 50, maxLength: 120 })

test('whatever is done to people and rooms in whatever order, everybody is in one open room, or is seen to be in none', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, (planned, script) => {
      const wrong: string[] = []
      const must = (holds: boolean, what: string) => holds || wrong.push(what)
      play(planned, script, ({ state }) => {
        const open = new Map(state.rooms.flatMap(room => (room.closed ? [] : [[room.id, room] as const])))
        const shown = new Set(facilitatorView(state).people.map(person => person.id))
        for (const each of [...state.participants.values()]) {
          must(each.roomId === null || open.has(each.roomId), 'belongs to an open room or none')
          must(
            !each.inRoom || (each.roomId !== null && state.round !== null && each.admitted),
            'in a room only in a round, let in, in the one they belong to',
          )
          must(!(each.released && (each.inRoom || each.connected)), 'nowhere when out of the session')
          must(shown.has(each.id) === !each.released, 'shown to the facilitator')
        }
        const roles = Object.entries(facilitatorView(state).roles)
        const perRoom = roles.map(([id, role]) => `${state.participants.get(id)?.roomId} ${role}`)
        must(
          Object.keys(state.signals).every(id => shown.has(id)),
          'signals of those who are here only',
        )
        const said = Object.keys(state.minutesSaid)
        must(
          said.every(id => open.has(id)) && (state.round !== null || said.length === 0),
          'minutes are said by open rooms in a round',
        )
        for (const { seen, of, unseen } of Object.values(facilitatorView(state).heard))
          must(
            seen + Object.values(unseen).reduce((sum, each) => sum + each, 0) === of,
            'whoever a broadcast is for has seen it or is counted where they are',
          )
        for (const { id, copyId } of open.values()) {
          const may = [...state.participants.keys()].filter(one => mayWriteOn(state, one, copyId))
          must(
            may.every(one => mayWorkOn(state, one, copyId) && !state.muted[one]),
            'whoever writes is in the room, and not muted',
          )
          const one = facilitatorView(state).writers[id]
          must(!one || may.join() === one, 'where one writes, nobody else does')
        }
        must(new Set(perRoom).size === perRoom.length, 'each role once in a room')
        must(state.round !== null || roles.length === 0, 'roles in a round only')
        must(state.choosing === null || state.round === null, 'rooms are chosen before a round')
        must(
          state.segments.filter(one => one.startedAt !== null && one.endedAt === null).length <= 1,
          'one segment runs',
        )
        must(new Set(state.segments.map(({ id }) => id)).size === state.segments.length, 'each segment once')
        for (const { roomId } of state.expected)
          must(roomId === null || open.has(roomId), 'awaited in an open room')
        const names = [...open.values()].map(room => room.name.toLowerCase())
        must(new Set(names).size === names.length, 'open rooms have names of their own')
        for (const part of ['id', 'copyId'] as const)
          must(new Set(state.rooms.map(room => room[part])).size === state.rooms.length, `each ${part} once`)
      })
      expect(wrong).toEqual([])
    }),
    { numRuns: 150 },
  )
})

test('no two people of a session are the same of the list, or read the same', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, (planned, script) => {
      const twice: string[] = []
      play(planned, script, ({ state }) => {
        const present = participantList(state)
        for (const of of [
          present.map(each => each.shownName.toLowerCase()),
          present.flatMap(({ personId }) => personId ?? []),
        ])
          twice.push(...of.filter((one, at) => of.indexOf(one) !== at))
      })
      expect(twice).toEqual([])
    }),
    { numRuns: 150 },
  )
})

test('a participant is shown their own room, what it made and who is in it, and of others nothing', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, (planned, script) => {
      play(planned, script, ({ state }) => {
        for (const me of participantList(state)) {
          const view = participantView(state, me.id)
          const at = view?.whereabouts
          if (at?.where === 'room') {
            expect(at.members.every(member => state.participants.get(member.id)?.roomId === me.roomId)).toBe(
              true,
            )
            for (const { copyId } of at.alsoReads) {
              expect(mayRead(state, me.id, copyId)).toBe(true)
              expect(mayWorkOn(state, me.id, copyId)).toBe(false)
            }
          }
          for (const room of state.rooms)
            if (room.closed) expect(mayWorkOn(state, me.id, room.copyId)).toBe(false)
          // Those at their own device are theirs to know of.
          const mine = view?.beside.every(({ id }) => state.participants.get(id)?.besideId === me.id)
          expect(mine).toBe(true)
        }
        const said = JSON.stringify(projectorView(state))
        for (const secret of ['personId', 'a cue']) expect(said).not.toContain(secret)
        for (const me of participantList(state))
          expect(JSON.stringify(participantView(state, me.id))).not.toContain('a cue')
      })
    }),
    { numRuns: 100 },
  )
})

test('the log folds to the same state, and undo gives back the arrangement before', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, fc.nat(20), (planned, script, pick) => {
      const session = play(planned, script)
      expect(fold(session.log)).toEqual(session.state)
      const before = session.state
      const make = ASKS[10] as Ask
      const made = session.tell(90_000, ...make(before, pick, ['a', 'b', 'c', 'd']))
      if (typeof made === 'string') return
      expect(session.tell(91_000, facilitator, { type: 'undo-rooms' })).toEqual(['rooms-undone'])
      const { rooms, participants, expected } = session.state
      expect({ rooms, participants, expected }).toEqual({
        rooms: before.rooms,
        participants: before.participants,
        expected: before.expected,
      })
    }),
    { numRuns: 150 },
  )
})

test('a view made from the one before reads as one made anew, whatever was done in between', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, (planned, script) => {
      const held = new Map<string, MadeView | null>()
      const wrong: unknown[] = []
      let step = 0
      play(planned, script, ({ state }) => {
        const readers: Viewer[] = [
          { kind: 'facilitator' },
          { kind: 'projector' },
          ...[...state.participants.keys()].map(
            (participantId): Viewer => ({ kind: 'participant', participantId }),
          ),
        ]
        step++
        for (const [at, reader] of readers.entries()) {
          // Not everybody is told of everything at once.
          if ((step + at) % 3 === 0) continue
          const key = JSON.stringify(reader)
          const made = viewAfter(held.get(key) ?? null, state, reader)
          held.set(key, made)
          // Each section travels by itself as JSON, which knows nothing that is undefined.
          if (made && Object.values(made.view).includes(undefined)) wrong.push(reader)
          if (JSON.stringify(made?.view) !== JSON.stringify(viewAfter(null, state, reader)?.view))
            wrong.push(reader)
        }
      })
      expect(wrong).toEqual([])
    }),
    { numRuns: 30 },
  )
})

test('what nobody touched is the same object again: a broadcast leaves a participant all but the messages', () => {
  const session = new Rehearsed()
  session.join(0, 'ana', 'bo')
  const ana: Viewer = { kind: 'participant', participantId: 'ana' }
  const before = viewAfter(null, session.state, ana) as MadeView
  session.tell(1000, facilitator, { type: 'broadcast', text: 'Two minutes', messageId: 'm' })
  const after = viewAfter(before, session.state, ana) as MadeView
  const names = Object.keys(after.view) as (keyof MadeView['view'])[]
  expect(names.filter(name => after.view[name] !== before.view[name])).toEqual(['messages'])
})
