import type * as Y from 'yjs'
import type { Arrangement } from '~/core/boards/prompts/cards/arrangement'
import type { StandingCard } from '~/core/boards/prompts/cards/document'
import type { Called } from './called'

/** What all cards under a prompt have in common: the same object for as long as nothing of it changes. */
export interface CardsHere {
  doc: Y.Doc
  promptId: string
  readOnly: boolean
  full: boolean
  /** Where they stand: followed only where that counts, so that the others need not know. */
  arrangement: Arrangement
  columns: readonly string[]
  called: Called
  onRemove: (id: string) => void
}

export interface MoveCardProps {
  here: CardsHere
  card: StandingCard
  column: number
}

/** The start of what a card says, to tell it by. */
export const saidOn = ({ text }: StandingCard): string =>
  text.toString().trim().slice(0, 40) || 'an empty one'
