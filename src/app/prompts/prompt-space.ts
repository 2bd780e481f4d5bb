import type { Awareness } from 'y-protocols/awareness'
import type * as Y from 'yjs'
import type { Prompt } from '~/core/boards/board'
import type { PromptKind } from '~/core/boards/prompts/kinds'

/** A board's document in this page: shared over the line, or only tried out. */
interface OpenDocument {
  copyId: string
  doc: Y.Doc
  /** Where everybody's cursor is. */
  provider: { awareness: Awareness | null }
}

/** The same as it is shared: with what is written beside it, by prompt, while the others do not see it. */
interface SharedDocument extends OpenDocument {
  own?: (promptId: string) => OpenDocument & OwnStatus
  bringIn?: (promptId: string) => void
}

interface OwnStatus {
  subscribe: (listener: () => void) => () => void
  getStatus: () => {
    ready: boolean
    full: boolean
    closed: boolean
    authors: Readonly<Record<string, string>>
  }
}

/** What is hidden on a board until somebody opens it. */
export interface HiddenHere {
  /** Who opened what, by prompt id; empty for a facilitator. What is not named is not open. */
  openedBy: Readonly<Record<string, string>>
  onOpen: (promptId: string) => void
}

/** What the space under a prompt gets, whatever its kind. */
export interface PromptSpaceProps<Kind extends PromptKind = PromptKind> {
  prompt: Extract<Prompt, { kind: Kind }>
  connection: SharedDocument
  readOnly: boolean
  /** Nothing more can be added; what is there can be read and taken away. */
  full: boolean
  /** Who writes here, by participant id; null for somebody who looks on. */
  myId: string | null
  /** And as the others see them. */
  myName: string | null
  names: Readonly<Record<string, string>>
  authors: Readonly<Record<string, string>>
  /** All that the board asks: one prompt may be about another. */
  prompts: readonly Prompt[]
  /** Nothing for somebody who only looks on. */
  hidden?: HiddenHere | undefined
}
