/** What a page sends to keep a grouping. */
import { z } from 'zod'
import { ROLES } from '~/core/grouping/roles'
import { DOUBLINGS, NO_ROTATION } from '~/core/grouping/rotation'
import { MOST_RULES } from '~/core/grouping/rules'
import { line } from './fields'

export const groupForm = z.object({
  id: z.string().min(1).max(40),
  name: line('a name for the group', 60),
  personIds: z.array(z.string().min(1).max(40)).max(500),
})

/** Most rounds of one grouping. */
export const MOST_ROUNDS = 40

const strength = z.union([z.literal(1), z.literal(2), z.literal(3)])
const columnAim = { column: z.string().max(200), strength }

export const aimForm = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('fresh'), strength }),
  z.object({ kind: z.literal('keep'), strength }),
  z.object({ kind: z.literal('mixed'), ...columnAim }),
  z.object({ kind: z.literal('matched'), ...columnAim }),
])

export const groupingForm = z.object({
  name: line('a name for the grouping', 80),
  groups: z.array(groupForm).min(1, 'Make at least one group.').max(250, 'At most 250 groups.'),
  aims: z.array(aimForm).max(40).optional().default([]),
  offRuleIds: z.array(z.string().max(40)).max(MOST_RULES).optional().default([]),
  heldIds: z.array(z.string().max(40)).max(500).optional().default([]),
  laterRounds: z
    .array(z.array(groupForm).min(1).max(250))
    .max(MOST_ROUNDS - 1, `At most ${MOST_ROUNDS} rounds.`)
    .optional()
    .default([]),
  roles: z
    .array(z.record(z.string().max(40), z.enum(ROLES)))
    .max(MOST_ROUNDS)
    .optional()
    .default([]),
  rotation: z
    .object({
      stations: z.array(line('a name for the station', 60)).max(60),
      rounds: z.number().int().min(1).max(1000).nullable(),
      doubled: z.enum(DOUBLINGS),
    })
    .optional()
    .default(NO_ROTATION),
  /** The version the changes start from; null for a new grouping. */
  version: z.number().int().nullable(),
})

/** The name under which rooms of a session are kept. */
export const keepGroupsForm = groupingForm.pick({ name: true })

/** Groups that were not saved, as a browser keeps them: without a name, and from before the first group was made on. */
export const draftGroupingForm = groupingForm
  .omit({ name: true, version: true })
  .extend({ groups: z.array(groupForm).max(250) })

export type GroupingForm = z.input<typeof groupingForm>
