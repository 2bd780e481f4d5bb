import { z } from 'zod'
import { idSchema } from '~/core/live/ids'

/** What was changed in the library on a board that rooms are working on. */
export interface BoardCorrection {
  /** Which of the session's boards. */
  place: number
  boardId: string
  title: string
  /** Where it is worked on. */
  rooms: { id: string; name: string }[]
  /** In words: what becomes of it, and what stays as it was. */
  changes: string[]
  stays: string[]
  /** Something is still to be said on it: it is not passed on. */
  unfinished: boolean
}

/** Which correction is passed on, to one room or to all. */
export const passOn = z.object({ place: z.number().int().min(0).max(1_000), roomId: idSchema.nullable() })

/** A board of the library that can be given to rooms. */
export interface BoardToGive {
  id: string
  title: string
}

/** Which board is given: to one room, to all, or to those alone that are still to be made. */
export const giveBoard = z.object({
  boardId: idSchema,
  roomId: idSchema.nullable(),
  toCome: z.literal(true).optional(),
})
