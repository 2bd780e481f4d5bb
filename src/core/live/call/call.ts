import { z } from 'zod'
import type { PeopleState } from '../door/people'
import { idSchema } from '../ids'
import { type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { RoundState } from '../rounds/round'
import type { RoundsEvent } from '../rounds/rounds'
import type { SessionEvent } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import type { VisitsState } from '../visits/visits'
import { CALL_WAYS, type CallState, callOf } from './ways'

const events = {
  'call-set': { way: z.enum(CALL_WAYS) },
  'call-silenced': { roomIds: z.array(idSchema), silent: z.boolean() },
}
export type CallEvent = EventsOf<typeof events>

type State = CallState & RoomsState & RoundState

/** The call of each room. Who is in it, and what they give, stands in no log: nothing of a call is recorded. */
export const call = topic<{
  state: CallState
  needs: RoomsState & RoundState
  hears: RoundsEvent | SessionEvent
  problem: never
  borrows: RoomsProblem
}>()(
  {
    initial: { callWay: 'links', callSilent: [] },
    commands: {
      'set-call': { by: ['facilitator'], asks: { way: z.enum(CALL_WAYS) } },
      /** Switches the microphones of one room off, or lets them be switched on again; null: of all rooms there are. */
      'silence-call': {
        by: ['facilitator'],
        asks: { roomId: idSchema.nullable(), silent: z.boolean() },
      },
    },
    events,
  },
  {
    decide: {
      'set-call': ({ callWay }, { way }) => (callWay === way ? nothing : happens({ type: 'call-set', way })),
      'silence-call'(state, { roomId, silent }) {
        if (roomId !== null && !roomOf(state, roomId)) return refuse({ code: 'no-such-room' })
        const meant = roomId === null ? state.rooms.map(({ id }) => id) : [roomId]
        const roomIds = meant.filter(id => state.callSilent.includes(id) !== silent)
        return roomIds.length === 0 ? nothing : happens({ type: 'call-silenced', roomIds, silent })
      },
    },
    evolve: {
      opened: (_state, { plan }) => (plan.callWay ? { callWay: plan.callWay } : {}),
      'call-set': (_state, { way }) => ({ callWay: way }),
      'call-silenced': ({ callSilent }, { roomIds, silent }) => ({
        callSilent: [...callSilent.filter(id => !roomIds.includes(id)), ...(silent ? roomIds : [])],
      }),
      'round-ended': ({ callSilent }) => (callSilent.length === 0 ? {} : { callSilent: [] }),
    },
    views: {
      facilitator: ({ callWay, callSilent }) => ({ callWay, callSilent }),
      participant: (state, me) => {
        const room = roomIn(state, me)
        return { call: room ? callOf(state, room.id) : null }
      },
    },
    words: {},
  },
)

/** Whether somebody may be in the call of a room: its people while they are in it, and facilitators while they visit. */
export function mayCall(
  state: State & PeopleState & VisitsState,
  roomId: string,
  who: { participantId: string } | { accountId: string },
): boolean {
  if (callOf(state, roomId) === null || !state.round) return false
  if ('accountId' in who)
    return state.visits.some(visit => visit.accountId === who.accountId && visit.roomId === roomId)
  const me = state.participants.get(who.participantId)
  return me !== undefined && roomIn(state, me)?.id === roomId
}
