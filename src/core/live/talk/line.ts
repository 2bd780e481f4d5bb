/** Longest line of a room's talk, in characters, and most lines of one room in one round. */
export const LONGEST_LINE = 500
export const MOST_LINES = 500

/** A line in the talk of a room, as those in the room see it. */
export interface Line {
  id: string
  /** Null for a facilitator. */
  participantId: string | null
  by: string
  /** Empty once it was taken off the screens. */
  text: string
  at: number
  /** It was said when facilitators could read the talk without a visit. */
  open: boolean
  gone?: true
}

/** The same for a facilitator: with what it said. */
export interface LineRead extends Line {
  takenOff: boolean
}
