import { and, eq } from 'drizzle-orm'
import type { Role } from '~/core/grouping/roles'
import type { Database } from '../db/database.server'
import { groupingVersions, sessions } from '../db/schema.server'

/** How often everybody of a cohort has held each role: in ended sessions, by the grouping as it was used. By person id. */
export async function rolesHeld(
  db: Database,
  cohortId: string,
): Promise<Record<string, Partial<Record<Role, number>>>> {
  const used = await db
    .select({ content: groupingVersions.content, round: sessions.groupingRound })
    .from(sessions)
    .innerJoin(
      groupingVersions,
      and(
        eq(groupingVersions.groupingId, sessions.groupingId),
        eq(groupingVersions.version, sessions.groupingVersion),
      ),
    )
    .where(and(eq(sessions.cohortId, cohortId), eq(sessions.phase, 'ended')))
  const held: Record<string, Partial<Record<Role, number>>> = {}
  for (const { content, round } of used) {
    for (const [personId, role] of Object.entries(content.roles[round] ?? {})) {
      const counts = held[personId] ?? {}
      counts[role] = (counts[role] ?? 0) + 1
      held[personId] = counts
    }
  }
  return held
}
