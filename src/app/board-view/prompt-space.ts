import type { Prompt } from '~/core/boards/board'
import type { BoardConnection } from '../live-client/board-connection'

/** What the space under a prompt gets, whatever its kind. */
export interface PromptSpaceProps {
  prompt: Prompt
  connection: BoardConnection
  readOnly: boolean
  names: Readonly<Record<string, string>>
  authors: Readonly<Record<string, string>>
}
