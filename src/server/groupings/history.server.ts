import { and, desc, eq, isNull } from 'drizzle-orm'
import { pastMeetings } from '~/core/history/meetings'
import { MOST_SESSIONS, type PastSession } from '~/core/history/pairs'
import { dateFields } from '~/core/schedule/session-time'
import type { Database } from '../db/database.server'
import { sessions } from '../db/schema.server'
import { RoundTableError } from '../errors.server'
import { lastSeq, readLog } from '../live/database-session-store.server'
import { isShort, onWorkThread } from '../work/work-thread.server'

/** What an ended session says changes only when it was opened again meanwhile: its log is folded once for each end. */
const known = new WeakMap<Database, Map<string, PastSession>>()

/**
 * The ended sessions of a cohort, newest first, with who was really in a room with whom: as many as count for what is
 * fresh, or all of them with `most` null.
 */
export async function pastSessions(
  db: Database,
  cohortId: string,
  most: number | null = MOST_SESSIONS,
): Promise<PastSession[]> {
  const ended = db
    .select({ id: sessions.id, title: sessions.title, timeZone: sessions.timeZone })
    .from(sessions)
    .where(and(eq(sessions.cohortId, cohortId), eq(sessions.phase, 'ended'), isNull(sessions.removedAt)))
    .orderBy(desc(sessions.startsAt))
  const rows = await (most === null ? ended : ended.limit(most))
  const past: PastSession[] = []
  for (const row of rows) {
    const session = await pastSession(db, row)
    if (session) past.push(session)
  }
  return past
}

/** Null for a session whose record is damaged: it tells of nobody, and must not keep the others from telling. */
async function pastSession(
  db: Database,
  { id, title, timeZone }: { id: string; title: string; timeZone: string },
): Promise<PastSession | null> {
  const cache = known.get(db) ?? new Map<string, PastSession>()
  known.set(db, cache)
  const key = `${id} ${await lastSeq(db, id)}`
  const cached = cache.get(key)
  if (cached) return cached
  const log = await readLog(db, id).catch(error => {
    if (error instanceof RoundTableError && error.code === 'damaged') return null
    throw error
  })
  if (!log) return null
  const { openedAt: at, meetings: met } = isShort(log)
    ? pastMeetings(log)
    : await onWorkThread('past', { log })
  const meetings = met.map(({ pair, ms }) => ({ pair, minutes: Math.round(ms / 6_000) / 10 }))
  const session = { id, title, at, day: dateFields(at, timeZone).date, meetings }
  cache.set(key, session)
  return session
}
