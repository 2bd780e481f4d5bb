import { z } from 'zod'
import type { Board } from '../../boards/board'
import { idSchema } from '../ids'
import { remember } from '../remember'

/** A room as the session was opened with it. `copyId` names the board copy its group works on. */
export const plannedRoomSchema = z.object({
  id: idSchema,
  name: z.string(),
  copyId: idSchema,
  /** Which of the session's boards it works on; the first where nothing is said. */
  board: z.number().int().min(0).optional(),
})
export type PlannedRoom = z.infer<typeof plannedRoomSchema>

export interface Room extends PlannedRoom {
  /** Somebody has been sent or put into it. */
  used: boolean
  /** Others took its place: nobody is put into it any more, and what was made in it stays. */
  closed: boolean
  /** When it was last closed, in milliseconds since 1970; null for one that never was. */
  closedAt: number | null
  /** Who belonged to it when it was closed, by participant id. */
  lastIds: readonly string[]
  /** Where its people talk, in whatever call service; empty for nowhere. */
  link: string
  /** Board copies of rooms whose people came into it: its own people read them, and write in none. */
  alsoReads: readonly string[]
}

/** A room as it begins. */
export const newRoom = (room: PlannedRoom): Room => ({
  ...room,
  used: false,
  closed: false,
  closedAt: null,
  lastIds: [],
  link: '',
  alsoReads: [],
})

/** Rooms and who belonged to them before others were made. */
export interface Before {
  /** When the others were made, by which this arrangement is told from another; in milliseconds of the server's time. */
  madeAt: number
  rooms: Room[]
  /** By participant id. */
  roomIds: Readonly<Record<string, string | null>>
  /** Of those who were still awaited, by person id. */
  expectedIn: Readonly<Record<string, string | null>>
}

export interface RoomsState {
  rooms: Room[]
  /** Which of the session's boards rooms get that are made now: one for all, or one for each by its place (stations). */
  boardsToCome: readonly number[]
  /** Which parts of the boards are open, by prompt id; null for all. */
  partsOpen: readonly string[] | null
  /** What the last arrangement took the place of, until people are sent out in it. */
  before: Before | null
}

export const roomOf = (state: Pick<RoomsState, 'rooms'>, roomId: string | null): Room | undefined =>
  state.rooms.find(room => room.id === roomId)

/** The board a room works on. */
export const boardOf = (
  { boards }: { boards: readonly Board[] },
  { board = 0 }: Pick<PlannedRoom, 'board'>,
) => boards[board] ?? NO_BOARD
const NO_BOARD: Board = { title: '', steps: [], prompts: [] }

/** Rooms there are now. */
export const openRooms = remember((rooms: Room[]) => rooms.filter(room => !room.closed))

/** Most rooms at once. */
export const MOST_ROOMS = 100

/** Longest name of a room, in characters. */
export const LONGEST_ROOM_NAME = 60
