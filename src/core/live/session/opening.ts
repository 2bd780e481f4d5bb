import { z } from 'zod'
import { boardSchema } from '../../boards/board'
import { MOST_BOARDS, MOST_SEGMENTS, runSegmentSchema } from '../../schedule/running-order'
import { CALL_WAYS } from '../call/ways'
import { expectedPersonSchema } from '../door/people'
import { DUTIES } from '../duties/duty'
import { idSchema } from '../ids'
import { WHO_WRITES } from '../rights/writing'
import { MOST_ROOMS, plannedRoomSchema } from '../rooms/room'

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
  /** Boards beside the first, for segments that have another. */
  moreBoards: z.array(boardSchema).max(MOST_BOARDS).optional(),
  /** The running order; without one, rounds are made as they come. */
  segments: z.array(runSegmentSchema).max(MOST_SEGMENTS).optional(),
  /** When the session is to begin, in milliseconds since 1970, and how many minutes it may take (null: nobody has said). */
  startsAt: z.number().optional(),
  minutes: z.number().nullable().optional(),
  /** How rooms talk aloud, where that is not by links. */
  callWay: z.enum(CALL_WAYS).optional(),
  /** Who writes in rooms, where that is not everybody, and whether they add pictures of their own, where they may not. */
  writing: z.enum(WHO_WRITES).optional(),
  mayAddPictures: z.literal(false).optional(),
  /** What those at the front do, of whom something is said; their rooms of every round, null for all. */
  duties: z
    .array(
      z.object({
        accountId: idSchema,
        does: z.enum(DUTIES),
        rooms: z
          .array(idSchema)
          .max(MOST_ROOMS * MOST_SEGMENTS)
          .nullable(),
      }),
    )
    .optional(),
  /** It is only tried out, with simulated participants. */
  rehearsal: z.literal(true).optional(),
})
export type OpeningPlan = z.infer<typeof openingPlanSchema>
