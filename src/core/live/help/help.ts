import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorEvent, DoorProblem } from '../door/door-facts'
import { type PeopleState, peopleIn, roomIdOf } from '../door/people'
import type { FacilitatorsEvent } from '../facilitators/facilitators'
import { idSchema, momentSchema } from '../ids'
import { remember, rememberBoth } from '../remember'
import type { RoomSetEvent } from '../room-set/room-set'
import type { RoomsState } from '../rooms/room'
import type { RoomsEvent, RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { RoundsEvent } from '../rounds/rounds'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { HELP_REASONS, type HelpReason } from './reasons'

/** Longest time in which somebody can say they come, in minutes. */
export const MOST_COMING_MINUTES = 30

const HOW_CLOSED = ['visit', 'note', 'comment', 'withdrawn', 'round-ended'] as const

export interface HelpCall {
  id: string
  roomId: string
  participantId: string
  at: number
  closedAt: number | null
  how: (typeof HOW_CLOSED)[number] | null
  reason: HelpReason | null
  /** Who has said that they go there, when they said so, and when they will be there; null while nobody has. */
  taken: { accountId: string; name: string; at: number; comesAt: number } | null
}

export type HelpProblem = { code: 'help-taken'; name: string }

export interface HelpState {
  helpCalls: HelpCall[]
}

const events = {
  'help-called': {
    helpId: idSchema,
    roomId: idSchema,
    participantId: idSchema,
    reason: z.enum(HELP_REASONS).optional(),
  },
  'help-reason-said': { helpId: idSchema, reason: z.enum(HELP_REASONS) },
  'help-taken': { helpId: idSchema, accountId: idSchema, name: z.string(), comesAt: momentSchema },
  'help-let-go': { helpId: idSchema },
  'help-closed': { helpId: idSchema, how: z.enum(HOW_CLOSED) },
}
export type HelpEvent = EventsOf<typeof events>

/** The open help call of a room, if it has one: a room has at most one at a time. */
export const openHelp = (state: HelpState, roomId: string): HelpCall | undefined =>
  state.helpCalls.find(call => call.roomId === roomId && call.closedAt === null)

/** What closes the open call of a room, if it has one. */
export function closing(
  state: HelpState,
  roomId: string,
  how: 'visit' | 'note' | 'comment' | 'withdrawn',
): HelpEvent[] {
  const call = openHelp(state, roomId)
  return call ? [{ type: 'help-closed', helpId: call.id, how }] : []
}

/** Rooms call for help; a visit or a note answers. */
export const help = topic<{
  state: HelpState
  needs: PeopleState & RoomsState
  hears: DoorEvent | RoomsEvent | RoomSetEvent | RoundsEvent | FacilitatorsEvent
  problem: HelpProblem
  borrows: DoorProblem | RoomsProblem
  mark: 'help' | 'helped'
}>()(
  {
    initial: { helpCalls: [] },
    commands: {
      /** Once the room calls, a reason given with it again is said of the call that is open. */
      'call-help': {
        by: ['participant'],
        asks: { reason: z.enum(HELP_REASONS).optional() },
        fills: { helpId: 'fresh-id' },
      },
      /** The call that was seen, or whichever is open when it is not said, as by earlier versions' pages. */
      'withdraw-help': { by: ['participant'], asks: { helpId: idSchema.optional() } },
      /** Somebody says that they go there, now or in so many minutes: then nobody else has to. */
      'take-help': {
        by: ['facilitator'],
        asks: { helpId: idSchema, minutes: z.number().int().min(0).max(MOST_COMING_MINUTES) },
      },
      'let-help-go': { by: ['facilitator'], asks: { helpId: idSchema } },
    },
    events,
  },
  {
    decide: {
      'call-help'(state, { helpId, reason }, { participantId }) {
        if (!presentOf(state, participantId)) return refuse({ code: 'no-such-participant' })
        const roomId = roomIdOf(state, participantId)
        if (roomId === null) return refuse({ code: 'not-in-a-room' })
        const open = openHelp(state, roomId)
        if (!open)
          return happens({ type: 'help-called', helpId, roomId, participantId, ...(reason && { reason }) })
        return reason === undefined || open.reason === reason
          ? nothing
          : happens({ type: 'help-reason-said', helpId: open.id, reason })
      },
      'withdraw-help'(state, { helpId }, { participantId }) {
        const roomId = roomIdOf(state, participantId)
        // Somebody else of the room may have called anew since the one that was seen was answered.
        if (roomId === null || (helpId !== undefined && openHelp(state, roomId)?.id !== helpId))
          return nothing
        return happens(...closing(state, roomId, 'withdrawn'))
      },
      'take-help'(state, { helpId, minutes }, { accountId, name }, now) {
        const call = openCalls(state.helpCalls).find(({ id }) => id === helpId)
        if (!call) return nothing
        if (call.taken && call.taken.accountId !== accountId)
          return refuse({ code: 'help-taken', name: call.taken.name })
        return happens({ type: 'help-taken', helpId, accountId, name, comesAt: now + minutes * 60_000 })
      },
      'let-help-go'(state, { helpId }, { accountId }) {
        const call = openCalls(state.helpCalls).find(({ id }) => id === helpId)
        return call?.taken?.accountId === accountId ? happens({ type: 'help-let-go', helpId }) : nothing
      },
    },
    follows: {
      // Who has gone comes to nobody: the call waits for others again.
      'facilitator-gone': (state, { accountId }) =>
        openCalls(state.helpCalls)
          .filter(({ taken }) => taken?.accountId === accountId)
          .map(({ id }) => ({ type: 'help-let-go', helpId: id })),
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
      'help-called': (state, { helpId: id, roomId, participantId, reason = null }, at) => ({
        helpCalls: [
          ...state.helpCalls,
          { id, roomId, participantId, at, closedAt: null, how: null, reason, taken: null },
        ],
      }),
      'help-reason-said': (state, { helpId, reason }) => changed(state, helpId, { reason }),
      'help-taken': (state, { helpId, accountId, name, comesAt }, at) =>
        changed(state, helpId, { taken: { accountId, name, at, comesAt } }),
      'help-let-go': (state, { helpId }) => changed(state, helpId, { taken: null }),
      'help-closed': (state, { helpId, how }, at) => changed(state, helpId, { closedAt: at, how }),
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
    words: { 'help-taken': ({ name }) => `${name} goes there already.` },
  },
)

const openCalls = remember((calls: HelpCall[]) => calls.filter(call => call.closedAt === null))

const callFor = rememberBoth((call: HelpCall, me: { id: string }) => ({
  id: call.id,
  at: call.at,
  mine: call.participantId === me.id,
  reason: call.reason,
  /** Who comes, and when; of facilitators a room learns the name. */
  coming: call.taken && { name: call.taken.name, at: call.taken.comesAt },
}))

const changed = (state: HelpState, helpId: string, change: Partial<HelpCall>): HelpState => ({
  helpCalls: state.helpCalls.map(call => (call.id === helpId ? { ...call, ...change } : call)),
})

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
