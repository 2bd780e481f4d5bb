/**
 * Boards as Markdown (CommonMark): a heading for the board and for each part, numbered lists for instructions, and a point for
 * each prompt, with its kind and what is set about it.
 */
import type { List, ListItem, RootContent } from 'mdast'
import { toMarkdown } from 'mdast-util-to-markdown'
import type { Board, Part, Prompt } from '../board'
import type { Opening } from '../part'
import { partsOf } from '../parts'
import { asField as fileAsField, type ShownFile } from '../prompts/file/file'
import { numbered, paragraph } from '../prompts/markdown'
import { type Picture, asField as pictureAsField } from '../prompts/shown-picture'

/** How a part opens, as it stands behind its name. */
export const WAYS: Record<Opening, string> = {
  hand: 'by hand',
  done: 'when done',
  after: 'after',
  round: 'with the round',
}

/** A board as Markdown, as `readOutline` reads it. */
export function boardMarkdown(board: Board): string {
  const numbers = new Map(
    partsOf(board)
      .flatMap(({ prompts }) => prompts)
      .map(({ id }, index) => [id, index + 1]),
  )
  const children = partsOf(board).flatMap(({ id, title, steps, prompts }): RootContent[] => {
    const part = board.parts?.find(each => each.id === id)
    return [
      part ? heading(2, `${title || 'Part'} (${factsOf(part)})`) : heading(1, board.title),
      ...(steps.length > 0 ? [numbered(steps) as RootContent] : []),
      ...(prompts.length > 0 ? [list(prompts.map(prompt => promptItem(prompt, numbers)))] : []),
    ]
  })
  return toMarkdown({ type: 'root', children }, { bullet: '-' })
}

const heading = (depth: 1 | 2, text: string): RootContent => ({
  type: 'heading',
  depth,
  children: [{ type: 'text', value: text }],
})

const factsOf = ({ minutes, opens, after }: Part): string =>
  [
    minutes !== undefined && `${minutes} min`,
    `opens ${WAYS[opens]}${opens === 'after' ? ` ${after ?? ''} min` : ''}`.trim(),
  ]
    .filter(Boolean)
    .join(', ')

const list = (children: ListItem[]): List => ({ type: 'list', ordered: false, spread: false, children })
const item = (text: string, under: ListItem[] = []): ListItem => ({
  type: 'listItem',
  spread: false,
  children: [paragraph(text), ...(under.length > 0 ? [list(under)] : [])],
})

function promptItem({ kind, text, settings }: Prompt, numbers: ReadonlyMap<string, number>): ListItem {
  const set = Object.entries(settings as Record<string, unknown>).flatMap(([name, value]): ListItem[] => {
    if (Array.isArray(value))
      return value.length > 0
        ? [
            item(
              `${inWords(name)}:`,
              value.map(each => item(textOf(each))),
            ),
          ]
        : []
    if (name === 'over')
      return numbers.has(String(value)) ? [item(`over: prompt ${numbers.get(String(value))}`)] : []
    if (value === undefined || value === '') return []
    // A text of several lines, line by line.
    if (typeof value === 'string' && value.includes('\n'))
      return [
        item(
          `${inWords(name)}:`,
          value.split('\n').map(line => item(line)),
        ),
      ]
    if (typeof value === 'object') return [item(`${inWords(name)}: ${textOf(value)}`)]
    return [item(`${inWords(name)}: ${typeof value === 'boolean' ? (value ? 'yes' : 'no') : value}`)]
  })
  return item(`${text} (${inWords(kind)})`.trim(), set)
}

/** A file or picture of the library on one line, as a form has it. */
function textOf(value: unknown): string {
  if (typeof value !== 'object' || value === null) return String(value)
  return 'is' in value ? fileAsField(value as ShownFile) : pictureAsField(value as Picture)
}

/** `mostEach` and `put-in-order` as people write them. */
export const inWords = (name: string): string =>
  name.replace(/[A-Z]/g, letter => ` ${letter.toLowerCase()}`).replaceAll('-', ' ')
