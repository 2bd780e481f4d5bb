/** A report back: rooms tell the whole group what they have, one after the other; by itself, since pages need no more of it. */

/** Time of each room, in seconds. */
export const SHORTEST_REPORT = 30
export const LONGEST_REPORT = 1_800
/** Points taken down of one room, in characters. */
export const LONGEST_POINTS = 2_000
/** Report backs of one session that are remembered. */
export const MOST_REPORTS = 20

export interface ReportingRoom {
  roomId: string
  /** Who reports, by participant id; null for whoever the room sends. */
  reporterId: string | null
  /** When it was heard, in milliseconds since 1970; null while it was not. */
  heardAt: number | null
  /** What facilitators took down on the way. */
  points: string
}

export interface ReportBack {
  secondsEach: number
  /** Whether the boards are put up on everybody's page as well. */
  onPages: boolean
  /** In the order in which they are to be heard. */
  rooms: readonly ReportingRoom[]
  /** Which reports now, and until when in milliseconds since 1970; null between reports. */
  now: { roomId: string; endsAt: number } | null
}

/** How rooms can be put in order, and who is to report. */
export const ORDERS = ['plan', 'chance', 'most', 'rarest', 'unheard'] as const
export type ReportOrder = (typeof ORDERS)[number]
export const REPORTER_RULES = ['role', 'turn', 'weeks'] as const
export type ReporterRule = (typeof REPORTER_RULES)[number]
