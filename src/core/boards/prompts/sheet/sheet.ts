import type { BlockContent } from 'mdast'
import { z } from 'zod'
import { kindOf } from '../kind'
import { paragraph, points } from '../markdown'
import { lines } from '../paper'
import { WHOLE_ANSWER, wholePiece } from '../pieces'
import { fragmentText, sheetName, sheetOf } from './document'

export interface SheetAnswer {
  promptId: string
  kind: 'sheet'
  text: string
}

/** A long answer that several write at once. It is one piece: whoever wrote in it had a hand in all of it. */
export const sheet = kindOf({
  name: 'sheet',
  settings: z.object({}),
  paper: () => [lines(14)],
  roots: promptId => [sheetName(promptId)],
  read: (doc, { id: promptId }): SheetAnswer => ({
    promptId,
    kind: 'sheet',
    text: fragmentText(sheetOf(doc, promptId)),
  }),
  pieces: ({ text }) => wholePiece(text),
  restore: ({ id: promptId }, pieces) => ({ promptId, kind: 'sheet', text: pieces.get(WHOLE_ANSWER) ?? '' }),
  done: ({ text }) => text.trim() !== '',
  summary({ text }) {
    const count = text.match(/\p{L}[\p{L}\p{M}'’-]*/gu)?.length ?? 0
    return count === 1 ? '1 word' : `${count} words`
  },
  texts: ({ text }) => (text.trim() ? [text] : []),
  markdown: ({ text }) => blocks(text.split('\n').filter(line => line.trim())),
})

const POINT = /^- +(?=\S)/

/** Every line is a paragraph of its own, but for lists: the points of one stand together. */
function blocks(lines: readonly string[]): BlockContent[] {
  const made: BlockContent[] = []
  let list: string[] = []
  const endList = () => {
    if (list.length > 0) made.push(points(list))
    list = []
  }
  for (const line of lines) {
    if (POINT.test(line)) list.push(line.replace(POINT, ''))
    else {
      endList()
      made.push(paragraph(line))
    }
  }
  endList()
  return made
}
