import { type FactsHere, factsHere } from '~/core/grouping/facts-here'
import { getCohort } from '../cohorts/cohorts.server'
import type { Database } from '../db/database.server'
import { latestGroupings } from '../groupings/groupings.server'
import { pastSessions } from '../groupings/history.server'
import { getSession } from '../sessions/sessions.server'
import { isShort, onWorkThread } from '../work/work-thread.server'
import { readLog } from './database-session-store.server'
import type { LiveHub } from './hub.server'

/** Of the groupings kept with a cohort, so many are offered: the latest. */
const MOST_GROUPINGS = 10

/** What is known of those who are in a session, for making groups of them. Throws not-found. */
export async function factsOfSession(db: Database, hub: LiveHub, sessionId: string): Promise<FactsHere> {
  const session = await getSession(db, sessionId)
  // A rehearsal belongs to no cohort; groups are made in it as they would be.
  const { cohortId } = session.rehearsalOf === null ? session : await getSession(db, session.rehearsalOf)
  const [state, log] = await Promise.all([hub.state(sessionId), readLog(db, sessionId)])
  const cohort = cohortId === null ? null : await cohortFacts(db, cohortId)
  const now = hub.timeOf(sessionId)
  return isShort(log)
    ? factsHere(state, log, cohort, now)
    : onWorkThread('facts', { state, log, cohort, now })
}

async function cohortFacts(db: Database, cohortId: string) {
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
  return { people, rules, columns, past, groupings: rounds }
}
