import type { BlockContent } from 'mdast'
import { z } from 'zod'
import { kindOf } from '../kind'
import { heading, paragraph, points } from '../markdown'
import { lines, picturesOnPaper } from '../paper'
import { WHOLE_ANSWER, wholePiece } from '../pieces'
import { type Picture, shownPicture } from '../shown-picture'
import { linesToBegin, sheetFiles, sheetLines, sheetName, sheetText } from './document'
import { pictureLine } from './picture-line'

const MOST_SHOWN = 12

const settings = z.object({
  /** What stands in it when the group comes, to go on from. `# ` begins a heading, `- ` a point of a list. */
  begin: z.string().max(5_000, { error: 'Use at most 5000 characters.' }).optional(),
  /** Pictures of the library that can be put into the text. */
  pictures: z
    .array(shownPicture)
    .max(MOST_SHOWN, `At most ${MOST_SHOWN} pictures to put into the text.`)
    .optional(),
})

export interface SheetAnswer {
  promptId: string
  kind: 'sheet'
  text: string
  /** Pictures of the library that stand in it, in their order; the text has a line for each. Without it there are none. */
  pictures?: Picture[]
}

/** A long answer that several write at once. It is one piece: whoever wrote in it had a hand in all of it. */
export const sheet = kindOf({
  name: 'sheet',
  settings,
  paper: ({ begin = '', pictures = [] }) => [
    ...linesToBegin(begin).map(text => ({ is: 'text' as const, text })),
    ...picturesOnPaper(pictures),
    lines(14),
  ],
  roots: promptId => [sheetName(promptId)],
  // What it began with is nobody's answer while nothing has been changed in it.
  read: (doc, { id: promptId, settings: { begin, pictures = [] } }): SheetAnswer => {
    // What stands in a shared document is from anybody: only pictures that were set for this sheet are shown.
    const standing = sheetFiles(doc, promptId).flatMap(
      file => pictures.find(each => each.file === file) ?? [],
    )
    return {
      promptId,
      kind: 'sheet',
      text: sheetText(doc, promptId, begin),
      ...(standing.length > 0 && { pictures: standing }),
    }
  },
  pieces: ({ text }) => wholePiece(text),
  restore: ({ id: promptId }, pieces) => ({ promptId, kind: 'sheet', text: pieces.get(WHOLE_ANSWER) ?? '' }),
  // A sheet is one piece of whoever wrote in it; what is taken off it is one line, told by what it says.
  takeable: ({ text, pictures = [] }) =>
    text
      .split('\n')
      .filter(line => line.trim() !== '' && !pictures.some(({ title }) => pictureLine(title) === line))
      .map(line => ({ pieceId: WHOLE_ANSWER, text: line })),
  places: (doc, { id }, { text }) => [{ is: 'lines', at: sheetLines(doc, id, text) }],
  done: ({ text }) => text.trim() !== '',
  summary({ text }) {
    const count = text.match(/\p{L}[\p{L}\p{M}'’-]*/gu)?.length ?? 0
    return count === 1 ? '1 word' : `${count} words`
  },
  texts: ({ text }) => (text.trim() ? [text] : []),
  markdown: ({ text }) => blocks(text.split('\n').filter(line => line.trim())),
})

const POINT = /^- +(?=\S)/
const HEADING = /^# +(?=\S)/

/** Every line is a paragraph or a heading of its own, but for lists: the points of one stand together. */
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
      made.push(HEADING.test(line) ? heading(line.replace(HEADING, '')) : paragraph(line))
    }
  }
  endList()
  return made
}
