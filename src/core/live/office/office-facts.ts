/** Most people at once with the facilitator. */
export const MOST_SEEN_AT_ONCE = 6
/** Most times that stand open or taken. */
export const MOST_TIMES = 60
/** Longest word on what somebody comes about, in characters. */
export const LONGEST_ABOUT = 200
/** From when on somebody who has taken a time is due, in milliseconds before it. */
export const DUE_BEFORE_MS = 60_000

/** A time that can be taken, in milliseconds since 1970. */
export interface OfficeTime {
  id: string
  at: number
  /** Null while it is free. */
  takenBy: string | null
  about: string
}

/** Somebody who waits in line. */
export interface InLine {
  participantId: string
  about: string
  since: number
}

/** Those who are with the facilitator now, in a room of their own. */
export interface SeenNow {
  roomId: string
  participantIds: string[]
  startedAt: number
  /** What the first of them came about, for when they are put back. */
  about: string
  /** Since when each of them was in line, by participant id; nobody who had taken a time. */
  inLineSince: Record<string, number>
}

export interface SeenBefore extends Omit<SeenNow, 'roomId'> {
  endedAt: number
}

export interface Office {
  /** How long somebody is thought to stay, before it is known how long they do, in minutes. */
  minutes: number
  times: OfficeTime[]
  /** The time each lost that was withdrawn while it was theirs, by participant id, until they wait or have another. */
  lost: Record<string, number>
  line: InLine[]
  now: SeenNow | null
  seen: SeenBefore[]
}

export interface OfficeState {
  /** Null in every other session. */
  office: Office | null
}

/** Office hours as somebody who comes to them sees them: nobody else is in it. */
export interface OfficeHere {
  /** Their own place in line, with what they come about; null when they are not in it. */
  place: { about: string; ahead: number } | null
  /** How many wait in line, with them if they do. */
  inLine: number
  times: { id: string; at: number; state: 'free' | 'mine' | 'taken' }[]
  /** When the time was that they had, and that was withdrawn; null for nobody else. */
  lostTime: number | null
  pace: Pace
}

/** What an expected wait is worked out from. */
export interface Pace {
  /** How long each who came was there, the expected length the first of them, in milliseconds. */
  lengths: number[]
  /** Since when somebody is there now, in milliseconds since 1970; null when nobody is. */
  nowSince: number | null
  /** The times that were taken and are still to come, in order. */
  taken: number[]
}
