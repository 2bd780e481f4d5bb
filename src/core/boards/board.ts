import { z } from 'zod'

/** The kinds of prompt there are. */
export const PROMPT_KINDS = ['cards', 'sheet', 'yes-no'] as const
export type PromptKind = (typeof PROMPT_KINDS)[number]

/** One thing a board asks for, with the space to answer it. */
export interface Prompt {
  id: string
  kind: PromptKind
  text: string
}

/** An activity made for groups to work on. Every room works on its own copy. */
export interface Board {
  title: string
  /** Written instructions: at most MOST_STEPS, because more are not read. */
  steps: string[]
  prompts: Prompt[]
}

/** A board as it is written down with a session. */
export const boardSchema = z.object({
  title: z.string(),
  steps: z.array(z.string()),
  prompts: z.array(z.object({ id: z.string().min(1).max(40), kind: z.enum(PROMPT_KINDS), text: z.string() })),
})

export const MOST_STEPS = 3
export const MOST_PROMPTS = 12
