/** What the forms send. Limits stand here once; the messages are what people read beside the field. */
import { z } from 'zod'
import { MOST_PROMPTS, MOST_STEPS } from '~/core/boards/board'
import { promptSchemaWith } from '~/core/boards/prompts/kinds'
import { visibleText } from '~/core/formats/clean-text'
import { PERSON_FIELDS } from '~/core/formats/people-headers'
import { CHOICE_KINDS } from '~/core/grouping/choice'
import { ROLES } from '~/core/grouping/roles'
import { DOUBLINGS, NO_ROTATION } from '~/core/grouping/rotation'
import { MOST_RULES } from '~/core/grouping/rules'
import { COLUMN_KINDS, MOST_COLUMNS } from '~/core/people/columns'
import { plainName } from '~/core/people/shown-name'

/** One line of text as it reads: what cannot be seen in it does not come in. */
const line = (what: string, most: number) =>
  z
    .string({ error: `Enter ${what}.` })
    .max(10_000, `Use at most ${most} characters.`)
    .overwrite(visibleText)
    .trim()
    .min(1, `Enter ${what}.`)
    .max(most, `Use at most ${most} characters.`)

const optionalLine = (most: number) =>
  z
    .string()
    .max(10_000, `Use at most ${most} characters.`)
    .overwrite(visibleText)
    .trim()
    .max(most, `Use at most ${most} characters.`)
    .optional()
    .default('')

const email = z
  .string({ error: 'Enter an email address.' })
  .trim()
  .toLowerCase()
  .max(200, 'Use at most 200 characters.')
  .regex(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, 'Enter an email address such as name@example.org.')

/** `units` in the plural, of which one is written without its last letter, unless it is said. */
const count = (least: number, most: number, units: string, one = units.slice(0, -1)) =>
  z
    .number({ error: `Enter a whole number of ${units}.` })
    .int(`Enter a whole number of ${units}.`)
    .min(least, `At least ${least} ${least === 1 ? one : units}.`)
    .max(most, `At most ${most} ${most === 1 ? one : units}.`)

const newPassword = z
  .string({ error: 'Enter a password.' })
  .min(10, 'Use at least 10 characters.')
  .max(200, 'Use at most 200 characters.')

/** What a text says as JSON; undefined when it is none. */
export const parsedJson = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

export const signInForm = z.object({
  email,
  password: z.string({ error: 'Enter your password.' }).max(200, 'Use at most 200 characters.'),
  goTo: z.string().optional(),
})

export const accountForm = z.object({ displayName: line('a name', 80), email, password: newPassword })

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

/** How a list is to be read: what its columns are, in their order, and which of several classes is wanted. */
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

export const columnForm = z.object({ name: line('a name for the column', 60), kind: z.enum(COLUMN_KINDS) })

/** A column that was taken away, as JSON: what putting it back needs. */
export const removedColumn = z.preprocess(
  text => (typeof text === 'string' && text.length < 1_000_000 ? parsedJson(text) : undefined),
  z.object({ column: columnForm, values: z.record(z.string().max(40), z.string().max(200)) }),
)

/** Which page a list of ticks is from and its number there, as JSON. */
export const presenceTick = z.preprocess(
  text => (typeof text === 'string' && text.length < 200 ? parsedJson(text) : undefined),
  z.object({ from: z.string().max(40), number: z.number().int().min(1).max(1_000_000) }),
)

/** A calendar day, 2026-11-03. */
export const presenceDay = z.string().regex(/^\d{4}-\d{2}-\d{2}$/)

export const groupForm = z.object({
  id: z.string().min(1).max(40),
  name: line('a name for the group', 60),
  personIds: z.array(z.string().min(1).max(40)).max(500),
})

const personIds = (least: number, what: string) =>
  z.array(z.string().min(1).max(40)).min(least, what).max(500)

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

/** Groups that were not saved, as a browser keeps them: without a name. */
export const draftGroupingForm = groupingForm.omit({ name: true, version: true })

const people = (what: string) => z.number({ error: what }).int(what).min(1, what).max(500, what)

/** Topics that people choose from. */
export const choiceForm = z
  .object({
    title: line('a title', 80),
    kind: z.enum(CHOICE_KINDS),
    wishes: count(1, 10, 'wishes', 'wish'),
    topics: z
      .array(
        z
          .object({
            name: line('a name for the topic', 60),
            min: people('At least 1 person.'),
            max: people('At least 1 person.'),
          })
          .refine(topic => topic.min <= topic.max, { path: ['max'], message: 'No fewer than the fewest.' }),
      )
      .min(2, 'Give at least two topics.')
      .max(60, 'At most 60 topics.'),
  })
  .refine(
    form => {
      const names = form.topics.map(topic => plainName(topic.name)).filter(name => name !== '')
      return new Set(names).size === names.length
    },
    { path: ['topics'], message: 'Two topics have the same name.' },
  )

export const choiceAnswerForm = z.object({
  personId: z.string().max(40).optional(),
  wishes: z
    .array(z.string().max(40))
    .max(10)
    .refine(wishes => new Set(wishes).size === wishes.length, 'Choose each topic once.'),
})

export const boardForm = z.object({
  title: line('a title', 80),
  steps: z
    .array(z.string().optional())
    .max(MOST_STEPS, `At most ${MOST_STEPS} steps: more are not read.`)
    .transform(steps => steps.map(step => (step ?? '').trim()).filter(step => step !== ''))
    .refine(steps => steps.every(step => step.length <= 300), 'Use at most 300 characters for a step.'),
  prompts: z
    .array(promptSchemaWith(line('what the prompt asks', 300)))
    .min(1, 'A board needs at least one prompt.')
    .max(MOST_PROMPTS, `At most ${MOST_PROMPTS} prompts.`),
})

const timeZone = z.string().refine(zone => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}, 'Choose a time zone from the list.')

export const sessionForm = z.object({
  title: line('a title', 100),
  date: z.string({ error: 'Choose a date.' }).regex(/^\d{4}-\d{2}-\d{2}$/, 'Choose a date.'),
  time: z.string({ error: 'Choose a time.' }).regex(/^\d{2}:\d{2}$/, 'Choose a time.'),
  timeZone,
  groupingId: z.string({ error: 'Choose a grouping.' }).min(1, 'Choose a grouping.'),
  /** Which round of the grouping, from 0. */
  groupingRound: count(0, MOST_ROUNDS, 'rounds').optional(),
  boardId: z.string({ error: 'Choose a board.' }).min(1, 'Choose a board.'),
  roomMinutes: count(1, 240, 'minutes'),
  graceSeconds: count(0, 600, 'seconds'),
  waitingList: z.boolean().optional().default(false),
  rooms: z
    .array(z.object({ groupId: z.string().min(1).max(40), name: optionalLine(60) }))
    .max(250)
    .optional()
    .default([]),
})

export const takePlaceForm = z
  .object({ personId: z.string().max(40).optional(), shownName: optionalLine(40) })
  .refine(form => form.personId || form.shownName, {
    path: ['shownName'],
    message: 'Choose your name from the list, or type it.',
  })

export type BoardForm = z.infer<typeof boardForm>
export type SessionForm = z.infer<typeof sessionForm>
export type GroupingForm = z.input<typeof groupingForm>
export type ChoiceForm = z.infer<typeof choiceForm>
export type RuleForm = z.infer<typeof ruleForm>
export type PersonForm = z.infer<typeof personForm>
export type ColumnForm = z.infer<typeof columnForm>
