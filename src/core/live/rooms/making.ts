/** Rooms that are made in the session itself, of who is here. */
import { groupBy } from 'lodash-es'
import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorState } from '../door/door-facts'
import { changeParticipants, MOST_PARTICIPANTS, participantList } from '../door/people'
import { idSchema } from '../ids'
import { type TextProblem, textProblem, textSchema } from '../texts'
import {
  LONGEST_ROOM_NAME,
  MOST_ROOMS,
  newRoom,
  type PlannedRoom,
  plannedRoomSchema,
  type Room,
  type RoomsState,
  roomOf,
} from './room'

export type MakingProblem = { code: 'same-room-name'; name: string } | { code: 'nobody-to-group' }

/** What is asked: groups by name, with who is in each. */
export const wantedGroups = z
  .array(z.object({ name: textSchema, participantIds: z.array(idSchema).max(MOST_PARTICIPANTS) }))
  .min(1)
  .max(MOST_ROOMS)
export type WantedGroup = z.infer<typeof wantedGroups>[number]

/** What comes of it. */
export const madeRooms = z.array(plannedRoomSchema.extend({ participantIds: z.array(idSchema) }))
export type MadeRoom = z.infer<typeof madeRooms>[number]

/**
 * Rooms for groups. Whoever has left meanwhile, or still waits, is left out, and so is a group in which nobody remains; who
 * stands in two is in the first; `keepsEmpty` for rooms that are filled afterwards. `ids` are new ones, two for each room.
 */
export function roomsFor(
  state: Pick<DoorState, 'participants'>,
  groups: readonly WantedGroup[],
  ids: readonly string[],
  keepsEmpty = false,
): { rooms: MadeRoom[] } | MakingProblem | TextProblem {
  const names = new Set<string>()
  const taken = new Set<string>()
  const rooms: MadeRoom[] = []
  for (const { name, participantIds } of groups) {
    const problem = textProblem(name, LONGEST_ROOM_NAME)
    if (problem) return problem
    const plain = name.trim().toLowerCase()
    if (names.has(plain)) return { code: 'same-room-name', name: name.trim() }
    names.add(plain)
    const here = [...new Set(participantIds)].filter(
      participantId => !taken.has(participantId) && presentOf(state, participantId)?.admitted,
    )
    if (here.length === 0 && !keepsEmpty) continue
    for (const participantId of here) taken.add(participantId)
    const [id = '', copyId = ''] = ids.slice(2 * rooms.length)
    rooms.push({ id, copyId, name: name.trim(), participantIds: here })
  }
  return rooms.length > 0 ? { rooms } : { code: 'nobody-to-group' }
}

/**
 * New rooms take the place of those there were: a room in which somebody has been is closed and keeps its work, one that
 * nobody ever entered is gone. Everybody belongs to the room they were given, or to none.
 */
export function withRooms(
  state: RoomsState & Pick<DoorState, 'participants' | 'expected'>,
  made: readonly MadeRoom[],
  at: number,
): Partial<RoomsState & DoorState> {
  const roomOf = new Map(
    made.flatMap(({ id, participantIds }) => participantIds.map(one => [one, id] as const)),
  )
  const belonging = groupBy(participantList(state), participant => participant.roomId)
  const madeIds = new Set(made.map(({ id }) => id))
  const kept = state.rooms
    .filter(room => room.used && !madeIds.has(room.id))
    .map(
      (room): Room =>
        room.closed
          ? room
          : { ...room, closed: true, closedAt: at, lastIds: (belonging[room.id] ?? []).map(({ id }) => id) },
    )
  return {
    before: {
      madeAt: at,
      rooms: state.rooms,
      roomIds: Object.fromEntries([...state.participants.values()].map(({ id, roomId }) => [id, roomId])),
      expectedIn: Object.fromEntries(state.expected.map(({ personId, roomId }) => [personId, roomId])),
    },
    ...changeParticipants(state, [...state.participants.keys()], ({ id }) => ({
      roomId: roomOf.get(id) ?? null,
    })),
    // Rooms of a plan are not there any more for those who come later.
    expected: state.expected.map(person => ({ ...person, roomId: null })),
    rooms: [...kept, ...made.map(({ participantIds: _, ...room }) => againOrNew(state, room))],
  }
}

/** A planned room that people have been in already is opened again; it keeps what it is called by now. */
function againOrNew({ rooms }: RoomsState, planned: PlannedRoom): Room {
  const before = roomOf({ rooms }, planned.id)
  return before?.used ? { ...before, closed: false } : newRoom(planned)
}

/** The rooms as they were before the last arrangement; who has come since has none. */
export function withoutLast(
  state: RoomsState & Pick<DoorState, 'participants' | 'expected'>,
): Partial<RoomsState & DoorState> {
  const { before } = state
  if (!before) return {}
  return {
    before: null,
    rooms: before.rooms,
    ...changeParticipants(state, [...state.participants.keys()], ({ id }) => ({
      roomId: before.roomIds[id] ?? null,
    })),
    expected: state.expected.map(person => ({
      ...person,
      roomId: before.expectedIn[person.personId] ?? null,
    })),
  }
}
