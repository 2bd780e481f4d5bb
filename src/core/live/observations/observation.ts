/** Longest observation, in characters. */
export const LONGEST_OBSERVATION = 1_000

/** Most observations in one session. */
export const MOST_OBSERVATIONS = 500

/** A facilitator's own remark on a room or a person, for facilitators alone. */
export interface Observation {
  id: string
  /** The room it is on; null for one on a person. */
  roomId: string | null
  /** The person it is on; null for one on a room. */
  participantId: string | null
  text: string
  from: string
  at: number
}
