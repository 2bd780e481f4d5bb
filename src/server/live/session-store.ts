/** Where the logs of live sessions are kept. Behind it lies the database; tests keep them in memory. */
import type { Actor } from '~/core/live/actors'
import type { Recorded } from '~/core/live/topics'

/** An event in its place, with who asked for it. */
export interface Entry {
  recorded: Recorded
  actor: Actor
}

/** Somebody else wrote into the log at the same place: what was decided must be decided again. */
export class LogRaceError extends Error {}

export interface SessionStore {
  /** What the log of a session says after `after`, in order; nothing for a session nobody knows. Throws `damaged` when an event can't be read. */
  read(sessionId: string, after?: number): Promise<Recorded[]>
  /** Appends entries: afterwards all of them are kept, or, when it throws, none. Throws LogRaceError when the log has moved on. */
  append(sessionId: string, entries: readonly Entry[]): Promise<void>
  /** Calls the listener after something was appended, by anybody, up to `seq`. Returns how to stop. */
  onAppended(listener: (sessionId: string, seq: number) => void): () => void
}
