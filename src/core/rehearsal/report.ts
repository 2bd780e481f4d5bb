import type { Finding } from './findings'

/** What came of a rehearsal: kept with the plan that was tried out. */
export interface RehearsalReport {
  /** When it ended, on the server's clock, in milliseconds since 1970. */
  at: number
  /** Simulated participants who came, rounds that were played, and pieces that were written. */
  people: number
  rounds: number
  written: number
  /** Each with the segment of the plan it is about; null for what is about the whole session, or a segment that was put in while it ran. */
  findings: (Pick<Finding, 'code' | 'text'> & { segmentId: string | null })[]
}
