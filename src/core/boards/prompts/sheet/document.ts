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
    .map(blockText)
    .filter(line => line.trim() !== '')
    .join('\n')
}

/** An element that is being read: what its children say so far. */
interface Begun {
  element: Y.XmlElement
  children: unknown[]
  said: string[]
}

/** The text of a node. Does not call itself: earlier versions took in elements in elements as deep as anybody liked. */
function blockText(node: unknown): string {
  if (!(node instanceof Y.XmlElement)) return leafText(node)
  const stack: Begun[] = [begin(node)]
  for (;;) {
    const top = stack.at(-1) as Begun
    const child = top.children[top.said.length]
    if (top.said.length < top.children.length) {
      if (child instanceof Y.XmlElement) stack.push(begin(child))
      else top.said.push(leafText(child))
      continue
    }
    stack.pop()
    const text = elementText(top)
    const above = stack.at(-1)
    if (!above) return text
    above.said.push(text)
  }
}

const begin = (element: Y.XmlElement): Begun => ({ element, children: element.toArray(), said: [] })

const leafText = (node: unknown): string => (node instanceof Y.XmlText ? inlineText(node) : '')

function elementText({ element: { nodeName }, said }: Begun): string {
  if (nodeName === 'hardBreak') return '\n'
  const isList = nodeName === 'bulletList' || nodeName === 'orderedList'
  const isItem = nodeName === 'listItem'
  const inner = said.join(isList || isItem || nodeName === 'blockquote' ? '\n' : '')
  return isItem ? `- ${inner}` : inner
}

function inlineText(text: Y.XmlText): string {
  const pieces = text.toDelta() as { insert: unknown }[]
  return pieces.map(piece => (typeof piece.insert === 'string' ? piece.insert : '')).join('')
}
