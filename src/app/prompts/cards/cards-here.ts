import { createContext } from 'react'
import type * as Y from 'yjs'
import type { StandingCard } from '~/core/boards/prompts/cards/document'
import type { Called } from './called'

/** What all cards under a prompt have in common: the same object for as long as nothing of it changes. */
export interface CardsHere {
  doc: Y.Doc
  promptId: string
  readOnly: boolean
  full: boolean
  columns: readonly string[]
  called: Called
  onRemove: (id: string) => void
}

/** The cards of the column a card stands in: read only where it is to be moved, so that the others need not know. */
export const InColumn = createContext<readonly StandingCard[]>([])
