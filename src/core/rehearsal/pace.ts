/** How time runs in a rehearsal: as many times as fast as on the server's clock, from a moment of it on. */
export interface Pace {
  /** On the server's clock, in milliseconds since 1970, and what time it was in the rehearsal then. */
  real: number
  at: number
  speed: number
}

/** As fast as time runs, and as fast as it is of use: what groups do can still be followed. */
export const SLOWEST = 1
export const FASTEST = 30
/** Speeds that are offered. */
export const SPEEDS = [1, 2, 5, 10, 20, 30] as const

/** The time in a session at a moment of the server's clock; without a pace they are the same. Whole milliseconds since 1970. */
export const timeAt = (pace: Pace | null, real: number): number =>
  pace === null ? real : pace.at + Math.floor((real - pace.real) * pace.speed)

/** The same time going on at another speed: nothing is skipped, and nothing comes twice. */
export const atSpeed = (pace: Pace, real: number, speed: number): Pace => ({
  real,
  at: timeAt(pace, real),
  speed: Math.min(FASTEST, Math.max(SLOWEST, speed)),
})
