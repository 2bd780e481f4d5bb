import { z } from 'zod'
import { idSchema } from '../ids'

/** A room as the session was opened with it. `copyId` names the board copy its group works on. */
export const plannedRoomSchema = z.object({ id: idSchema, name: z.string(), copyId: idSchema })
export type PlannedRoom = z.infer<typeof plannedRoomSchema>

export interface RoomsState {
  rooms: PlannedRoom[]
}

export const roomOf = (state: RoomsState, roomId: string | null): PlannedRoom | undefined =>
  state.rooms.find(room => room.id === roomId)

/** Longest name of a room, in characters. */
export const LONGEST_ROOM_NAME = 60
