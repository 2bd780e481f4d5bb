import { and, desc, eq, inArray } from 'drizzle-orm'
import type { GroupingForm } from '~/contracts/forms'
import type { Group } from '~/core/grouping/grouping'
import type { Aim } from '~/core/grouping/rules'
import type { Account } from '../auth/accounts.server'
import type { Database } from '../db/database.server'
import { cohorts, groupings, people } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { newId } from '../tokens.server'

export interface Grouping {
  id: string
  cohortId: string
  name: string
  groups: Group[]
  aims: Aim[]
  offRuleIds: string[]
  heldIds: string[]
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
  savedAt: Date
}

export type GroupingProblem =
  | { code: 'changed-meanwhile'; savedBy: string; version: number }
  | { code: 'person-twice' }
  | { code: 'not-of-cohort' }
  | { code: 'no-people' }

export async function listGroupings(db: Database, cohortId?: string): Promise<GroupingSummary[]> {
  const rows = await db
    .select({ grouping: groupings, cohortName: cohorts.name })
    .from(groupings)
    .innerJoin(cohorts, eq(cohorts.id, groupings.cohortId))
    .where(cohortId ? eq(groupings.cohortId, cohortId) : undefined)
    .orderBy(desc(groupings.savedAt), desc(groupings.id))
  return rows.map(({ grouping, cohortName }) => ({
    id: grouping.id,
    name: grouping.name,
    cohortId: grouping.cohortId,
    cohortName,
    sizes: grouping.groups.map(group => group.personIds.length),
    savedAt: grouping.savedAt,
  }))
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
): Promise<Result<string, GroupingProblem>> {
  const problem = await problemOf(db, cohortId, form.groups)
  if (problem) return refused(problem)
  const id = newId()
  await db.insert(groupings).values({ ...contentOf(form), id, cohortId, savedBy: account.displayName })
  return done(id)
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
): Promise<Result<number, GroupingProblem>> {
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
    const problem = await problemOf(transaction, current.cohortId, form.groups)
    if (problem) return refused(problem)
    const version = current.version + 1
    await transaction
      .update(groupings)
      .set({
        ...contentOf(form),
        version,
        savedBy: account.displayName,
        savedAt: new Date(),
      })
      .where(eq(groupings.id, groupingId))
    return done(version)
  })
}

const contentOf = ({ name, groups, aims = [], offRuleIds = [], heldIds = [] }: GroupingForm) => ({
  name,
  groups,
  aims,
  offRuleIds,
  heldIds,
})

/** A group may be empty while one works on it; what must hold is that everybody stands in one place. */
async function problemOf(db: Database, cohortId: string, groups: Group[]): Promise<GroupingProblem | null> {
  const ids = groups.flatMap(group => group.personIds)
  if (ids.length === 0) return { code: 'no-people' }
  if (new Set(ids).size !== ids.length) return { code: 'person-twice' }
  const known = await db
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.cohortId, cohortId), inArray(people.id, ids)))
  return known.length === ids.length ? null : { code: 'not-of-cohort' }
}
