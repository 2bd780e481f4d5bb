import type { BlockContent } from 'mdast'
import { z } from 'zod'
import { type Asked, kindOf } from '../kind'
import { paragraph, points } from '../markdown'
import { emptyRows, lines } from '../paper'
import { labels, mostOf } from '../settings'
import { placesOfCard } from '../taking'
import { byColumn } from './columns'
import { type Card, cardsName, readCards, removedCards } from './document'
import { CardsFollower } from './follow-cards'
import { heapsName, readHeaps, stacksOf } from './heaps'

const settings = z.object({
  /** Names of columns the cards stand in; none for one space. */
  columns: labels({ least: 0, most: 5, longest: 40, called: 'columns' })
    // What stands in a column is written out as `column: text`.
    .refine(names => !names.some(name => name.includes(': ')), 'Use no colon inside the name of a column.')
    .optional(),
  /** Most cards of one person, and of the whole group. */
  mostEach: mostOf(50),
  mostGroup: mostOf(200),
  /** Others see a card at once, or only when the facilitator opens them all: until then nobody gets others' cards. */
  seen: z.literal('when-opened').optional(),
})

export type CardsSettings = z.infer<typeof settings>

export interface CardsAnswer {
  promptId: string
  kind: 'cards'
  cards: Card[]
  columns?: string[]
  /** Names of heaps by id, of those that have one. */
  heaps?: Record<string, string>
}

/** A card in a line: with the column it stands in. */
function cardText(columns: readonly string[] | undefined, { text, column = 0 }: Card): string {
  const name = columns && (columns[column] ?? columns[0])
  return name && text.trim() ? `${name}: ${text}` : text
}

/** A line as `cardText` writes it. */
function readText(columns: readonly string[] | undefined, text: string): Pick<Card, 'text' | 'column'> {
  const column = columns?.findIndex(name => text.startsWith(`${name}: `)) ?? -1
  if (column < 0) return { text }
  return { text: text.slice((columns?.[column] ?? '').length + 2), ...(column > 0 && { column }) }
}

const spoken = (cards: readonly Card[]) => cards.filter(card => card.text.trim())

const texts = (answer: CardsAnswer) =>
  byColumn(answer).flatMap(cards => spoken(cards).map(card => cardText(answer.columns, card)))

/** Heaps under their names, the others one by one. */
function blocksOf(cards: readonly Card[], heaps: Record<string, string>): BlockContent[] {
  const blocks: BlockContent[] = []
  let single: string[] = []
  const endSingle = () => {
    if (single.length > 0) blocks.push(points(single))
    single = []
  }
  for (const { heap, cards: stacked } of stacksOf(spoken(cards))) {
    const said = stacked.map(card => card.text)
    if (heap === null) single.push(...said)
    else {
      endSingle()
      blocks.push(paragraph(`${heaps[heap] ?? 'A heap'}:`), points(said))
    }
  }
  endSingle()
  return blocks
}

/** Many short contributions, each with an author. */
export const cards = kindOf({
  name: 'cards',
  settings,
  paper: ({ columns = [] }) =>
    columns.length > 0 ? [{ is: 'grid', columns, first: emptyRows(6) }] : [lines(8)],
  roots: promptId => [cardsName(promptId), heapsName(promptId)],
  read(doc, { id, settings: { columns } }): CardsAnswer {
    const heaps = readHeaps(doc, id)
    return {
      promptId: id,
      kind: 'cards',
      cards: readCards(doc, id),
      ...(columns?.length && { columns }),
      ...(heaps.size > 0 && { heaps: Object.fromEntries(heaps) }),
    }
  },
  pieces: ({ cards: all, columns }) => new Map(all.map(card => [card.id, cardText(columns, card)])),
  restore: ({ id: promptId, settings: { columns } }, kept): CardsAnswer => ({
    promptId,
    kind: 'cards',
    cards: [...kept].map(([id, text]) => ({ id, ...readText(columns, text) })),
    ...(columns?.length && { columns }),
  }),
  follow: (doc, { id, settings: { columns } }: Asked<CardsSettings>) =>
    new CardsFollower(doc, id, card => cardText(columns?.length ? columns : undefined, card)),
  removed: removedCards,
  places: placesOfCard,
  done: answer => texts(answer).length > 0,
  summary(answer) {
    const counts = byColumn(answer).map(column => spoken(column).length)
    const count = counts.reduce((sum, number) => sum + number, 0)
    const all = count === 1 ? '1 card' : `${count} cards`
    if (!answer.columns || count === 0) return all
    return `${all}: ${answer.columns.map((name, place) => `${name} ${counts[place]}`).join(', ')}`
  },
  texts,
  markdown: answer =>
    byColumn(answer).flatMap((column, place) => {
      const blocks = blocksOf(column, answer.heaps ?? {})
      const name = answer.columns?.[place]
      return name && blocks.length > 0 ? [paragraph(`${name}:`), ...blocks] : blocks
    }),
})
