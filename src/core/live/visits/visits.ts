import { z } from 'zod'
import type { FacilitatorsEvent } from '../facilitators/facilitators'
import { closing, type HelpEvent, type HelpState } from '../help/help'
import { idSchema } from '../ids'
import { rememberBoth } from '../remember'
import type { RoomSetEvent } from '../room-set/room-set'
import { type PlannedRoom, type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { RoundState } from '../rounds/round'
import type { RoundsEvent, RoundsProblem } from '../rounds/rounds'
import type { SessionEvent } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import type { Visitor } from './visitor'

export interface Visit {
  accountId: string
  name: string
  roomId: string
  startedAt: number
  /** They write along on the room's board, and no longer only listen. */
  joined?: true
}

export interface VisitsState {
  visits: Visit[]
  /** When each room was last visited, by room id. */
  lastVisit: Readonly<Record<string, number>>
}

const events = {
  'visit-started': { accountId: idSchema, name: z.string(), roomId: idSchema },
  /** They write along from now on, or only listen again. */
  'visit-joined': { accountId: idSchema, roomId: idSchema, joins: z.boolean() },
  'visit-ended': { accountId: idSchema, roomId: idSchema },
}
export type VisitsEvent = EventsOf<typeof events>

/** A facilitator listens in a room, and its people know; they write along only once they have said so. */
export const visits = topic<{
  state: VisitsState
  needs: RoomsState & HelpState & RoundState
  hears: HelpEvent | RoundsEvent | RoomSetEvent | SessionEvent | FacilitatorsEvent
  borrows: RoomsProblem | RoundsProblem
  problem: { code: 'not-visiting' }
  mark: 'visit'
}>()(
  {
    initial: { visits: [], lastVisit: {} },
    commands: {
      visit: { by: ['facilitator'], asks: { roomId: idSchema } },
      'join-in': { by: ['facilitator'], asks: { joins: z.boolean() } },
      'leave-room': { by: ['facilitator'], asks: {} },
    },
    events,
  },
  {
    decide: {
      visit(state, { roomId }, { accountId, name }) {
        if (!roomOf(state, roomId)) return refuse({ code: 'no-such-room' })
        if (!state.round) return refuse({ code: 'not-out' })
        // Whoever comes answers the call for help, also when they are there already.
        const answering = closing(state, roomId, 'visit')
        const current = visitOf(state, accountId)
        if (current?.roomId === roomId) return happens(...answering)
        return happens(...leave(current), { type: 'visit-started', accountId, name, roomId }, ...answering)
      },
      'join-in'(state, { joins }, { accountId }) {
        const current = visitOf(state, accountId)
        if (!current) return refuse({ code: 'not-visiting' })
        if ((current.joined ?? false) === joins) return nothing
        return happens({ type: 'visit-joined', accountId, roomId: current.roomId, joins })
      },
      'leave-room'(state, _command, { accountId }) {
        const current = visitOf(state, accountId)
        return current ? happens(...leave(current)) : nothing
      },
    },
    first: {
      'round-ended': state => state.visits.flatMap(leave),
      // Whoever is gone listens in no room.
      'facilitator-gone': (state, { accountId }) => leave(visitOf(state, accountId)),
      'room-closed': (state, { roomId }) =>
        state.visits.filter(visit => visit.roomId === roomId).flatMap(leave),
    },
    evolve: {
      'visit-started': (state, { accountId, name, roomId }, at) => ({
        visits: [...without(state, accountId), { accountId, name, roomId, startedAt: at }],
        lastVisit: { ...state.lastVisit, [roomId]: at },
      }),
      'visit-joined': (state, { accountId, joins }) => ({
        visits: state.visits.map(visit => {
          if (visit.accountId !== accountId) return visit
          const { joined: _, ...listening } = visit
          return joins ? { ...listening, joined: true } : listening
        }),
      }),
      'visit-ended': (state, { accountId, roomId }, at) => ({
        visits: without(state, accountId),
        lastVisit: { ...state.lastVisit, [roomId]: at },
      }),
      ended: () => ({ visits: [] }),
    },
    views: {
      facilitator: state => ({ visits: state.visits, lastVisit: state.lastVisit }),
      participant: (state, me) => {
        const room = roomIn(state, me)
        return { visits: room ? visitorsIn(state.visits, room) : NOBODY }
      },
    },
    marks: {
      'visit-started': (_before, { roomId, name }) => [{ roomId, kind: 'visit', what: name }],
    },
    words: { 'not-visiting': () => 'You are in no room now: visit one first.' },
  },
)

const NOBODY: Visitor[] = []

const visitOf = (state: VisitsState, accountId: string) =>
  state.visits.find(visit => visit.accountId === accountId)

const without = (state: VisitsState, accountId: string) =>
  state.visits.filter(visit => visit.accountId !== accountId)

const leave = (visit: Visit | undefined) =>
  visit ? [{ type: 'visit-ended' as const, accountId: visit.accountId, roomId: visit.roomId }] : []

const visitorsIn = rememberBoth((all: Visit[], room: PlannedRoom): Visitor[] =>
  all
    .filter(visit => visit.roomId === room.id)
    .map(({ accountId, name, joined }) => ({ name, writesAs: joined ? accountId : null })),
)
