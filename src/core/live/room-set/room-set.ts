import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorState } from '../door/door-facts'
import { changeParticipants, type Participant, participantList, peopleIn } from '../door/people'
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
import { onBoard, type RoomsProblem } from '../rooms/rooms'
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
  /** With the people who were in them, as far as they are here. */
  'rooms-reopened': {
    roomIds: z.array(idSchema),
    placements: z.array(z.object({ participantId: idSchema, roomId: idSchema })),
  },
  'room-linked': { roomId: idSchema, link: z.string() },
}
export type RoomSetEvent = EventsOf<typeof events>

/** Rooms come and go while the session runs, before a round and in it: added, closed, merged, and opened again as they were. */
export const roomSet = topic<{
  state: object
  needs: RoomsState & DoorState & RoundState
  problem: RoomSetProblem
  borrows: RoomsProblem | TextProblem
  mark: 'joined' | 'left'
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
        return happens({
          type: 'room-added',
          room: onBoard(state, { id, copyId, name: name.trim() }, open.length),
        })
      },
      'close-room'(state, { roomId, toRoomId }) {
        const room = roomOf(state, roomId)
        const into = toRoomId === null ? null : roomOf(state, toRoomId)
        const intoFits = into === null || (into && !into.closed && into !== room)
        if (!room || room.closed || !intoFits) return refuse({ code: 'no-such-room' })
        return happens(closing(state, roomId, toRoomId))
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
        return happens(...leaving.map(room => closing(state, room.id, null)), {
          type: 'rooms-reopened',
          roomIds: closed.map(room => room.id),
          placements: [...goes].flatMap(([participantId, roomId]) =>
            presentOf(state, participantId)?.admitted ? [{ participantId, roomId }] : [],
          ),
        })
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
        const all = [...state.participants.values()].filter(each => each.roomId === roomId)
        const comeIn = intoRoomId !== null && all.some(each => each.inRoom)
        return {
          // Also those who wait, are awaited, or have left with the room to come back to.
          ...changeParticipants(
            state,
            all.map(each => each.id),
            ({ inRoom }) => ({ roomId: intoRoomId, inRoom: inRoom && intoRoomId !== null }),
          ),
          expected: state.expected.map(person =>
            person.roomId === roomId ? { ...person, roomId: intoRoomId } : person,
          ),
          rooms: state.rooms.map((room): Room => {
            if (room.id === roomId) return { ...room, closed: true, closedAt: at, lastIds: participantIds }
            if (room.id !== intoRoomId) return room
            return {
              ...room,
              used: room.used || comeIn,
              alsoReads: [...new Set([...room.alsoReads, ...brings])],
            }
          }),
        }
      },
      'rooms-reopened': (state, { roomIds, placements }) => {
        const again = new Set(roomIds)
        const copyIds = new Set(state.rooms.filter(room => again.has(room.id)).map(room => room.copyId))
        const isOut = state.round !== null
        const goes = new Map(placements.map(({ participantId, roomId }) => [participantId, roomId]))
        const enteredIds = new Set(isOut ? goes.values() : [])
        return {
          ...changeParticipants(state, [...goes.keys()], ({ id }) => ({
            roomId: goes.get(id) ?? null,
            inRoom: isOut,
          })),
          rooms: state.rooms.map(room => ({
            ...room,
            closed: room.closed && !again.has(room.id),
            used: room.used || enteredIds.has(room.id),
            // Its people have it to themselves again.
            alsoReads: room.alsoReads.filter(copyId => !copyIds.has(copyId)),
          })),
        }
      },
    },
    views: {
      facilitator: state => ({ closedRooms: closedRooms(state.rooms) }),
    },
    marks: {
      'room-closed': (before, { roomId, intoRoomId }) =>
        peopleIn(before, roomId).flatMap(({ shownName }) => [
          { roomId, kind: 'left' as const, what: shownName },
          ...(intoRoomId === null ? [] : [{ roomId: intoRoomId, kind: 'joined' as const, what: shownName }]),
        ]),
      'rooms-reopened': (before, { placements }) =>
        before.round === null
          ? []
          : placements.flatMap(({ participantId, roomId }) => {
              const mover = before.participants.get(participantId)
              if (!mover) return []
              const { shownName, inRoom, roomId: from } = mover
              return [
                ...(inRoom && from !== null
                  ? [{ roomId: from, kind: 'left' as const, what: shownName }]
                  : []),
                { roomId, kind: 'joined' as const, what: shownName },
              ]
            }),
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

/** A room is closed, with who belonged to it written down. */
const closing = (state: DoorState, roomId: string, intoRoomId: string | null) => ({
  type: 'room-closed' as const,
  roomId,
  intoRoomId,
  participantIds: belonging(state, roomId).map(({ id }) => id),
})

const sameName = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase()

const belonging = (state: DoorState, roomId: string): Participant[] =>
  participantList(state).filter(each => each.admitted && each.roomId === roomId)

const closedRooms = remember((rooms: Room[]) =>
  rooms.flatMap(({ id, name, closed, closedAt, lastIds }) =>
    closed ? [{ id, name, people: lastIds.length, closedAt: closedAt ?? 0 }] : [],
  ),
)
