import { type FactsHere, factsHere } from '~/core/grouping/facts-here'
import { serverNow } from '../clock.server'
import { getCohort } from '../cohorts/cohorts.server'
import type { Database } from '../db/database.server'
import { latestGroupings } from '../groupings/groupings.server'
import { pastSessions } from '../groupings/history.server'
import { getSession } from '../sessions/sessions.server'
import { readLog } from './database-session-store.server'
import type { LiveHub } from './hub.server'

/** Of the groupings kept with a cohort, so many are offered: the latest. */
const MOST_GROUPINGS = 10

/** What is known of those who are in a session, for making groups of them. Throws not-found. */
export async function factsOfSession(db: Database, hub: LiveHub, sessionId: string): Promise<FactsHere> {
  const { cohortId } = await getSession(db, sessionId)
  const [state, log] = await Promise.all([hub.state(sessionId), readLog(db, sessionId)])
  if (cohortId === null) return factsHere(state, log, null, serverNow())
  const [{ people, rules, columns }, past, groupings] = await Promise.all([
    getCohort(db, cohortId),
    pastSessions(db, cohortId),
    latestGroupings(db, cohortId, MOST_GROUPINGS),
  ])
  const rounds = groupings.map(({ id, name, groups, laterRounds }) => ({
    id,
    name,
    rounds: [groups, ...laterRounds],
  }))
  return factsHere(state, log, { people, rules, columns, past, groupings: rounds }, serverNow())
}
