import { and, eq, sql } from 'drizzle-orm'
import { participantList } from '~/core/live/door/people'
import type { Presence } from '~/core/people/presence'
import type { Database } from '../db/database.server'
import { cohorts, sessions } from '../db/schema.server'
import { notFound } from '../errors.server'
import type { LiveHub } from '../live/hub.server'

/**
 * Keeps who is present on a day; the day before is forgotten. What a page said before something it has said since, and
 * which was overtaken on its way, changes nothing. Throws not-found.
 */
export async function setPresence(db: Database, cohortId: string, presence: Presence): Promise<void> {
  const { tick } = presence
  const isLater =
    tick &&
    sql`not coalesce(${cohorts.presence}->'tick'->>'from' = ${tick.from}
      and (${cohorts.presence}->'tick'->>'number')::int > ${tick.number}, false)`
  const kept = await db
    .update(cohorts)
    .set({ presence })
    .where(and(eq(cohorts.id, cohortId), isLater))
    .returning({ id: cohorts.id })
  if (kept.length > 0) return
  const [known] = await db.select({ id: cohorts.id }).from(cohorts).where(eq(cohorts.id, cohortId))
  if (!known) throw notFound('cohort')
}

/** Running sessions of a cohort, from which presence can be taken. */
export async function runningSessions(
  db: Database,
  cohortId: string,
): Promise<{ id: string; title: string }[]> {
  return db
    .select({ id: sessions.id, title: sessions.title })
    .from(sessions)
    .where(and(eq(sessions.cohortId, cohortId), eq(sessions.phase, 'open')))
}

/** Takes presence from a running session: everybody of the list who has come and is still connected. */
export async function presenceFromSession(
  db: Database,
  hub: LiveHub,
  cohortId: string,
  sessionId: string,
  day: string,
): Promise<void> {
  const running = await runningSessions(db, cohortId)
  if (!running.some(session => session.id === sessionId)) throw notFound('session')
  const here = participantList(await hub.state(sessionId)).filter(participant => participant.connected)
  const personIds = here.flatMap(participant => participant.personId ?? [])
  await setPresence(db, cohortId, { day, personIds })
}
