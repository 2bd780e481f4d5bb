import type { Prompt } from '~/core/boards/board'
import type { BoardConnection } from '../live-client/board-connection'

/** What the space under a prompt gets, whatever its kind. */
export interface PromptSpaceProps {
  prompt: Prompt
  connection: BoardConnection
  readOnly: boolean
  /** Nothing more can be added; what is there can be read and taken away. */
  full: boolean
  /** Who writes here, as the others see them; null for somebody who looks on. */
  myName: string | null
  names: Readonly<Record<string, string>>
  authors: Readonly<Record<string, string>>
}
