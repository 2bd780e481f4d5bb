import { and, desc, eq, inArray, isNull, or } from 'drizzle-orm'
import type { GroupingForm } from '~/contracts/forms/groupings'
import type { GroupingContent, GroupingVersion, SaveGroupingProblem } from '~/contracts/grouping'
import type { Group } from '~/core/grouping/grouping'
import { NO_ROTATION } from '~/core/grouping/rotation'
import type { Account } from '../auth/sign-ins.server'
import type { Database } from '../db/database.server'
import { cohorts, groupings, groupingVersions, people } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { newId } from '../tokens.server'

export interface Grouping extends GroupingContent {
  id: string
  cohortId: string
  version: number
  savedBy: string
  savedAt: Date
}

export interface GroupingSummary {
  id: string
  name: string
  cohortId: string
  cohortName: string
  sizes: number[]
  rounds: number
  savedAt: Date
}

/** Groupings of one cohort or of all, the latest first; `alsoId` is there even when it was removed: something uses it. */
export async function listGroupings(
  db: Database,
  { cohortId, alsoId }: { cohortId?: string; alsoId?: string } = {},
): Promise<GroupingSummary[]> {
  const rows = await db
    .select({ grouping: groupings, cohortName: cohorts.name })
    .from(groupings)
    .innerJoin(cohorts, eq(cohorts.id, groupings.cohortId))
    .where(
      or(
        and(
          isNull(groupings.removedAt),
          isNull(cohorts.removedAt),
          cohortId ? eq(groupings.cohortId, cohortId) : undefined,
        ),
        alsoId ? eq(groupings.id, alsoId) : undefined,
      ),
    )
    .orderBy(desc(groupings.savedAt), desc(groupings.id))
  return rows.map(({ grouping, cohortName }) => ({
    id: grouping.id,
    name: grouping.name,
    cohortId: grouping.cohortId,
    cohortName,
    sizes: grouping.groups.map(group => group.personIds.length),
    rounds: 1 + grouping.laterRounds.length,
    savedAt: grouping.savedAt,
  }))
}

/** The groupings of a cohort that were saved last, with all that is in them. */
export async function latestGroupings(db: Database, cohortId: string, most: number): Promise<Grouping[]> {
  return db
    .select()
    .from(groupings)
    .where(and(eq(groupings.cohortId, cohortId), isNull(groupings.removedAt)))
    .orderBy(desc(groupings.savedAt), desc(groupings.id))
    .limit(most)
}

/** A grouping as it was saved. Throws not-found. */
export async function getGrouping(db: Database, groupingId: string): Promise<Grouping> {
  const [grouping] = await db.select().from(groupings).where(eq(groupings.id, groupingId))
  if (!grouping) throw notFound('grouping')
  return grouping
}

/** Keeps a new grouping of a cohort and gives its id. */
export async function createGrouping(
  db: Database,
  account: Account,
  cohortId: string,
  form: GroupingForm,
): Promise<Result<string, SaveGroupingProblem>> {
  return db.transaction(async transaction => {
    const problem = await problemOf(transaction, cohortId, form)
    if (problem) return refused(problem)
    const id = newId()
    const [content, savedBy] = [contentOf(form), account.displayName]
    await transaction.insert(groupings).values({ ...content, id, cohortId, savedBy })
    await transaction.insert(groupingVersions).values({ groupingId: id, version: 1, content, savedBy })
    return done(id)
  })
}

/**
 * Saves changes to a grouping and gives its new version. Refused when somebody else saved since the version the
 * changes start from, so that nobody's work is written over unseen.
 */
export async function saveGrouping(
  db: Database,
  account: Account,
  groupingId: string,
  form: GroupingForm,
): Promise<Result<number, SaveGroupingProblem>> {
  return db.transaction(async transaction => {
    const [current] = await transaction
      .select()
      .from(groupings)
      .where(eq(groupings.id, groupingId))
      .for('update')
    if (!current) throw notFound('grouping')
    if (current.version !== form.version) {
      return refused({ code: 'changed-meanwhile', savedBy: current.savedBy, version: current.version })
    }
    const problem = await problemOf(transaction, current.cohortId, form)
    if (problem) return refused(problem)
    const version = current.version + 1
    const [content, savedBy, savedAt] = [contentOf(form), account.displayName, new Date()]
    await transaction
      .update(groupings)
      .set({ ...content, version, savedBy, savedAt })
      .where(eq(groupings.id, groupingId))
    await transaction.insert(groupingVersions).values({ groupingId, version, content, savedBy, savedAt })
    return done(version)
  })
}

/** The latest versions of a grouping, newest first. */
export async function groupingVersionsOf(
  db: Database,
  groupingId: string,
  most = 20,
): Promise<GroupingVersion[]> {
  return db
    .select({
      version: groupingVersions.version,
      savedBy: groupingVersions.savedBy,
      savedAt: groupingVersions.savedAt,
      content: groupingVersions.content,
    })
    .from(groupingVersions)
    .where(eq(groupingVersions.groupingId, groupingId))
    .orderBy(desc(groupingVersions.version))
    .limit(most)
}

/** What a grouping said in a version; as it is now when that was never kept. Throws not-found. */
export async function groupingAt(
  db: Database,
  groupingId: string,
  version: number | null,
): Promise<Grouping> {
  const current = await getGrouping(db, groupingId)
  if (version === null || version === current.version) return current
  const [kept] = await db
    .select()
    .from(groupingVersions)
    .where(and(eq(groupingVersions.groupingId, groupingId), eq(groupingVersions.version, version)))
  return kept ? { ...current, ...kept.content, version } : current
}

/** The groups of one round, from 0; of the first when there are not so many. */
export const roundOf = ({ groups, laterRounds }: GroupingContent, round: number): Group[] =>
  laterRounds[round - 1] ?? groups

function contentOf(form: GroupingForm): GroupingContent {
  const { name, groups, aims = [], offRuleIds = [], heldIds = [] } = form
  const { laterRounds = [], roles = [], rotation = NO_ROTATION } = form
  return { name, groups, aims, offRuleIds, heldIds, laterRounds, roles, rotation }
}

/** A group may be empty while one works on it; what must hold is that everybody stands in one place in a round. */
async function problemOf(
  db: Database,
  cohortId: string,
  { groups, laterRounds = [] }: GroupingForm,
): Promise<SaveGroupingProblem | null> {
  const rounds = [groups, ...laterRounds].map(round => round.flatMap(group => group.personIds))
  if (rounds.some(ids => ids.length === 0)) return { code: 'no-people' }
  if (rounds.some(ids => new Set(ids).size !== ids.length)) return { code: 'person-twice' }
  const ids = [...new Set(rounds.flat())]
  const known = await db
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.cohortId, cohortId), inArray(people.id, ids)))
  return known.length === ids.length ? null : { code: 'not-of-cohort' }
}
