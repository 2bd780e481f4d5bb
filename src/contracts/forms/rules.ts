/** Forms for the rules of a list. */
import { z } from 'zod'
import { count, line, personIds } from './fields'

const ruleContents = [
  z.object({ kind: z.literal('apart'), personIds: personIds(2, 'Choose at least two people.') }),
  z.object({ kind: z.literal('together'), personIds: personIds(2, 'Choose at least two people.') }),
  z.object({
    kind: z.literal('placed'),
    personIds: personIds(1, 'Choose at least one person.'),
    groupName: line('the name of the group', 60),
  }),
  z.object({ kind: z.literal('lead-in-each') }),
  z
    .object({
      kind: z.literal('sizes'),
      least: count(2, 500, 'people'),
      most: count(2, 500, 'people'),
    })
    .refine(sizes => sizes.least <= sizes.most, {
      path: ['most'],
      message: 'The largest size is below the smallest.',
    }),
] as const

const reason = z.string().trim().max(300, 'Use at most 300 characters.')

/** A rule as the page sends it, without its id. */
export const ruleForm = z.object({ reason }).and(z.discriminatedUnion('kind', ruleContents))

/** A rule as it is kept. */
export const keptRule = z
  .object({ id: z.string().min(1).max(40), reason })
  .and(z.discriminatedUnion('kind', ruleContents))

export type RuleForm = z.infer<typeof ruleForm>
