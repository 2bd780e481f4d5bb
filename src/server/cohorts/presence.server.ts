import { and, eq } from 'drizzle-orm'
import { participantList } from '~/core/live/door/people'
import { type Presence, withTicks } from '~/core/people/presence'
import type { Database } from '../db/database.server'
import { cohorts, sessions } from '../db/schema.server'
import { notFound } from '../errors.server'
import type { LiveHub } from '../live/hub.server'

/**
 * Keeps who is present on a day; the day before is forgotten. With `ticked`, only of these: what another page says of the others
 * stays. What a page said before something it has said since, and which was overtaken on its way, changes nothing. Throws not-found.
 */
export async function setPresence(
  db: Database,
  cohortId: string,
  mine: Presence,
  ticked?: readonly string[],
): Promise<void> {
  await db.transaction(async transaction => {
    const [cohort] = await transaction
      .select({ presence: cohorts.presence })
      .from(cohorts)
      .where(eq(cohorts.id, cohortId))
      .for('update')
    if (!cohort) throw notFound('cohort')
    const theirs = cohort.presence
    const isOvertaken =
      mine.tick && mine.tick.from === theirs?.tick?.from && theirs.tick.number > mine.tick.number
    if (isOvertaken) return
    await transaction
      .update(cohorts)
      .set({ presence: withTicks(theirs, mine, ticked) })
      .where(eq(cohorts.id, cohortId))
  })
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

/** Takes presence from a running session: everybody of the list who has come and is still connected. False when it runs no longer. */
export async function presenceFromSession(
  db: Database,
  hub: LiveHub,
  cohortId: string,
  sessionId: string,
  day: string,
): Promise<boolean> {
  const running = await runningSessions(db, cohortId)
  if (!running.some(session => session.id === sessionId)) return false
  const here = participantList(await hub.state(sessionId)).filter(participant => participant.connected)
  const personIds = here.flatMap(participant => participant.personId ?? [])
  await setPresence(db, cohortId, { day, personIds })
  return true
}
