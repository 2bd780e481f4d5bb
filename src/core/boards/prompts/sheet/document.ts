/** A sheet lies in an XML fragment, the form the text editor works on. */
import * as Y from 'yjs'
import { visibleText } from '../../../formats/clean-text'
import type { LinesPlace } from '../place'
import { pictureLine } from './picture-line'

export const sheetName = (promptId: string): string => `sheet:${promptId}`
export const sheetOf = (doc: Y.Doc, promptId: string): Y.XmlFragment =>
  doc.getXmlFragment(sheetName(promptId))

/**
 * Plain text of a rich text: a line for each paragraph, `- ` before the points of a list, `# ` before a heading, ` | ` between the
 * cells of a table's row, `==` around what is marked, a picture by its name. Elements it does not know give their text.
 */
export function fragmentText(fragment: Y.XmlFragment): string {
  return fragment
    .toArray()
    .map(blockText)
    .filter(line => line.trim() !== '')
    .join('\n')
}

const OF_LINES = new Set(['blockquote', 'table', 'tableCell', 'tableHeader'])

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

function elementText({ element, said }: Begun): string {
  const { nodeName } = element
  if (nodeName === 'hardBreak') return '\n'
  if (nodeName === 'picture') return pictureText(element)
  const isList = nodeName === 'bulletList' || nodeName === 'orderedList'
  const isItem = nodeName === 'listItem'
  if (nodeName === 'tableRow') return said.map(cell => cell.replaceAll('\n', ' ')).join(' | ')
  const inner = said.join(isList || isItem || OF_LINES.has(nodeName) ? '\n' : '')
  if (nodeName === 'heading') return inner.trim() === '' ? '' : `# ${inner}`
  return isItem ? `- ${inner}` : inner
}

/** The files of the pictures that stand in a sheet, in their order. Does not go deeper than pictures stand. */
export function sheetFiles(doc: Y.Doc, promptId: string): string[] {
  return sheetOf(doc, promptId)
    .toArray()
    .flatMap(node => {
      if (!(node instanceof Y.XmlElement) || node.nodeName !== 'picture') return []
      const file: unknown = node.getAttribute('file')
      return typeof file === 'string' ? [file] : []
    })
}

/** The longest name of a picture that is read. */
const LONGEST_TITLE = 200

function pictureText(element: Y.XmlElement): string {
  const title: unknown = element.getAttribute('title')
  const said = typeof title === 'string' ? visibleText(title.slice(0, LONGEST_TITLE)).trim() : ''
  return pictureLine(said)
}

function inlineText(text: Y.XmlText): string {
  const pieces = text.toDelta() as { insert: unknown; attributes?: Record<string, unknown> }[]
  return pieces.map(({ insert, attributes }) => saidIn(insert, attributes?.highlight !== undefined)).join('')
}

const saidIn = (insert: unknown, isMarked: boolean): string =>
  typeof insert !== 'string' ? '' : isMarked && insert.trim() !== '' ? `==${insert}==` : insert

/** The lines of a text a sheet begins with, as they are read back from it. */
export const linesToBegin = (text: string): string[] =>
  text
    .split('\n')
    .map(line => line.trim())
    .filter(line => line !== '' && line !== '-' && line !== '#')

/** The text of a sheet; nothing while it is as it began. */
export function sheetText(doc: Y.Doc, promptId: string, begin = ''): string {
  const text = fragmentText(sheetOf(doc, promptId))
  return text === linesToBegin(begin).join('\n') ? '' : text
}

/** Puts what its sheets begin with into a document in which nothing was written yet. */
export function beginSheets(
  doc: Y.Doc,
  { prompts }: { prompts: readonly { id: string; kind: string; settings: object }[] },
): void {
  for (const { id, kind, settings } of prompts)
    if (kind === 'sheet' && 'begin' in settings) beginSheet(doc, id, String(settings.begin ?? ''))
}

/** Puts a text into an empty sheet. */
function beginSheet(doc: Y.Doc, promptId: string, text: string): void {
  addLines(sheetOf(doc, promptId), linesToBegin(text))
}

/** Puts lines of text at the end of a sheet: `# ` begins a heading, `- ` a point of a list, anything else a paragraph. */
function addLines(sheet: Y.XmlFragment, lines: readonly string[]): void {
  let list: Y.XmlElement | null = null
  for (const line of lines) {
    const [, mark, said = line] = /^([-#])\s+(.*)$/.exec(line) ?? []
    if (mark === '-') {
      if (!list) {
        list = new Y.XmlElement('bulletList')
        sheet.push([list])
      }
      list.push([elementOf('listItem', elementOf('paragraph', new Y.XmlText(said)))])
      continue
    }
    list = null
    if (mark === '#') {
      const heading = elementOf('heading', new Y.XmlText(said))
      heading.setAttribute('level', HEADING_LEVEL as never)
      sheet.push([heading])
    } else sheet.push([elementOf('paragraph', new Y.XmlText(line))])
  }
}

const isPicture = (node: unknown): boolean => node instanceof Y.XmlElement && node.nodeName === 'picture'

/** Deeper than anything our editor makes. */
const DEEPEST_LINE = 12

/** The lines of a sheet that read as `line` does, to be taken out of it; put back, they stand at its end. */
export const sheetLines = (doc: Y.Doc, promptId: string, line: string): LinesPlace => ({
  read: () => linesIn(sheetOf(doc, promptId), line).map(({ text }) => text),
  take() {
    for (const { parent, index } of linesIn(sheetOf(doc, promptId), line).toReversed())
      parent.delete(index, 1)
  },
  give: lines =>
    addLines(
      sheetOf(doc, promptId),
      lines.flatMap(said => linesToBegin(said.replace(/==(.+?)==/g, '$1'))),
    ),
})

interface LineIn {
  parent: Y.XmlFragment
  index: number
  text: string
}

/** The smallest elements that are the line, or in which it stands among others, in order. */
function linesIn(parent: Y.XmlFragment, line: string, depth = 0): LineIn[] {
  return parent.toArray().flatMap((node, index): LineIn[] => {
    const text = blockText(node)
    if (isPicture(node) || !text.split('\n').includes(line)) return []
    const isWhole = text === line || depth >= DEEPEST_LINE || !(node instanceof Y.XmlElement)
    const inside = isWhole ? [] : linesIn(node, line, depth + 1)
    return inside.length > 0 ? inside : [{ parent, index, text }]
  })
}

/** The level of the headings of a sheet: above them stand the board's and the prompt's. */
export const HEADING_LEVEL = 4

function elementOf(name: string, child: Y.XmlElement | Y.XmlText): Y.XmlElement {
  const element = new Y.XmlElement(name)
  element.insert(0, [child])
  return element
}
