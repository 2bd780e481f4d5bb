import type { BlockContent, List, Paragraph, PhrasingContent } from 'mdast'

/** A paragraph of what people wrote: all of it text, whatever it looks like, and its lines stay lines. */
export function paragraph(text: string): Paragraph {
  const lines = text
    .trim()
    // What CommonMark 0.31 (section 2.1) takes for the end of a line.
    .split(/\r\n|\r|\n/)
    .map(line => line.trim())
  const children = lines.flatMap((value, index): PhrasingContent[] =>
    index === 0 ? [{ type: 'text', value }] : [{ type: 'break' }, { type: 'text', value }],
  )
  return { type: 'paragraph', children }
}

/** A heading within an answer: above it stand those of the board, the room and the prompt. */
export const heading = (text: string): BlockContent => ({
  type: 'heading',
  depth: 4,
  children: paragraph(text).children,
})

/** Points, each a text of its own. */
export const points = (texts: readonly string[]): BlockContent => ({
  type: 'list',
  ordered: false,
  spread: false,
  children: texts.map(text => ({ type: 'listItem', spread: false, children: [paragraph(text)] })),
})

/** Points in order, numbered. */
export const numbered = (texts: readonly string[]): BlockContent => ({
  ...(points(texts) as List),
  ordered: true,
  start: 1,
})
