/** A board while it is made: of the right shape and size, but what it asks need not be written yet. */
import { z } from 'zod'
import { visibleText } from '../../formats/clean-text'
import { type Board, MOST_PROMPTS, MOST_STEPS, type Prompt } from '../board'
import { MOST_LATER_PARTS, OPENINGS } from '../part'
import { FIRST_PART, partsOf } from '../parts'
import { missingIn, promptSchemaWith } from '../prompts/kinds'
import { hasThings } from '../prompts/points/things'
import { labels } from '../prompts/settings'

/** More than `MOST_PROMPTS` and `MOST_LATER_PARTS`: two who add at the same moment lose nothing. */
const MOST_KEPT = 2

const line = (longest: number, missing?: string) =>
  z
    .string(missing)
    .max(10_000, { error: `Use at most ${longest} characters.`, abort: true })
    .overwrite(visibleText)
    .trim()
    .max(longest, `Use at most ${longest} characters.`)

const minutes = z
  .number('Use a whole number of minutes.')
  .int('Use a whole number of minutes.')
  .min(1, 'At least 1 minute.')
  .max(180, 'At most 180 minutes.')
  .optional()

const steps = labels({ least: 0, most: MOST_STEPS, longest: 300, called: 'steps' }).prefault([])

export const promptDraft = promptSchemaWith(line(300).default(''))

/** What is said of the board itself. */
export const headDraft = z.object({
  title: line(80, 'Enter a title.').min(1, 'Enter a title.'),
  steps,
})

export const partDraft = z.object({
  id: z.string().min(1).max(40),
  title: line(60).default(''),
  steps,
  minutes,
  opens: z.enum(OPENINGS),
  after: minutes,
})

/** How many parts and prompts there may be is for whoever makes it; this is what is taken at all. */
export const boardDraft: z.ZodType<Board, unknown> = headDraft.extend({
  prompts: z.array(promptDraft).max(MOST_PROMPTS * MOST_KEPT),
  parts: z
    .array(partDraft)
    .max(MOST_LATER_PARTS * MOST_KEPT)
    .optional(),
})

/** Something that is still to be said before groups can work with a board. */
export interface Unfinished {
  /** The part or prompt it is missing in. */
  id: string
  /** In words for whoever makes the board. */
  what: string
}

/** What is still missing, in the order of the board. */
export function unfinishedIn(board: Board): Unfinished[] {
  const shown = partsOf(board)
  const inOrder = shown.flatMap(({ prompts }) => prompts)
  return shown.flatMap(({ id, title, prompts }, place): Unfinished[] => {
    const opens = board.parts?.find(part => part.id === id)
    return [
      ...(id !== FIRST_PART && title === '' ? [{ id, what: `Part ${place + 1} has no name.` }] : []),
      ...(opens?.opens === 'after' && opens.after === undefined
        ? [{ id, what: `Say after how many minutes part ${place + 1} opens.` }]
        : []),
      ...prompts.flatMap((prompt): Unfinished[] => {
        const number = inOrder.indexOf(prompt) + 1
        const wanted = missingIn(prompt) ?? notBefore(prompt, inOrder)
        return [
          ...(prompt.text === '' ? [{ id: prompt.id, what: `Prompt ${number} asks nothing yet.` }] : []),
          ...(wanted === null ? [] : [{ id: prompt.id, what: `Prompt ${number}: ${wanted}` }]),
        ]
      }),
    ]
  })
}

/** What a prompt refers to has to be answered before it. */
function notBefore(prompt: Prompt, inOrder: readonly Prompt[]): string | null {
  if (prompt.kind !== 'points') return null
  const before = inOrder.slice(0, inOrder.indexOf(prompt))
  return before.some(each => each.id === prompt.settings.over && hasThings(each))
    ? null
    : 'The cards or lines that points go to have to come before it.'
}
