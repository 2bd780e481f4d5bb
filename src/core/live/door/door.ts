import { z } from 'zod'
import { idSchema } from '../ids'
import type { SessionEvent } from '../session/session'
import { type TextProblem, textSchema } from '../texts'
import { happens, nothing, refuse, topic } from '../topic'
import { type DoorProblem, type DoorState, doorEvents } from './door-facts'
import { joins, newcomer } from './joining'
import {
  changeParticipants,
  type Doubt,
  MOST_PARTICIPANTS,
  type Participant,
  type PeopleState,
  roomIdOf,
} from './people'
import { doorNow, lanePeople, ownFacts, stillExpected } from './shown'

/** Who comes in: joining by a name, the waiting list, coming and going of their pages, names in doubt. */
export const door = topic<{
  state: DoorState
  hears: SessionEvent
  problem: DoorProblem
  borrows: TextProblem
  mark: 'left' | 'dropped' | 'back'
}>()(
  {
    initial: {
      participants: new Map(),
      locked: false,
      waitingList: false,
      crowded: false,
      wasCrowded: false,
      expected: [],
      doubts: [],
    },
    commands: {
      join: {
        by: ['door'],
        asks: {
          participantId: idSchema,
          personId: idSchema.nullable(),
          shownName: textSchema,
          /** Who the same browser was in this session before. */
          earlierId: idSchema.optional(),
        },
      },
      connect: { by: ['door'], asks: { participantId: idSchema, onPhone: z.literal(true).optional() } },
      disconnect: { by: ['door'], asks: { participantId: idSchema }, idleAfterEnd: true },
      /** Somebody at the door says that this name is theirs, and taken. */
      'claim-name': { by: ['door'], asks: { participantId: idSchema }, fills: { doubtId: 'fresh-id' } },
      'not-me': { by: ['participant'], asks: {}, fills: { doubtId: 'fresh-id', wrote: 'has-written' } },
      'let-in': {
        by: ['facilitator'],
        asks: { participantIds: z.array(idSchema).min(1).max(MOST_PARTICIPANTS) },
      },
      'set-waiting-list': { by: ['facilitator'], asks: { on: z.boolean() } },
      'lock-door': { by: ['facilitator'], asks: { on: z.boolean() } },
      release: { by: ['facilitator'], asks: { participantId: idSchema } },
      remove: {
        by: ['facilitator'],
        asks: { participantIds: z.array(idSchema).min(1).max(MOST_PARTICIPANTS) },
      },
      'settle-doubt': { by: ['facilitator'], asks: { doubtId: idSchema, free: z.boolean() } },
    },
    events: doorEvents,
  },
  {
    decide: {
      join: joins,
      connect(state, { participantId, onPhone }) {
        const participant = presentOf(state, participantId)
        if (!participant) return refuse({ code: 'no-such-participant' })
        return participant.connected
          ? nothing
          : happens({ type: 'connected', participantId, ...(onPhone && { onPhone }) })
      },
      disconnect(state, { participantId }) {
        const participant = state.participants.get(participantId)
        return participant?.connected && participant.hasDevice
          ? happens({ type: 'disconnected', participantId })
          : nothing
      },
      'claim-name'(state, { doubtId, participantId }) {
        if (!presentOf(state, participantId)) return refuse({ code: 'no-such-participant' })
        return doubt(state, { doubtId, participantId, how: 'mine-is-taken' })
      },
      'not-me'(state, { doubtId, wrote }, { participantId }) {
        if (!presentOf(state, participantId)) return refuse({ code: 'no-such-participant' })
        if (!wrote) return happens({ type: 'released', participantId })
        return doubt(state, { doubtId, participantId, how: 'not-me' })
      },
      'let-in'(state, { participantIds }) {
        const waiting = participantIds.filter(id => presentOf(state, id)?.admitted === false)
        return waiting.length > 0 ? happens({ type: 'admitted', participantIds: waiting }) : nothing
      },
      'set-waiting-list'(state, { on }) {
        return state.waitingList === on ? nothing : happens({ type: 'waiting-list-set', on })
      },
      'lock-door'(state, { on }) {
        return state.locked === on ? nothing : happens({ type: 'door-locked', on })
      },
      remove(state, { participantIds }) {
        const present = participantIds.filter(id => presentOf(state, id))
        return present.length > 0 ? happens({ type: 'removed', participantIds: present }) : nothing
      },
      release(state, { participantId }) {
        const participant = state.participants.get(participantId)
        if (!participant) return refuse({ code: 'no-such-participant' })
        return participant.released ? nothing : happens({ type: 'released', participantId })
      },
      'settle-doubt'(state, { doubtId, free }) {
        const found = state.doubts.find(candidate => candidate.id === doubtId)
        if (!found) return refuse({ code: 'no-such-doubt' })
        return free
          ? happens({ type: 'released', participantId: found.participantId })
          : happens({ type: 'doubt-settled', doubtId })
      },
    },
    evolve: {
      opened: (_state, { plan }) => ({ expected: plan.people, waitingList: plan.waitingList }),
      joined: (state, event, at) => ({
        participants: new Map(state.participants).set(event.participantId, newcomer(state, event, at)),
      }),
      admitted: (state, { participantIds }) =>
        changeParticipants(state, participantIds, () => ({ admitted: true })),
      connected: (state, { participantId, onPhone = false }, at) =>
        changeParticipants(state, [participantId], () => ({ connected: true, seenAt: at, onPhone })),
      disconnected: (state, { participantId }, at) =>
        changeParticipants(state, [participantId], () => ({ connected: false, seenAt: at })),
      released: (state, { participantId }, at) => out(state, [participantId], at, {}),
      removed: (state, { participantIds }, at) => out(state, participantIds, at, { removed: true }),
      'name-doubted': (state, { doubtId: id, participantId, how }, at) => ({
        doubts: [...state.doubts, { id, participantId, how, at }],
      }),
      'doubt-settled': (state, { doubtId }) => ({
        doubts: state.doubts.filter(other => other.id !== doubtId),
      }),
      'waiting-list-set': (_state, { on }) => ({ waitingList: on, crowded: false }),
      crowded: () => ({ waitingList: true, crowded: true, wasCrowded: true }),
      'door-locked': (_state, { on }) => ({ locked: on }),
    },
    views: {
      facilitator: state => ({
        door: doorNow(state),
        people: lanePeople(state.participants),
        expected: stillExpected(state.expected, state.participants),
        doubts: state.doubts,
      }),
      participant: (state, me) => ({ me: ownFacts(me, state.doubts) }),
    },
    marks: {
      connected: (before, { participantId }) => markOf(before, participantId, 'back'),
      disconnected: (before, { participantId }) => markOf(before, participantId, 'dropped'),
      released: (before, { participantId }) => markOf(before, participantId, 'left'),
      removed: (before, { participantIds }) => participantIds.flatMap(id => markOf(before, id, 'left')),
    },
    words: {
      'no-such-participant': () => 'This person is no longer in the session.',
      'name-taken': ({ shownName }) =>
        `${shownName} is already taken in this session. If that is you on another device, ask the facilitator to free the name. If you only have the same name, add something that tells you apart, such as a letter of your family name.`,
      'door-locked': () =>
        'The facilitator has locked the door: nobody new comes in. Ask them to open it for you.',
      'mixed-alphabets': () =>
        'This name has letters of different alphabets in one word. Write each word in one alphabet.',
      'no-such-doubt': () => 'This has been settled already.',
      'session-full': ({ most }) => `A session has room for ${most} people, and this one is full.`,
    },
  },
)

/** Somebody who joined and whose name has not been freed since. */
export function presentOf(state: PeopleState, participantId: string): Participant | undefined {
  const participant = state.participants.get(participantId)
  return participant?.released ? undefined : participant
}

/** One doubt of a kind about a name is enough, however often it is said. */
function doubt(state: DoorState, said: Omit<Doubt, 'id' | 'at'> & { doubtId: string }) {
  const known = state.doubts.some(
    other => other.participantId === said.participantId && other.how === said.how,
  )
  return known ? nothing : happens({ type: 'name-doubted' as const, ...said })
}

/** People out of the session; what was in doubt about their names is settled by that. */
const out = (
  state: DoorState,
  participantIds: readonly string[],
  at: number,
  how: Partial<Participant>,
): Partial<DoorState> => ({
  ...changeParticipants(state, participantIds, () => ({
    released: true,
    connected: false,
    inRoom: false,
    seenAt: at,
    ...how,
  })),
  doubts: state.doubts.filter(other => !participantIds.includes(other.participantId)),
})

function markOf<Kind>(before: PeopleState, participantId: string, kind: Kind) {
  const roomId = roomIdOf(before, participantId)
  return roomId === null
    ? []
    : [{ roomId, kind, what: before.participants.get(participantId)?.shownName ?? '' }]
}
