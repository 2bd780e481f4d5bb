/** Most pieces that can be off the screens of one session. */
export const MOST_TAKEN_OFF = 300
/** Longest piece that is kept to be given back, as JSON, in characters. */
export const LONGEST_KEPT = 60_000

/** So much of what it said is told, in characters. */
export const LONGEST_TOLD = 2_000

/** A piece of a board that a facilitator has taken off everybody's screen. */
export interface TakenOff {
  id: string
  roomId: string
  copyId: string
  promptId: string
  pieceId: string
  /** What it said. */
  text: string
  /** Who wrote it first; null where that is not known of it alone, as of a line of a sheet. */
  authorId: string | null
  /** The facilitator's name. */
  by: string
  at: number
}

/** What those whom it concerns are told; `text` for whoever wrote it. */
export interface TakenOffHere {
  id: string
  promptId: string
  text: string | null
  by: string
}
