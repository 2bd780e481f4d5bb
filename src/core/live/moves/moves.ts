import { isEqual } from 'lodash-es'
import { MOVED_AT_ONCE, type Places, placesSchema, termsSchema } from '../../schedule/terms'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { type Participant, type PeopleState, participantList } from '../door/people'
import { idSchema } from '../ids'
import { remember, rememberBoth } from '../remember'
import { mayIn, type RoomRightsState } from '../rights/may-in'
import type { RolesState } from '../roles/roles-facts'
import { openRooms, type Room, type RoomsState, roomOf } from '../rooms/room'
import type { RoomsEvent, RoomsProblem } from '../rooms/rooms'
import type { RoundState } from '../rounds/round'
import type { RoundsEvent, RoundsProblem } from '../rounds/rounds'
import type { SessionEvent } from '../session/session'
import { type Decision, happens, nothing, refuse, topic } from '../topic'
import { events, type MovesState } from './terms'

export type MovesProblem =
  | { code: 'room-full'; name: string }
  | { code: 'choosing-closed' }
  | { code: 'must-stay' }
  | { code: 'no-rooms-to-choose' }
  | { code: 'bad-places' }

type Rights = RoomRightsState & Pick<RolesState, 'rolesRule'>
type State = MovesState & RoomsState & DoorState & RoundState & Rights

/** What people do by themselves: choose a room, accept to go, change rooms, come back; as far as they may. */
export const moves = topic<{
  state: MovesState
  needs: RoomsState & DoorState & RoundState & Rights
  hears: RoomsEvent | RoundsEvent | SessionEvent
  problem: MovesProblem
  borrows: RoomsProblem | RoundsProblem | DoorProblem
}>()(
  {
    initial: { terms: MOVED_AT_ONCE, choosing: null, places: { least: 1, most: 0 } },
    commands: {
      /** What is not named stays: two who change different things at once both have their way. */
      'set-terms': { by: ['facilitator'], asks: termsSchema.partial().shape },
      /** People choose among the rooms that are open, until it is closed or they are sent out. */
      'open-choosing': { by: ['facilitator'], asks: placesSchema.shape },
      'close-choosing': { by: ['facilitator'], asks: {} },
      /** Everybody who was invited and has not gone is put into their room. */
      'bring-in': { by: ['facilitator'], asks: {} },
      'choose-room': { by: ['participant'], asks: { roomId: idSchema } },
      /** Into the room one belongs to: an invitation is accepted, or one goes back in. */
      'enter-room': { by: ['participant'], asks: {} },
      'come-back': { by: ['participant'], asks: {} },
    },
    events,
  },
  {
    decide: {
      'set-terms'({ terms: now }, { type: _, ...said }) {
        const terms = { ...now, ...said }
        return isEqual(terms, now) ? nothing : happens({ type: 'terms-set', ...terms })
      },
      'open-choosing'(state, { least, most }) {
        if (state.round) return refuse({ code: 'already-out' })
        if (openRooms(state.rooms).length === 0) return refuse({ code: 'no-rooms-to-choose' })
        if (most !== 0 && most < least) return refuse({ code: 'bad-places' })
        if (state.choosing?.least === least && state.choosing.most === most) return nothing
        return happens({ type: 'choosing-opened', least, most })
      },
      'close-choosing': state => (state.choosing ? happens({ type: 'choosing-closed' }) : nothing),
      'bring-in': state =>
        state.round
          ? happens(...invitedNotGone(state).map(one => placed(one.id, one.roomId, true)))
          : nothing,
      'choose-room'(state, { roomId }, { participantId }) {
        const me = asksHere(state, participantId)
        if (!me.ok) return me
        const room = roomOf(state, roomId)
        if (!room || room.closed) return refuse({ code: 'no-such-room' })
        const may = state.round
          ? mayIn(state, 'change', me.one.roomId) && state.round.graceEndsAt === null
          : state.choosing
        if (!may) return refuse({ code: 'choosing-closed' })
        const group = withBeside(state, me.one)
        const places = placesLeft(state.rooms, state.participants)(state.places).get(roomId)
        const coming = group.filter(one => one.roomId !== roomId).length
        if (places !== undefined && coming > places) return refuse({ code: 'room-full', name: room.name })
        return moving(group, roomId, state.round !== null)
      },
      'enter-room'(state, _command, { participantId }) {
        const me = asksHere(state, participantId)
        if (!me.ok) return me
        const { round } = state
        if (!round) return refuse({ code: 'not-out' })
        if (round.graceEndsAt !== null || !mayEnter(state, me.one)) return refuse({ code: 'choosing-closed' })
        const room = roomOf(state, me.one.roomId)
        if (!room || room.closed) return refuse({ code: 'no-such-room' })
        return moving(withBeside(state, me.one, room.id), room.id, true)
      },
      'come-back'(state, _command, { participantId }) {
        const me = asksHere(state, participantId)
        if (!me.ok) return me
        if (!me.one.inRoom) return nothing
        if (!mayIn(state, 'return', me.one.roomId)) return refuse({ code: 'must-stay' })
        return moving(withBeside(state, me.one, me.one.roomId), me.one.roomId, false)
      },
    },
    evolve: {
      'terms-set': (_state, { invited, mayChange, mayReturn }) => ({
        terms: { invited, mayChange, mayReturn },
      }),
      'choosing-opened': (_state, { least, most }) => ({
        choosing: { least, most },
        places: { least, most },
      }),
      'choosing-closed': () => ({ choosing: null }),
      // Groups that are made take the place of those that were being chosen.
      'rooms-made': () => ({ choosing: null }),
      'sent-out': () => ({ choosing: null }),
      ended: () => ({ choosing: null }),
    },
    views: {
      facilitator: ({ terms, choosing }) => ({ terms, choosing }),
      participant: (state, me) => ({
        moves: me.admitted && !me.released ? ownMoves(state, me) : null,
        roomsToChoose: me.admitted && !me.released ? roomsToChoose(state, me) : null,
      }),
    },
    words: {
      'room-full': ({ name }) => `${name} is full. Choose another room.`,
      'choosing-closed': () => 'Rooms can not be chosen now. The facilitator places you.',
      'must-stay': () => 'Everybody stays in their room until they are called back.',
      'no-rooms-to-choose': () => 'There are no rooms to choose from. Add rooms first.',
      'bad-places': () => 'The largest size of a room can not be below the smallest.',
    },
  },
)

const placed = (participantId: string, roomId: string | null, intoRoom: boolean) => ({
  type: 'placed' as const,
  participantId,
  roomId,
  intoRoom,
})

/** People go where they are not yet; those who are there already stay. */
function moving(group: readonly Participant[], roomId: string | null, intoRoom: boolean) {
  const going = group.filter(one => one.roomId !== roomId || one.inRoom !== intoRoom)
  return happens(...going.map(one => placed(one.id, roomId, intoRoom)))
}

/** Who asks, if they are let in. */
function asksHere(
  state: DoorState,
  participantId: string,
): { ok: true; one: Participant } | Extract<Decision<never, DoorProblem | RoomsProblem>, { ok: false }> {
  const one = presentOf(state, participantId)
  if (!one) return refuse({ code: 'no-such-participant' })
  return one.admitted ? { ok: true, one } : refuse({ code: 'waiting', shownName: one.shownName })
}

/** Somebody, and those at their device: they have no page to go by. With a room, only those who belong to it as well. */
function withBeside(state: PeopleState, me: Participant, roomId?: string | null): Participant[] {
  const beside = participantList(state).filter(
    one => one.besideId === me.id && one.admitted && (roomId === undefined || one.roomId === roomId),
  )
  return [me, ...beside]
}

/** Who belongs to a room in a round and is not in it: invited, or come back. In the order they joined. */
export const invitedNotGone = (state: PeopleState & RoomsState): Participant[] => {
  const open = new Set(openRooms(state.rooms).map(({ id }) => id))
  return participantList(state).filter(
    ({ admitted, inRoom, roomId }) => admitted && !inRoom && roomId !== null && open.has(roomId),
  )
}

/** So many more each room has places for, by id; rooms without a limit are not in it. */
const placesLeft = rememberBoth((rooms: Room[], participants: PeopleState['participants']) =>
  remember(({ most }: Places): ReadonlyMap<string, number> => {
    if (most === 0) return new Map()
    const sizes = sizesOf(rooms, participants)
    return new Map(openRooms(rooms).map(({ id }) => [id, Math.max(0, most - (sizes.get(id) ?? 0))]))
  }),
)

const sizesOf = rememberBoth((_rooms: Room[], participants: PeopleState['participants']) => {
  const sizes = new Map<string, number>()
  for (const { roomId, admitted } of participantList({ participants }))
    if (roomId !== null && admitted) sizes.set(roomId, (sizes.get(roomId) ?? 0) + 1)
  return sizes as ReadonlyMap<string, number>
})

/** A room to choose: how many have, and how many it is for. */
export interface RoomToChoose {
  id: string
  name: string
  people: number
  /** Places left; null where it has for everybody. */
  left: number | null
}

const toChoose = rememberBoth((rooms: Room[], participants: PeopleState['participants']) =>
  remember((places: Places) => {
    const sizes = sizesOf(rooms, participants)
    const left = placesLeft(rooms, participants)(places)
    const all = openRooms(rooms).map(
      ({ id, name }): RoomToChoose => ({ id, name, people: sizes.get(id) ?? 0, left: left.get(id) ?? null }),
    )
    return { rooms: all, places }
  }),
)

/** Rooms to choose from while one may; of other rooms it says how many are in them, not who. */
function roomsToChoose(
  state: State,
  { roomId }: Participant,
): { rooms: RoomToChoose[]; places: Places } | null {
  const { round, choosing, places, rooms } = state
  const may = round ? mayIn(state, 'change', roomId) && round.graceEndsAt === null : choosing !== null
  return may ? toChoose(rooms, state.participants)(places) : null
}

/** What somebody may do by themselves now; null for nothing. */
export interface OwnMoves {
  ownRoomId: string | null
  /** Their room's name where they may go into it. */
  enter: string | null
  mayReturn: boolean
}

/** Whether somebody may go into the room they belong to by themselves. */
const mayEnter = (state: State, { roomId }: Participant): boolean =>
  state.terms.invited || mayIn(state, 'return', roomId) || mayIn(state, 'change', roomId)

function ownMoves(state: State, me: Participant): OwnMoves | null {
  const { round, choosing, rooms } = state
  if (round ? round.graceEndsAt !== null : choosing === null) return null
  const own = roomOf({ rooms }, me.roomId)
  const room = own && !own.closed ? own : undefined
  return {
    ownRoomId: room?.id ?? null,
    enter: round !== null && !me.inRoom && mayEnter(state, me) ? (room?.name ?? null) : null,
    mayReturn: me.inRoom && mayIn(state, 'return', me.roomId),
  }
}
