import { createContext } from 'react'
import type { Comment } from '~/core/live/comments/comment'

/** Where on a board something is: under a prompt, and there on a piece or on the whole. */
export interface Spot {
  promptId: string
  pieceId: string | null
  /** What it is on, as it reads. */
  quote: string
}

/** What is commented on the board that is shown, and what can be done with it here. */
export interface CommentsOnBoard {
  comments: readonly Comment[]
  /** Pins one; null for those who only answer. */
  onComment: ((spot: Spot, text: string) => Promise<boolean>) | null
  onAnswer: (commentId: string, text: string) => Promise<boolean>
  onSettle: (commentId: string, settled: boolean) => void
}

/** Null on boards where nothing is commented. */
export const CommentsHere = createContext<CommentsOnBoard | null>(null)
