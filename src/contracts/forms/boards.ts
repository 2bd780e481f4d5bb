/** The form for a board. */
import { z } from 'zod'
import { MOST_PROMPTS, MOST_STEPS } from '~/core/boards/board'
import { missingIn, promptSchemaWith } from '~/core/boards/prompts/kinds'
import { line } from './fields'

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
})

export type BoardForm = z.infer<typeof boardForm>
