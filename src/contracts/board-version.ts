import type { Board } from '~/core/boards/board'

/** A board as somebody left it. */
export interface BoardVersion {
  version: number
  board: Board
  /** Whoever changed it, by name; empty where nobody is known. */
  savedBy: string
  savedAt: Date
}
