import { sql } from 'drizzle-orm'
import { participantList } from '~/core/live/door/people'
import type { Database } from '../db/database.server'
import type { LiveHub } from '../live/hub.server'
import { getSession } from './sessions.server'

/**
 * How often people who are in a session have reported for their rooms in earlier sessions of its cohort, by participant id; who never
 * did is not in it. Throws not-found for a session that is not there.
 */
export async function reportedBefore(
  db: Database,
  hub: LiveHub,
  sessionId: string,
): Promise<Record<string, number>> {
  await getSession(db, sessionId)
  const state = await hub.state(sessionId)
  const found = (await db.execute(sql`
    select payload->>'personId' as person, count(distinct session_id)::int as times
    from session_events
    where session_id in (
        select id from sessions
        where cohort_id = (select cohort_id from sessions where id = ${sessionId}) and id <> ${sessionId})
      and type = 'room-heard' and payload->>'heard' = 'true' and payload->>'personId' is not null
    group by 1`)) as unknown as { rows: { person: string; times: number }[] }
  const times = new Map(found.rows.map(row => [row.person, row.times]))
  return Object.fromEntries(
    participantList(state).flatMap(({ id, personId }) => {
      const often = times.get(personId ?? '')
      return often === undefined ? [] : [[id, often]]
    }),
  )
}
