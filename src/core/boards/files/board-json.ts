/** Boards as JSON files, to keep and to hand on. The schema is published in `docs/formats/board.schema.json`. */
import { z } from 'zod'
import { parseClean } from '../../formats/clean-text'
import type { Board } from '../board'
import { boardDraft, headDraft, partDraft } from '../building/draft'
import { promptSchemaWith } from '../prompts/kinds'

const FORMAT = 'round-table-board'
const VERSION = 1

/** Longest file that is read, in characters: many times the longest board. */
export const LONGEST_BOARD_FILE = 500_000

/** A board as a file, indented to be read. */
export const boardJson = ({ title, steps, prompts, parts = [] }: Board): string =>
  `${JSON.stringify({ format: FORMAT, version: VERSION, title, steps, parts, prompts }, null, 2)}\n`

/** What the file is, in JSON Schema 2020-12. */
export const boardFileSchema = (): object =>
  z.toJSONSchema(
    z
      .object({
        format: z.literal(FORMAT),
        version: z.literal(VERSION),
        title: headDraft.shape.title,
        steps: headDraft.shape.steps,
        parts: z.array(partDraft),
        prompts: z.array(promptSchemaWith(z.string().max(300))),
      })
      .meta({ title: 'Round Table board', description: 'A board: what groups are asked to do, in parts.' }),
    { io: 'input', unrepresentable: 'any' },
  )

export type ReadFile = { board: Board } | { problem: string }

/** Reads such a file; says what is wrong with one that is none. */
export function readBoardJson(text: string): ReadFile {
  if (text.length > LONGEST_BOARD_FILE) return { problem: 'This is more than a board holds.' }
  const file = fileShape.safeParse(parsed(text))
  if (!file.success) return { problem: 'This is not a board’s file.' }
  if (file.data.version !== VERSION)
    return {
      problem: 'This board was written by a later version of the program, which this one can not read.',
    }
  const board = boardDraft.safeParse(parsed(text))
  if (board.success) return { board: board.data }
  const [first] = board.error.issues
  const where = first?.path.map(step => (typeof step === 'number' ? step + 1 : String(step))).join(' ')
  return { problem: `Something in the file is not as it must be: ${where}: ${first?.message}` }
}

const fileShape = z.object({ format: z.literal(FORMAT), version: z.number() })

function parsed(text: string): unknown {
  try {
    return parseClean(text)
  } catch {
    return null
  }
}
