import { eq } from 'drizzle-orm'
import type { CohortList } from '~/core/live/cohort/list'
import { fullName } from '~/core/people/shown-name'
import type { Database } from '../db/database.server'
import { people, sessions } from '../db/schema.server'
import { RoundTableError } from '../errors.server'
import { getCohort, nextPosition } from './cohorts.server'

/** A cohort's list as a live session needs it; null for a cohort that is not there. */
export async function cohortList(db: Database, cohortId: string): Promise<CohortList | null> {
  try {
    const { name, people: listed } = await getCohort(db, cohortId)
    return {
      name,
      people: listed.map(person => ({
        personId: person.id,
        shownName: person.shownName,
        fullName: fullName(person),
      })),
    }
  } catch (error) {
    if (error instanceof RoundTableError && error.code === 'not-found') return null
    throw error
  }
}

/**
 * Puts people at the end of the list of the cohort a session belongs to, with the ids they have in the session already. What they
 * typed is how they are shown; its last word is taken for the family name.
 */
export async function listFromSession(
  db: Database,
  sessionId: string,
  named: readonly { personId: string; shownName: string }[],
): Promise<void> {
  const [session] = await db
    .select({ cohortId: sessions.cohortId })
    .from(sessions)
    .where(eq(sessions.id, sessionId))
  const cohortId = session?.cohortId
  if (!cohortId) return
  const position = await nextPosition(db, cohortId)
  await db.insert(people).values(
    named.map(({ personId, shownName }, index) => {
      const words = shownName.split(/\s+/)
      const familyName = words.length > 1 ? (words.at(-1) ?? '') : ''
      const firstName = words.length > 1 ? words.slice(0, -1).join(' ') : shownName
      return { id: personId, cohortId, firstName, familyName, shownAs: shownName, position: position + index }
    }),
  )
}
