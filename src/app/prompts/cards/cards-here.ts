import type * as Y from 'yjs'
import type { Arrangement } from '~/core/boards/prompts/cards/arrangement'
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
