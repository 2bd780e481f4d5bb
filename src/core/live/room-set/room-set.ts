import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorState } from '../door/door-facts'
import { changeParticipants, type Participant, participantList } from '../door/people'
import { idSchema } from '../ids'
import { remember } from '../remember'
import {
  LONGEST_ROOM_NAME,
  MOST_ROOMS,
  newRoom,
  openRooms,
  plannedRoomSchema,
  type Room,
  type RoomsState,
  roomOf,
} from '../rooms/room'
import type { RoomsEvent, RoomsProblem } from '../rooms/rooms'
import type { RoundState } from '../rounds/round'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'

export type RoomSetProblem =
  | { code: 'too-many-rooms'; most: number }
  | { code: 'room-not-closed' }
  | { code: 'not-a-link' }

const events = {
  'room-added': { room: plannedRoomSchema },
  'room-closed': {
    roomId: idSchema,
    intoRoomId: idSchema.nullable(),
    /** Who belonged to it: they come back when it is opened again. */
    participantIds: z.array(idSchema),
  },
  'rooms-reopened': { roomIds: z.array(idSchema) },
  'room-linked': { roomId: idSchema, link: z.string() },
}
export type RoomSetEvent = EventsOf<typeof events>

/** Rooms come and go while the session runs, before a round and in it: added, closed, merged, and opened again as they were. */
export const roomSet = topic<{
  state: object
  needs: RoomsState & DoorState & RoundState
  hears: RoomsEvent
  problem: RoomSetProblem
  borrows: RoomsProblem | TextProblem
}>()(
  {
    initial: {},
    commands: {
      'add-room': { by: ['facilitator'], asks: { name: textSchema }, fills: { ids: 'fresh-ids' } },
      /** Its people go to the whole group, or into another room, where what they made can then be read. */
      'close-room': { by: ['facilitator'], asks: { roomId: idSchema, toRoomId: idSchema.nullable() } },
      'reopen-rooms': {
        by: ['facilitator'],
        asks: {
          roomIds: z.array(idSchema).min(1).max(MOST_ROOMS),
          /** The rooms that are open meanwhile are closed. */
          instead: z.boolean(),
        },
      },
      'link-room': { by: ['facilitator'], asks: { roomId: idSchema, link: textSchema } },
    },
    events,
  },
  {
    decide: {
      'add-room'(state, { name, ids: [id = '', copyId = ''] }) {
        const problem = textProblem(name, LONGEST_ROOM_NAME)
        if (problem) return refuse(problem)
        const open = openRooms(state.rooms)
        if (open.length >= MOST_ROOMS) return refuse({ code: 'too-many-rooms', most: MOST_ROOMS })
        if (open.some(room => sameName(room.name, name)))
          return refuse({ code: 'same-room-name', name: name.trim() })
        return happens({ type: 'room-added', room: { id, copyId, name: name.trim() } })
      },
      'close-room'(state, { roomId, toRoomId }) {
        const room = roomOf(state, roomId)
        const into = toRoomId === null ? null : roomOf(state, toRoomId)
        const intoFits = into === null || (into && !into.closed && into !== room)
        if (!room || room.closed || !intoFits) return refuse({ code: 'no-such-room' })
        return happens(...closing(state, roomId, toRoomId))
      },
      'link-room'(state, { roomId, link: typed }) {
        const room = roomOf(state, roomId)
        if (!room) return refuse({ code: 'no-such-room' })
        const link = typed.trim()
        if (link.length > LONGEST_LINK) return refuse({ code: 'text-too-long', most: LONGEST_LINK })
        if (link !== '' && !isWebAddress(link)) return refuse({ code: 'not-a-link' })
        return room.link === link ? nothing : happens({ type: 'room-linked', roomId, link })
      },
      'reopen-rooms'(state, { roomIds, instead }) {
        const rooms = [...new Set(roomIds)].map(id => roomOf(state, id))
        if (!rooms.every(room => room !== undefined)) return refuse({ code: 'no-such-room' })
        const closed = rooms.filter(room => room.closed)
        if (closed.length === 0) return refuse({ code: 'room-not-closed' })
        const open = openRooms(state.rooms)
        const staying = instead ? open.filter(room => rooms.includes(room)) : open
        if (staying.length + closed.length > MOST_ROOMS)
          return refuse({ code: 'too-many-rooms', most: MOST_ROOMS })
        const names = [...staying, ...closed].map(room => room.name)
        const twice = names.find((name, at) => names.slice(0, at).some(other => sameName(other, name)))
        if (twice !== undefined) return refuse({ code: 'same-room-name', name: twice })
        const goes = new Map(closed.flatMap(room => room.lastIds.map(id => [id, room.id] as const)))
        const leaving = open.filter(room => !staying.includes(room))
        return happens(
          ...leaving.flatMap(room => closing(state, room.id, null)),
          { type: 'rooms-reopened', roomIds: closed.map(room => room.id) },
          ...[...goes].flatMap(([participantId, roomId]): RoomsEvent[] =>
            presentOf(state, participantId)?.admitted
              ? [{ type: 'placed', participantId, roomId, intoRoom: state.round !== null }]
              : [],
          ),
        )
      },
    },
    evolve: {
      'room-linked': (state, { roomId, link }) => ({
        rooms: state.rooms.map(room => (room.id === roomId ? { ...room, link } : room)),
      }),
      'room-added': (state, { room }) => ({
        rooms: [...state.rooms, newRoom(room)],
      }),
      'room-closed': (state, { roomId, intoRoomId, participantIds }, at) => {
        const closed = roomOf(state, roomId)
        const brings = closed?.used ? [closed.copyId, ...closed.alsoReads] : []
        return {
          // Those who are awaited, wait or have left with the room to come back to, go where its people went.
          ...changeParticipants(
            state,
            Object.values(state.participants).flatMap(each => (each.roomId === roomId ? [each.id] : [])),
            () => ({ roomId: intoRoomId }),
          ),
          expected: state.expected.map(person =>
            person.roomId === roomId ? { ...person, roomId: intoRoomId } : person,
          ),
          rooms: state.rooms.map((room): Room => {
            if (room.id === roomId) return { ...room, closed: true, closedAt: at, lastIds: participantIds }
            if (room.id !== intoRoomId) return room
            return { ...room, alsoReads: [...new Set([...room.alsoReads, ...brings])] }
          }),
        }
      },
      'rooms-reopened': (state, { roomIds }) => {
        const again = new Set(roomIds)
        const copyIds = new Set(state.rooms.filter(room => again.has(room.id)).map(room => room.copyId))
        return {
          rooms: state.rooms.map(room => ({
            ...room,
            closed: room.closed && !again.has(room.id),
            // Its people have it to themselves again.
            alsoReads: room.alsoReads.filter(copyId => !copyIds.has(copyId)),
          })),
        }
      },
    },
    views: {
      facilitator: state => ({ closedRooms: closedRooms(state.rooms) }),
    },
    words: {
      'too-many-rooms': ({ most }) => `A session has at most ${most} rooms at once.`,
      'not-a-link': () => 'A link begins with https:// or http://, as it stands in a browser.',
      'room-not-closed': () => 'This room is open already.',
    },
  },
)

/** Longest link, in characters. */
const LONGEST_LINK = 500

/** Only addresses of pages: others could do something in a participant's browser. */
function isWebAddress(link: string): boolean {
  return URL.canParse(link) && ['https:', 'http:'].includes(new URL(link).protocol)
}

/** A room's people go, and it is closed behind them. */
function closing(state: DoorState, roomId: string, intoRoomId: string | null): (RoomsEvent | RoomSetEvent)[] {
  const people = belonging(state, roomId)
  return [
    ...people.map(({ id, inRoom }): RoomsEvent => {
      return {
        type: 'placed',
        participantId: id,
        roomId: intoRoomId,
        intoRoom: inRoom && intoRoomId !== null,
      }
    }),
    { type: 'room-closed', roomId, intoRoomId, participantIds: people.map(({ id }) => id) },
  ]
}

const sameName = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase()

const belonging = (state: DoorState, roomId: string): Participant[] =>
  participantList(state).filter(each => each.admitted && each.roomId === roomId)

const closedRooms = remember((rooms: Room[]) =>
  rooms.flatMap(({ id, name, closed, closedAt, lastIds }) =>
    closed ? [{ id, name, people: lastIds.length, closedAt: closedAt ?? 0 }] : [],
  ),
)
