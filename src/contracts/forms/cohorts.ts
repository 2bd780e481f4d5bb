/** Forms for lists of people: people, columns, imports, who is here. */
import { z } from 'zod'
import { PERSON_FIELDS } from '~/core/formats/people-headers'
import { COLUMN_KINDS, canNameColumn, MOST_COLUMNS } from '~/core/people/columns'
import { email, line, optionalLine, parsedJson } from './fields'

export const cohortForm = z.object({ name: line('a name for the cohort', 80) })

export const personForm = z.object({
  firstName: line('a first name', 80),
  familyName: optionalLine(80),
  shownAs: optionalLine(60),
  email: email.optional(),
  /** Values of the cohort's free columns. */
  values: z
    .array(z.object({ column: z.string().max(200), value: optionalLine(200) }))
    .max(MOST_COLUMNS)
    .optional(),
})

/** What the fields of somebody's form said when it was opened, as JSON, whatever that was; null where a page says nothing of it. */
export const personBefore = z
  .preprocess(
    text => (typeof text === 'string' && text.length < 100_000 ? parsedJson(text) : undefined),
    z.object({
      firstName: z.string(),
      familyName: z.string(),
      shownAs: z.string(),
      email: z.string(),
      values: z.array(z.object({ column: z.string(), value: z.string() })).max(MOST_COLUMNS),
    }),
  )
  .nullable()
  .catch(null)

/** How a list is to be read: what its columns are, in their order, and which of several classes is wanted. */
/** Largest files of a list together, in bytes: 5,000 rows with room to spare. */
export const LARGEST_LIST = 5_000_000

export const importForm = z.object({
  matching: z.preprocess(
    text => (typeof text === 'string' && text !== '' ? parsedJson(text) : undefined),
    z
      .array(
        z.union([
          z.enum([...PERSON_FIELDS, 'column', 'ignore']),
          z.templateLiteral(['as:', z.string().max(200)]),
        ]),
      )
      .max(1000)
      .optional(),
  ),
  class: z.string().max(300).optional().default(''),
  /** Which further rows of a preview are asked for. */
  outcome: z.enum(['added', 'changed', 'same', 'refused']).optional().default('added'),
  from: z.coerce.number().int().min(0).max(1_000_000).optional().default(0),
})

export const columnForm = z.object({
  name: line('a name for the column', 60).refine(
    canNameColumn,
    'Computers use this word for something else: choose another.',
  ),
  kind: z.enum(COLUMN_KINDS),
})

/** Which page a list of ticks is from and its number there, as JSON. */
export const presenceTick = z.preprocess(
  text => (typeof text === 'string' && text.length < 200 ? parsedJson(text) : undefined),
  z.object({ from: z.string().max(40), number: z.number().int().min(1).max(1_000_000) }),
)

/** A calendar day, 2026-11-03. */
export const presenceDay = z.iso.date()

export type PersonForm = z.infer<typeof personForm>
export type PersonBefore = z.infer<typeof personBefore>

export type ColumnForm = z.infer<typeof columnForm>
