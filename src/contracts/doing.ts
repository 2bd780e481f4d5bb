import { z } from 'zod'

/** What somebody at the front is at, for the others there: which room they look at, and whether they write a broadcast or make groups. */
export const doingSchema = z.strictObject({
  roomId: z.string().max(40).nullable(),
  says: z.boolean(),
  makes: z.boolean(),
})
export type Doing = z.infer<typeof doingSchema>
