import { LRUCache } from 'lru-cache'
import { type SessionTold, toldBy } from '~/core/review/told'
import type { Database } from '../db/database.server'
import { lastSeq, readLog } from '../live/database-session-store.server'
import { isShort, onWorkThread } from '../work/work-thread.server'

/** Of so many sessions it is kept what they told: after the end a whole class looks at the same one. */
const MOST_SESSIONS = 8

const known = new WeakMap<Database, LRUCache<string, Promise<SessionTold>>>()

/**
 * What the log of a session tells, up to `now` (milliseconds since 1970) while it runs. Worked out once for many who ask at the same time,
 * and once for good when it has ended. Throws `damaged`.
 */
export async function toldOf(db: Database, sessionId: string, now: number): Promise<SessionTold> {
  const kept = known.get(db) ?? new LRUCache<string, Promise<SessionTold>>({ max: MOST_SESSIONS })
  known.set(db, kept)
  const key = `${sessionId} ${await lastSeq(db, sessionId)}`
  const earlier = kept.get(key)
  if (earlier) return earlier
  const asked = tell(db, sessionId, now)
  kept.set(key, asked)
  // While it runs, how long people were there grows without an event.
  asked.then(
    ({ state }) => state.phase === 'ended' || kept.delete(key),
    () => kept.delete(key),
  )
  return asked
}

async function tell(db: Database, sessionId: string, now: number): Promise<SessionTold> {
  const log = await readLog(db, sessionId)
  return isShort(log) ? toldBy(log, now) : onWorkThread('told', { log, now })
}
