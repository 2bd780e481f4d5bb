import { z } from 'zod'
import { idSchema } from '../ids'
import { remember } from '../remember'

/** A room as the session was opened with it. `copyId` names the board copy its group works on. */
export const plannedRoomSchema = z.object({ id: idSchema, name: z.string(), copyId: idSchema })
export type PlannedRoom = z.infer<typeof plannedRoomSchema>

export interface Room extends PlannedRoom {
  /** Somebody has been sent or put into it. */
  used: boolean
  /** Others took its place: nobody is put into it any more, and what was made in it stays. */
  closed: boolean
}

export interface RoomsState {
  rooms: Room[]
}

export const roomOf = (state: RoomsState, roomId: string | null): Room | undefined =>
  state.rooms.find(room => room.id === roomId)

/** Rooms there are now. */
export const openRooms = remember((rooms: Room[]) => rooms.filter(room => !room.closed))

/** Most rooms at once. */
export const MOST_ROOMS = 100

/** Longest name of a room, in characters. */
export const LONGEST_ROOM_NAME = 60
