import { z } from 'zod'
import { boardSchema } from '../../boards/board'
import { expectedPersonSchema } from '../door/people'
import { plannedRoomSchema } from '../rooms/room'

/** What a session is opened with: taken from the plan at that moment and not changed by later edits of the plan. */
export const openingPlanSchema = z.object({
  title: z.string(),
  rooms: z.array(plannedRoomSchema),
  people: z.array(expectedPersonSchema),
  board: boardSchema,
  roomSeconds: z.number(),
  graceSeconds: z.number(),
  waitingList: z.boolean(),
  /** Which version of the grouping the rooms were made from; null when that was not written down. */
  groupingVersion: z.number().nullable(),
})
export type OpeningPlan = z.infer<typeof openingPlanSchema>
