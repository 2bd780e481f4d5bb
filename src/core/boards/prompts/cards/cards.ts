import { z } from 'zod'
import { kindOf } from '../kind'
import { points } from '../markdown'
import { type Card, cardsName, readCards, removedCards } from './document'
import { CardsFollower } from './follow-cards'

export interface CardsAnswer {
  promptId: string
  kind: 'cards'
  cards: Card[]
}

const texts = ({ cards }: CardsAnswer) => cards.map(card => card.text).filter(text => text.trim())

/** Many short contributions, each with an author. */
export const cards = kindOf({
  name: 'cards',
  settings: z.object({}),
  roots: promptId => [cardsName(promptId)],
  read: (doc, promptId): CardsAnswer => ({ promptId, kind: 'cards', cards: readCards(doc, promptId) }),
  pieces: answer => new Map(answer.cards.map(card => [card.id, card.text])),
  restore: (promptId, pieces) => ({
    promptId,
    kind: 'cards',
    cards: [...pieces].map(([id, text]) => ({ id, text })),
  }),
  follow: (doc, promptId) => new CardsFollower(doc, promptId),
  removed: removedCards,
  done: answer => texts(answer).length > 0,
  summary(answer) {
    const count = texts(answer).length
    return count === 1 ? '1 card' : `${count} cards`
  },
  texts,
  markdown: answer => (texts(answer).length > 0 ? [points(texts(answer))] : []),
})
