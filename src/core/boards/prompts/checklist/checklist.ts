import { z } from 'zod'
import { cardsName, removedCards } from '../cards/document'
import { kindOf } from '../kind'
import { points } from '../markdown'
import { emptyRows } from '../paper'
import { labels } from '../settings'
import { placesOfCard } from '../taking'
import { givenId, type Line, LONGEST_LINE, readLines, ticksName } from './document'

const settings = z.object({
  /** Lines that are given. */
  lines: labels({ least: 0, most: 20, longest: LONGEST_LINE, called: 'lines' }).prefault([]),
  /** Whether the group may add lines of its own. */
  add: z.boolean().default(false),
})

export type ChecklistSettings = z.infer<typeof settings>

export interface ChecklistAnswer {
  promptId: string
  kind: 'checklist'
  lines: Line[]
}

/** Whether anybody did anything with it. */
const isTouched = ({ given, done, owner }: Line) => !given || done || owner !== null

const lineText = ({ text, done, owner }: Line) =>
  `[${done ? 'x' : ' '}] ${text}${owner ? ` (${owner.name.trim()})` : ''}`

/** A line as `lineText` writes it. One that ends in brackets of its own reads as somebody's, and is written the same again. */
function readText(id: string, text: string, given: string | undefined): Line {
  const done = text.startsWith('[x] ')
  const said = text.slice(4)
  const known = given !== undefined && said.startsWith(given) ? given : undefined
  const [, rest, name] = known === undefined ? (/^([\s\S]*) \(([^()]+)\)$/.exec(said) ?? []) : []
  const owner = known === undefined ? name : / \(([\s\S]+)\)$/.exec(said.slice(known.length))?.[1]
  return {
    id,
    text: known ?? rest ?? said,
    done,
    owner: owner === undefined ? null : { id: '', name: owner },
    given: given !== undefined,
  }
}

const isBegun = ({ lines }: ChecklistAnswer) => lines.some(isTouched)
const texts = (answer: ChecklistAnswer) => (isBegun(answer) ? answer.lines.map(lineText) : [])

/** Lines to tick, given or of the group's own, each of which can be somebody's. */
export const checklist = kindOf({
  name: 'checklist',
  settings,
  paper: ({ lines: given, add }) => [{ is: 'boxes', labels: [...given, ...(add ? emptyRows(3) : [])] }],
  missing: ({ lines, add }) =>
    lines.length === 0 && !add ? 'Write lines to tick, or let the group add its own.' : null,
  roots: promptId => [cardsName(promptId), ticksName(promptId)],
  read: (doc, { id, settings: { lines } }): ChecklistAnswer => ({
    promptId: id,
    kind: 'checklist',
    lines: readLines(doc, id, lines),
  }),
  pieces: ({ lines }) => new Map(lines.filter(isTouched).map(line => [line.id, lineText(line)])),
  restore({ id, settings: { lines } }, kept): ChecklistAnswer {
    const given = lines.map((text, place) => {
      const said = kept.get(givenId(place))
      return said === undefined
        ? { id: givenId(place), text, done: false, owner: null, given: true }
        : readText(givenId(place), said, text)
    })
    const added = [...kept].filter(([lineId]) => !given.some(line => line.id === lineId))
    return {
      promptId: id,
      kind: 'checklist',
      lines: [...given, ...added.map(([lineId, text]) => readText(lineId, text, undefined))],
    }
  },
  removed: removedCards,
  places: placesOfCard,
  done: ({ lines }) => lines.length > 0 && lines.every(line => line.done),
  summary: ({ lines }) => `${lines.filter(line => line.done).length} of ${lines.length} done`,
  texts,
  markdown: answer => (texts(answer).length > 0 ? [points(texts(answer))] : []),
})
