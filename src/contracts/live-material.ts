import { z } from 'zod'
import { idSchema } from '~/core/live/ids'
import { MOST_ROOMS } from '~/core/live/rooms/room'
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
