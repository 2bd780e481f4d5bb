import { z } from 'zod'
import { type Part, partSchema } from './part'
import { type Prompt, promptSchema } from './prompts/kinds'

export type { Part } from './part'
export type { Prompt } from './prompts/kinds'

/** An activity made for groups to work on. Every room works on its own copy. */
export interface Board {
  title: string
  /** Written instructions of its first part: at most MOST_STEPS, because more are not read. */
  steps: string[]
  /** In the order they are shown, those of one part together. */
  prompts: Prompt[]
  /** The parts after the first, which opens with the round. */
  parts?: Part[]
  /** In a session: the board of the library it was made of. */
  source?: string
}

/** A board as it is kept. */
export const boardSchema: z.ZodType<Board> = z.object({
  title: z.string(),
  steps: z.array(z.string()),
  prompts: z.array(promptSchema),
  parts: z.array(partSchema).optional(),
  source: z.string().max(40).optional(),
})

export const MOST_STEPS = 3
export const MOST_PROMPTS = 12
