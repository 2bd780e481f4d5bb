import { z } from 'zod'
import { idSchema } from '~/core/live/ids'
import { LONGEST_WAIT } from '~/core/live/messages/message'
import { MOST_ROOMS } from '~/core/live/rooms/room'
import { textSchema } from '~/core/live/texts'
import type { MaterialKind } from '~/core/material/material'

/** A thing of the library that can be given to rooms. */
export interface MaterialToGive {
  id: string
  title: string
  kind: MaterialKind
}

/** What is given, to everybody or to some rooms. */
export const giveMaterialForm = z.object({
  materialId: idSchema,
  roomIds: z.array(idSchema).min(1).max(MOST_ROOMS).nullable(),
})

/** What of the library is put up, on every page too or on the projector alone. */
export const putUpMaterialForm = z.object({ materialId: idSchema, onPages: z.boolean() })

/** What is said with a thing of the library, to whom and when. */
export const broadcastMaterialForm = z.object({
  materialId: idSchema,
  text: textSchema,
  roomIds: z.array(idSchema).min(1).max(MOST_ROOMS).nullable(),
  notDone: idSchema.optional(),
  minutes: z.number().int().min(1).max(LONGEST_WAIT).optional(),
})
export type BroadcastMaterial = z.infer<typeof broadcastMaterialForm>
