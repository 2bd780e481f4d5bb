import { z } from 'zod'
import { cardsName, readCards, removedCards } from '../cards/document'
import { CardsFollower } from '../cards/follow-cards'
import { kindOf } from '../kind'
import { points } from '../markdown'
import { lines } from '../paper'
import { placesOfCard } from '../taking'

/** Longest of them, in characters. */
export const LONGEST_WORD = 40

const settings = z.object({
  /** Most words of one person. */
  mostEach: z.number().int().min(1, 'At least one.').max(20, 'At most 20.').default(3),
})

export interface WordsAnswer {
  promptId: string
  kind: 'words'
  words: { id: string; text: string }[]
}

const read = (text: string) => text.trim().replace(/\s+/g, ' ').slice(0, LONGEST_WORD).trim()

/** Short answers that grow into a cloud. Lie as cards do. */
export const words = kindOf({
  name: 'words',
  settings,
  paper: ({ mostEach }) => [lines(Math.min(6, mostEach + 1))],
  roots: promptId => [cardsName(promptId)],
  read: (doc, { id }): WordsAnswer => ({
    promptId: id,
    kind: 'words',
    words: readCards(doc, id)
      .map(card => ({ id: card.id, text: read(card.text) }))
      .filter(({ text }) => text !== ''),
  }),
  pieces: answer => new Map(answer.words.map(({ id, text }) => [id, text])),
  restore: ({ id: promptId }, kept): WordsAnswer => ({
    promptId,
    kind: 'words',
    words: [...kept].map(([id, text]) => ({ id, text })),
  }),
  follow: (doc, { id }) => new CardsFollower(doc, id, card => read(card.text)),
  removed: removedCards,
  places: placesOfCard,
  done: answer => answer.words.length > 0,
  summary: answer => (answer.words.length === 1 ? '1 word' : `${answer.words.length} words`),
  texts: answer => answer.words.map(({ text }) => text),
  markdown: answer => (answer.words.length > 0 ? [points(answer.words.map(({ text }) => text))] : []),
})
