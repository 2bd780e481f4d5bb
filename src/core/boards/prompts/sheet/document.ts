/** A sheet lies in an XML fragment, the form the text editor works on. */
import * as Y from 'yjs'

export const sheetName = (promptId: string): string => `sheet:${promptId}`
export const sheetOf = (doc: Y.Doc, promptId: string): Y.XmlFragment =>
  doc.getXmlFragment(sheetName(promptId))

/**
 * Plain text of a rich text: a line for each paragraph, `- ` before the points of a list.
 * Elements it does not know give their text.
 */
export function fragmentText(fragment: Y.XmlFragment): string {
  return fragment
    .toArray()
    .map(node => blockText(node, ''))
    .filter(line => line.trim() !== '')
    .join('\n')
}

function blockText(node: unknown, prefix: string): string {
  if (node instanceof Y.XmlText) return prefix + inlineText(node)
  if (!(node instanceof Y.XmlElement)) return ''
  const children = node.toArray()
  if (node.nodeName === 'hardBreak') return '\n'
  const isList = node.nodeName === 'bulletList' || node.nodeName === 'orderedList'
  const isItem = node.nodeName === 'listItem'
  const separator = isList || isItem || node.nodeName === 'blockquote' ? '\n' : ''
  const inner = children.map(child => blockText(child, '')).join(separator)
  return isItem ? `${prefix}- ${inner}` : prefix + inner
}

function inlineText(text: Y.XmlText): string {
  const pieces = text.toDelta() as { insert: unknown }[]
  return pieces.map(piece => (typeof piece.insert === 'string' ? piece.insert : '')).join('')
}
