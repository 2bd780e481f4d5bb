import { z } from 'zod'
import { kindOf } from '../kind'

const settings = z.object({
  /** What is read once it is open. Empty while its author has not written it, and in what is sent before it is open. */
  hidden: z.string().max(2_000, { error: 'Use at most 2000 characters.' }).default(''),
  /** Who opens it: anybody in the room, seen by all there, or the facilitator alone. */
  opens: z.enum(['group', 'facilitator']).default('group'),
})

export interface HiddenTextAnswer {
  promptId: string
  kind: 'hidden-text'
}

const nothing = (promptId: string): HiddenTextAnswer => ({ promptId, kind: 'hidden-text' })

/** A hint or a solution: read when it is opened, and sent to a room only then. Nothing is written under it. */
export const hiddenText = kindOf({
  name: 'hidden-text',
  settings,
  nothingToWrite: true,
  paper: () => [{ is: 'text', text: 'Ask for this when you need it.' }],
  missing: ({ hidden }) => (hidden.trim() === '' ? 'Write the text that is hidden.' : null),
  roots: () => [],
  read: (_doc, { id }) => nothing(id),
  pieces: () => new Map(),
  restore: ({ id }) => nothing(id),
  done: () => false,
  summary: () => 'A hidden text',
  texts: () => [],
  markdown: () => [],
})
