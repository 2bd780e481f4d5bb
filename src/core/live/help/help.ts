import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorEvent, DoorProblem } from '../door/door-facts'
import { type PeopleState, peopleIn, roomIdOf } from '../door/people'
import { idSchema } from '../ids'
import { remember, rememberBoth } from '../remember'
import type { RoomSetEvent } from '../room-set/room-set'
import type { RoomsState } from '../rooms/room'
import { type RoomsEvent, type RoomsProblem, roomIn } from '../rooms/rooms'
import type { RoundsEvent } from '../rounds/rounds'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'

const HOW_CLOSED = ['visit', 'note', 'withdrawn', 'round-ended'] as const

export interface HelpCall {
  id: string
  roomId: string
  participantId: string
  at: number
  closedAt: number | null
  how: (typeof HOW_CLOSED)[number] | null
}

export interface HelpState {
  helpCalls: HelpCall[]
}

const events = {
  'help-called': { helpId: idSchema, roomId: idSchema, participantId: idSchema },
  'help-closed': { helpId: idSchema, how: z.enum(HOW_CLOSED) },
}
export type HelpEvent = EventsOf<typeof events>

/** The open help call of a room, if it has one: a room has at most one at a time. */
export const openHelp = (state: HelpState, roomId: string): HelpCall | undefined =>
  state.helpCalls.find(call => call.roomId === roomId && call.closedAt === null)

/** What closes the open call of a room, if it has one. */
export function closing(state: HelpState, roomId: string, how: 'visit' | 'note' | 'withdrawn'): HelpEvent[] {
  const call = openHelp(state, roomId)
  return call ? [{ type: 'help-closed', helpId: call.id, how }] : []
}

/** Rooms call for help; a visit or a note answers. */
export const help = topic<{
  state: HelpState
  needs: PeopleState & RoomsState
  hears: DoorEvent | RoomsEvent | RoomSetEvent | RoundsEvent
  borrows: DoorProblem | RoomsProblem
  mark: 'help' | 'helped'
}>()(
  {
    initial: { helpCalls: [] },
    commands: {
      'call-help': { by: ['participant'], asks: {}, fills: { helpId: 'fresh-id' } },
      'withdraw-help': { by: ['participant'], asks: {} },
    },
    events,
  },
  {
    decide: {
      'call-help'(state, { helpId }, { participantId }) {
        if (!presentOf(state, participantId)) return refuse({ code: 'no-such-participant' })
        const roomId = roomIdOf(state, participantId)
        if (roomId === null) return refuse({ code: 'not-in-a-room' })
        return openHelp(state, roomId)
          ? nothing
          : happens({ type: 'help-called', helpId, roomId, participantId })
      },
      'withdraw-help'(state, _command, { participantId }) {
        const roomId = roomIdOf(state, participantId)
        return roomId === null ? nothing : happens(...closing(state, roomId, 'withdrawn'))
      },
    },
    first: {
      // A room that the last person leaves no longer calls, and nobody calls once the round is over.
      placed: (state, { participantId, roomId, intoRoom }) =>
        leaving(state, [participantId], intoRoom ? roomId : null),
      released: (state, { participantId }) => leaving(state, [participantId], null),
      removed: (state, { participantIds }) => leaving(state, participantIds, null),
      'room-closed': (state, { roomId }) => closing(state, roomId, 'withdrawn'),
      'rooms-reopened': (state, { placements }) =>
        leaving(
          state,
          placements.map(({ participantId }) => participantId),
          null,
        ),
      'round-ended': state =>
        openCalls(state.helpCalls).map(call => ({
          type: 'help-closed',
          helpId: call.id,
          how: 'round-ended',
        })),
    },
    evolve: {
      'help-called': (state, { helpId: id, roomId, participantId }, at) => ({
        helpCalls: [...state.helpCalls, { id, roomId, participantId, at, closedAt: null, how: null }],
      }),
      'help-closed': (state, { helpId, how }, at) => ({
        helpCalls: state.helpCalls.map(call => (call.id === helpId ? { ...call, closedAt: at, how } : call)),
      }),
    },
    views: {
      facilitator: state => ({ help: openCalls(state.helpCalls) }),
      participant: (state, me) => {
        const room = roomIn(state, me)
        const call = room && openHelp(state, room.id)
        return { help: call ? callFor(call, me) : null }
      },
    },
    marks: {
      'help-called': (before, { roomId, participantId }) => [
        { roomId, kind: 'help', what: before.participants.get(participantId)?.shownName ?? '' },
      ],
      'help-closed': (before, { helpId, how }) =>
        before.helpCalls
          .filter(call => call.id === helpId)
          .map(call => ({ roomId: call.roomId, kind: 'helped', what: how })),
    },
    words: {},
  },
)

const openCalls = remember((calls: HelpCall[]) => calls.filter(call => call.closedAt === null))

const callFor = rememberBoth((call: HelpCall, me: { id: string }) => ({
  at: call.at,
  mine: call.participantId === me.id,
}))

function leaving(
  state: HelpState & PeopleState,
  leaverIds: readonly string[],
  toRoomId: string | null,
): HelpEvent[] {
  const leavers = new Set(leaverIds)
  const rooms = new Set(leaverIds.map(id => roomIdOf(state, id)))
  return [...rooms].flatMap(from => {
    if (from === null || from === toRoomId || peopleIn(state, from).some(({ id }) => !leavers.has(id)))
      return []
    return closing(state, from, 'withdrawn')
  })
}
