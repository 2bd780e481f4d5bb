import { z } from 'zod'
import { ROLE_RULES } from '../grouping/roles'

/** How people go into rooms in a round, and what they may do by themselves. */
export const termsSchema = z.object({
  /** They are asked to go, and accept; else everybody is moved at once. */
  invited: z.boolean(),
  /** They may go from room to room while the round runs. */
  mayChange: z.boolean(),
  /** They may come back to the whole group before they are called. */
  mayReturn: z.boolean(),
})
export type Terms = z.infer<typeof termsSchema>

export const MOVED_AT_ONCE: Terms = { invited: false, mayChange: false, mayReturn: false }

/** So many people a room has places for; `most` is 0 where it has for everybody. */
export const placesSchema = z.object({
  least: z.number().int().min(1).max(100),
  most: z.number().int().min(0).max(500),
})
export type Places = z.infer<typeof placesSchema>

/** How roles are given in a round, and whether people may pass theirs on. */
export const rolesRuleSchema = z.object({ rule: z.enum(ROLE_RULES), mayPass: z.boolean() })
export type RolesRule = z.infer<typeof rolesRuleSchema>
