import type { BlockContent, Paragraph, PhrasingContent } from 'mdast'

/** A paragraph of what people wrote: all of it text, whatever it looks like, and its lines stay lines. */
export function paragraph(text: string): Paragraph {
  const lines = text
    .trim()
    .split('\n')
    .map(line => line.trim())
  const children = lines.flatMap((value, index): PhrasingContent[] =>
    index === 0 ? [{ type: 'text', value }] : [{ type: 'break' }, { type: 'text', value }],
  )
  return { type: 'paragraph', children }
}

/** Points, each a text of its own. */
export const points = (texts: readonly string[]): BlockContent => ({
  type: 'list',
  ordered: false,
  spread: false,
  children: texts.map(text => ({ type: 'listItem', spread: false, children: [paragraph(text)] })),
})
