/** The form for a board. */
import { z } from 'zod'
import { MOST_PROMPTS, MOST_STEPS } from '~/core/boards/board'
import { MOST_LATER_PARTS, OPENINGS } from '~/core/boards/part'
import { missingIn, promptSchemaWith } from '~/core/boards/prompts/kinds'
import { labels } from '~/core/boards/prompts/settings'
import { count, line } from './fields'

export const boardForm = z.object({
  title: line('a title', 80),
  steps: z
    .array(z.string().optional())
    .max(MOST_STEPS, `At most ${MOST_STEPS} steps: more are not read.`)
    .transform(steps => steps.map(step => (step ?? '').trim()).filter(step => step !== ''))
    .refine(steps => steps.every(step => step.length <= 300), 'Use at most 300 characters for a step.'),
  prompts: z
    .array(
      promptSchemaWith(line('what the prompt asks', 300)).superRefine((prompt, context) => {
        const missing = missingIn(prompt)
        if (missing) context.addIssue({ code: 'custom', path: ['settings'], message: missing })
      }),
    )
    .min(1, 'A board needs at least one prompt.')
    .max(MOST_PROMPTS, `At most ${MOST_PROMPTS} prompts.`),
  parts: z
    .array(
      z
        .object({
          id: z.string().min(1).max(40),
          title: line('a name for the part', 60),
          steps: labels({ least: 0, most: MOST_STEPS, longest: 300, called: 'steps' }).prefault([]),
          minutes: count(1, 180, 'minutes').optional(),
          opens: z.enum(OPENINGS),
          after: count(1, 180, 'minutes').optional(),
        })
        .superRefine(({ opens, after }, context) => {
          if (opens === 'after' && after === undefined)
            context.addIssue({
              code: 'custom',
              path: ['after'],
              message: 'Say after how many minutes it opens.',
            })
        }),
    )
    .max(MOST_LATER_PARTS, `At most ${MOST_LATER_PARTS} parts after the first.`)
    .default([]),
})

export type BoardForm = z.infer<typeof boardForm>
