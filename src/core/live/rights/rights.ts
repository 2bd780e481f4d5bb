import { omit } from 'lodash-es'
import { z } from 'zod'
import { plainName } from '../../people/shown-name'
import type { CohortEvent } from '../cohort/cohort'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { plainNameOf } from '../door/joining'
import { changeParticipants, participantList, peopleIn, roomIdOf } from '../door/people'
import { idSchema } from '../ids'
import type { RolesState } from '../roles/roles-facts'
import { type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { SessionEvent } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { WHO_WORDS } from './right-words'
import { mayPassPen, mayWriteInRoom, oneWriter, ruleIn } from './who-writes'
import { type RightsState, WHO_WRITES, type WritingHere } from './writing'

export type RightsProblem =
  | { code: 'name-of-list' }
  | { code: 'no-turns' }
  | { code: 'not-your-turn' }
  | { code: 'cannot-write' }

const who = z.enum(WHO_WRITES)

const events = {
  /** Of a room, or of all of which nothing else is said; null: as in the others. */
  'writing-set': { who: who.nullable(), roomId: idSchema.nullable() },
  'pen-passed': { roomId: idSchema, toId: idSchema },
  muted: { participantId: idSchema, muted: z.boolean() },
  'name-hidden': { participantId: idSchema, instead: z.string() },
  'name-shown': { participantId: idSchema },
}
export type RightsEvent = EventsOf<typeof events>

/** Who may write in rooms: all, one by role, one after the other; who for the time being may not; and names that are taken off the screens. */
export const rights = topic<{
  state: RightsState
  needs: RoomsState & DoorState & Pick<RolesState, 'roles'>
  hears: CohortEvent | SessionEvent
  problem: RightsProblem
  borrows: DoorProblem | RoomsProblem
  mark: 'rights'
}>()(
  {
    initial: { writing: 'all', writingIn: {}, pens: {}, muted: {}, hiddenNames: {} },
    commands: {
      'set-writing': { by: ['facilitator'], asks: { who: who.nullable(), roomId: idSchema.nullable() } },
      'give-pen': { by: ['facilitator'], asks: { participantId: idSchema } },
      'pass-pen': { by: ['participant'], asks: { toId: idSchema } },
      mute: { by: ['facilitator'], asks: { participantId: idSchema, muted: z.boolean() } },
      'hide-name': { by: ['facilitator'], asks: { participantId: idSchema } },
      'show-name': { by: ['facilitator'], asks: { participantId: idSchema } },
    },
    events,
  },
  {
    decide: {
      'set-writing'(state, { who: wanted, roomId }) {
        if (roomId === null) {
          const all = wanted ?? 'all'
          return all === state.writing ? nothing : happens({ type: 'writing-set', who: all, roomId })
        }
        if (!roomOf(state, roomId)) return refuse({ code: 'no-such-room' })
        if ((state.writingIn[roomId] ?? null) === wanted) return nothing
        return happens({ type: 'writing-set', who: wanted, roomId })
      },
      'give-pen'(state, { participantId }) {
        const to = presentOf(state, participantId)
        if (!to) return refuse({ code: 'no-such-participant' })
        if (!to.inRoom || to.roomId === null) return refuse({ code: 'not-in-a-room' })
        return passed(state, to.roomId, participantId)
      },
      'pass-pen'(state, { toId }, { participantId }) {
        const me = presentOf(state, participantId)
        if (!me) return refuse({ code: 'no-such-participant' })
        const room = roomIn(state, me)
        if (!room) return refuse({ code: 'not-in-a-room' })
        if (ruleIn(state, room.id) !== 'turn') return refuse({ code: 'no-turns' })
        if (!mayPassPen(state, me, room.id)) return refuse({ code: 'not-your-turn' })
        return passed(state, room.id, toId)
      },
      mute(state, { participantId, muted }) {
        if (!presentOf(state, participantId)) return refuse({ code: 'no-such-participant' })
        if ((state.muted[participantId] ?? false) === muted) return nothing
        return happens({ type: 'muted', participantId, muted })
      },
      'hide-name'(state, { participantId }) {
        const one = presentOf(state, participantId)
        if (!one) return refuse({ code: 'no-such-participant' })
        if (one.personId !== null) return refuse({ code: 'name-of-list' })
        if (state.hiddenNames[participantId]) return nothing
        return happens({ type: 'name-hidden', participantId, instead: freeGuest(state) })
      },
      'show-name'(state, { participantId }) {
        const one = presentOf(state, participantId)
        if (!one) return refuse({ code: 'no-such-participant' })
        if (!state.hiddenNames[participantId]) return nothing
        const { typedName } = one
        if (isNamed(state, plainName(typedName), participantId))
          return refuse({ code: 'name-taken', shownName: typedName })
        return happens({ type: 'name-shown', participantId })
      },
    },
    evolve: {
      opened: (_state, { plan }) => (plan.writing ? { writing: plan.writing } : {}),
      'writing-set': (state, { who: wanted, roomId }) => {
        if (roomId === null) return { writing: wanted ?? 'all' }
        const others = omit(state.writingIn, roomId)
        return { writingIn: wanted === null ? others : { ...others, [roomId]: wanted } }
      },
      'pen-passed': (state, { roomId, toId }) => ({ pens: { ...state.pens, [roomId]: toId } }),
      muted: (state, { participantId, muted }) => ({
        muted: muted ? { ...state.muted, [participantId]: true } : omit(state.muted, participantId),
      }),
      'name-hidden': (state, { participantId, instead }) => ({
        ...changeParticipants(state, [participantId], () => ({ shownName: instead })),
        hiddenNames: { ...state.hiddenNames, [participantId]: true },
      }),
      'cohort-attached': (state, { matches }) => byTheList(state, matches),
      'people-matched': (state, { matches }) => byTheList(state, matches),
      'people-listed': (state, { people }) => byTheList(state, people),
      'name-shown': (state, { participantId }) => ({
        ...changeParticipants(state, [participantId], ({ typedName }) => ({ shownName: typedName })),
        hiddenNames: omit(state.hiddenNames, participantId),
      }),
    },
    views: {
      facilitator: state => ({
        writing: { who: state.writing, in: state.writingIn },
        writers: Object.fromEntries(
          state.rooms.flatMap(({ id }) => {
            const writer = oneWriter(state, id)
            return writer ? [[id, writer.id] as const] : []
          }),
        ),
        muted: state.muted,
        hiddenNames: state.hiddenNames,
      }),
      participant: (state, me) => {
        const room = roomIn(state, me)
        return {
          writing: room ? writingHere(state, me.id, room.id) : null,
          nameHidden: state.hiddenNames[me.id] ?? false,
        }
      },
    },
    marks: {
      'writing-set': (before, { who: wanted, roomId }) =>
        before.rooms
          .filter(({ id }) => (roomId === null ? !(id in before.writingIn) : id === roomId))
          .map(({ id }) => ({ roomId: id, kind: 'rights', what: WHO_WORDS[wanted ?? before.writing] })),
      'pen-passed': (before, { roomId, toId }) => [
        { roomId, kind: 'rights', what: `pen to ${nameIn(before, toId)}` },
      ],
      muted: (before, { participantId, muted }) => {
        const roomId = roomIdOf(before, participantId)
        const what = `${nameIn(before, participantId)} ${muted ? 'may not write' : 'may write again'}`
        return roomId === null ? [] : [{ roomId, kind: 'rights', what }]
      },
    },
    words: {
      'name-of-list': () => 'This name is on the list of the cohort: change it there.',
      'no-turns': () => 'In this room people do not write in turns.',
      'not-your-turn': () => 'Somebody else has the pen now.',
      'cannot-write': () => 'The pen can go to somebody in the room who has a device and may write.',
    },
  },
)

type State = RightsState & DoorState & Pick<RolesState, 'roles'>

function passed(state: State, roomId: string, toId: string) {
  if (ruleIn(state, roomId) !== 'turn') return refuse({ code: 'no-turns' as const })
  const to = peopleIn(state, roomId).find(({ id }) => id === toId)
  if (!to?.hasDevice || state.muted[toId]) return refuse({ code: 'cannot-write' as const })
  if (oneWriter(state, roomId)?.id === toId) return nothing
  return happens({ type: 'pen-passed' as const, roomId, toId })
}

/** Whoever is on the list goes by its name: nothing of theirs is hidden any more. */
const byTheList = (state: RightsState, people: readonly { participantId: string }[]) => ({
  hiddenNames: omit(
    state.hiddenNames,
    people.map(({ participantId }) => participantId),
  ),
})

const isNamed = (state: DoorState, plain: string, exceptId = ''): boolean =>
  participantList(state).some(one => one.id !== exceptId && plainNameOf(one) === plain) ||
  state.expected.some(({ shownName }) => plainName(shownName) === plain)

const nameIn = ({ participants }: DoorState, id: string): string => participants.get(id)?.shownName ?? ''

/** A name that says nothing and is nobody's. */
function freeGuest(state: DoorState): string {
  for (let number = 1; ; number++) {
    const name = `Guest ${number}`
    if (!isNamed(state, plainName(name))) return name
  }
}

/** Null where everybody writes, as usual. */
function writingHere(state: State, myId: string, roomId: string): WritingHere | null {
  const me = state.participants.get(myId)
  const rule = ruleIn(state, roomId)
  if (!me || (rule === 'all' && !state.muted[myId])) return null
  const writer = oneWriter(state, roomId)
  return {
    who: rule,
    by: writer && { id: writer.id, shownName: writer.shownName },
    mayWrite: mayWriteInRoom(state, me, roomId),
    muted: state.muted[myId] ?? false,
    mayPass: mayPassPen(state, me, roomId),
  }
}
