import { z } from 'zod'
import { idSchema } from '~/core/live/ids'

/** A piece of a room's board, to be taken off it. `text` tells apart what has no id of its own, as lines of a sheet. */
export const takeOff = z.object({
  roomId: idSchema,
  promptId: z.string().min(1).max(40),
  pieceId: z.string().min(1).max(80),
  text: z.string().max(5_000),
})
export type TakeOff = z.infer<typeof takeOff>

/** One that was taken off, to be given back. */
export const giveBack = z.object({ takenId: idSchema })

export const takenOffRequest = z.union([takeOff, giveBack])
