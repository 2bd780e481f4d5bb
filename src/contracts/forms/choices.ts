/** Forms for choices by participants. */
import { z } from 'zod'
import { ASKED_KINDS } from '~/core/choices/asked'
import { plainName } from '~/core/people/shown-name'
import { count, line } from './fields'

const people = (what: string) => z.number({ error: what }).int(what).min(1, what).max(500, what)

/** Topics that people choose from. */
export const choiceForm = z
  .object({
    title: line('a title', 80),
    kind: z.enum(ASKED_KINDS),
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

export type ChoiceForm = z.infer<typeof choiceForm>
