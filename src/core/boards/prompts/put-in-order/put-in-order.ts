import { z } from 'zod'
import { kindOf } from '../kind'
import { numbered } from '../markdown'
import { WHOLE_ANSWER, wholePiece } from '../pieces'
import { labels } from '../settings'
import { orderName, readOrder } from './document'

const settings = z.object({
  /** What is to be put in order. */
  lines: labels({ least: 0, most: 20, longest: 120, called: 'lines' }).prefault([]),
})

export interface OrderAnswer {
  promptId: string
  kind: 'put-in-order'
  lines: string[]
  /** Places in `lines` of those that were put in order, first to last. */
  order: number[]
}

const texts = ({ lines, order }: OrderAnswer) => order.map((line, place) => `${place + 1}. ${lines[line]}`)

/** Lines are put in order by the group. */
export const putInOrder = kindOf({
  name: 'put-in-order',
  settings,
  paper: ({ lines: given }) => [{ is: 'fields', fields: given.map(line => ({ before: '', after: line })) }],
  missing: ({ lines }) => (lines.length < 2 ? 'Write at least 2 lines to put in order, one a line.' : null),
  roots: promptId => [orderName(promptId)],
  read: (doc, { id, settings: { lines } }): OrderAnswer => ({
    promptId: id,
    kind: 'put-in-order',
    lines,
    order: readOrder(doc, id, lines.length),
  }),
  pieces: answer => wholePiece(texts(answer).join('\n')),
  restore: ({ id, settings: { lines } }, kept): OrderAnswer => ({
    promptId: id,
    kind: 'put-in-order',
    lines,
    order: (kept.get(WHOLE_ANSWER) ?? '')
      .split('\n')
      .map(line => lines.indexOf(line.replace(/^\d+\. /, '')))
      .filter(line => line >= 0),
  }),
  done: ({ lines, order }) => lines.length > 0 && order.length === lines.length,
  summary({ lines, order }) {
    const first = lines[order[0] ?? -1]
    if (first === undefined) return 'nothing in order yet'
    return order.length === lines.length ? `first: ${first}` : `${order.length} of ${lines.length} in order`
  },
  texts,
  markdown: ({ lines, order }) => (order.length > 0 ? [numbered(order.map(line => lines[line] ?? ''))] : []),
})
