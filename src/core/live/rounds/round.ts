export interface Round {
  number: number
  startedAt: number
  endsAt: number
  /** Set once called back: until then people finish their sentence. */
  graceEndsAt: number | null
  /** When the round would have ended, had it not been called back. */
  plannedEndsAt: number
  /** Warnings already given, as seconds before the end. */
  warned: number[]
  /** Warnings that are to be given, likewise. */
  warnings: readonly number[]
  graceSeconds: number
}

/** The same time given by another within so many milliseconds is given once. */
export const TWICE_MS = 3_000

export interface PastRound {
  number: number
  startedAt: number
  endedAt: number
}

export interface RoundState {
  round: Round | null
}

/** Shortest and longest round, in seconds. */
export const SHORTEST_ROUND = 30
export const LONGEST_ROUND = 4 * 60 * 60

/** Warnings before the end of a round, in seconds, longest first: common practice, five minutes and one minute. */
export const WARNINGS = [300, 60]
