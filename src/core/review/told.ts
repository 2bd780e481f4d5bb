/** All that the log of a session tells for looking back at it. */
import { fold } from '../live/evolve'
import { allMarks, type Mark } from '../live/marks'
import type { LiveState, Recorded } from '../live/topics'
import { type Attendance, attendance, roomsOfEverybody, type TimeInRoom } from './attendance'

export interface SessionTold {
  state: LiveState
  attendance: Attendance[]
  marks: Mark[]
  /** By participant and room. */
  rooms: Map<string, Map<string, TimeInRoom>>
}

/** A session that still runs is told up to `now`, in milliseconds since 1970. O(events x people). */
export const toldBy = (log: readonly Recorded[], now: number): SessionTold => ({
  state: fold(log),
  attendance: attendance(log, now),
  marks: allMarks(log),
  rooms: roomsOfEverybody(log),
})
