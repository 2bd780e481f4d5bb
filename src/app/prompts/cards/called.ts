/** What the pieces are called, where they are cards in all but name. */
export interface Called {
  one: string
  many: string
}
export const CARDS: Called = { one: 'card', many: 'cards' }

export const LONGEST_CARD = 400
