import { z } from 'zod'
import { type Prompt, promptSchema } from './prompts/kinds'

export type { Prompt } from './prompts/kinds'

/** An activity made for groups to work on. Every room works on its own copy. */
export interface Board {
  title: string
  /** Written instructions: at most MOST_STEPS, because more are not read. */
  steps: string[]
  prompts: Prompt[]
}

/** A board as it is kept. */
export const boardSchema: z.ZodType<Board> = z.object({
  title: z.string(),
  steps: z.array(z.string()),
  prompts: z.array(promptSchema),
})

export const MOST_STEPS = 3
export const MOST_PROMPTS = 12
