import { z } from 'zod'
import { FILE_KINDS, fileHash } from '../../material/material'

/** A thing of the library as it is given: the facts it needs to be shown, which stay as they were. */
export const givenThing = z.discriminatedUnion('is', [
  z.object({
    is: z.enum(FILE_KINDS),
    title: z.string().max(200),
    file: fileHash,
    /** Of a picture, in points; null for others. */
    width: z.number().int().positive().nullable(),
    height: z.number().int().positive().nullable(),
    /** What is said in a sound or film can be read along. */
    captioned: z.boolean().optional(),
  }),
  z.object({ is: z.literal('link'), title: z.string().max(200), address: z.url().max(2_000) }),
])
export type GivenThing = z.infer<typeof givenThing>

/** Material that rooms have been given while the session runs. */
export interface Given {
  id: string
  thing: GivenThing
  /** Null for everybody, in whatever room or in none. */
  roomIds: readonly string[] | null
}

export interface MaterialState {
  /** In the order in which it was given. */
  given: readonly Given[]
}

/** So much may be given at a time. */
export const MOST_GIVEN = 30
