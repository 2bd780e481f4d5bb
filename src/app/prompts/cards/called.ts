import type { ReactNode } from 'react'

/** What the pieces are called, where they are cards in all but name. */
export interface Called {
  one: string
  many: string
  /** Each shows its number, by which it is found elsewhere. */
  numbered?: boolean
  /** What else can be done with one. */
  more?: (id: string) => ReactNode
  /** Told of one that was added here. */
  onAdded?: (id: string) => void
}
export const CARDS: Called = { one: 'card', many: 'cards' }

export const LONGEST_CARD = 400

export const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1)
