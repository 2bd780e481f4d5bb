/** Longest comment, and longest answer to one, in characters. */
export const LONGEST_COMMENT = 500

/** So much of what it is on goes with a comment, in characters. */
export const LONGEST_QUOTE = 200

/** Most comments in one session. */
export const MOST_COMMENTS = 500

/** Most answers to one comment. */
export const MOST_REPLIES = 30

export interface CommentAnswer {
  id: string
  by: string
  /** Null for a facilitator. */
  participantId: string | null
  text: string
  at: number
}

/** A facilitator's remark pinned to something a group made, for that group. */
export interface Comment {
  id: string
  /** The room, and its copy of a board, in which it was made. */
  roomId: string
  copyId: string
  promptId: string
  /** The card, the line, the pin it is on; null for what stands under the prompt as a whole. */
  pieceId: string | null
  /** What it is on, as it read then; empty for the whole. */
  quote: string
  text: string
  from: string
  at: number
  answers: readonly CommentAnswer[]
  /** Who marked it as dealt with; null while nobody has. */
  settledBy: string | null
}
