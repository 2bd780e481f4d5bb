/**
 * Taking things away, and putting them back. Nothing is deleted: what is removed is shown in no list, and stays readable by
 * what already uses it, so that putting it back is always possible and no session loses its past.
 */
import { and, count, desc, eq, isNotNull, isNull, ne } from 'drizzle-orm'
import type { RemovableKind } from '~/contracts/removals'
import { type Account, signOutEverywhere } from '../auth/sign-ins.server'
import type { Database } from '../db/database.server'
import { choices, groupings, sessions } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { THINGS } from './things.server'

export type RemovalProblem = { code: 'session-open'; title: string } | { code: 'own-account' }

/** How many things use what is to be removed. */
export interface Dependents {
  groupings: number
  choices: number
  plannedSessions: number
  pastSessions: number
}

const NOTHING: Dependents = { groupings: 0, choices: 0, plannedSessions: 0, pastSessions: 0 }

/** What uses it: told before it is removed. */
export async function dependentsOf(db: Database, kind: RemovableKind, id: string): Promise<Dependents> {
  if (kind === 'session' || kind === 'account' || kind === 'material') return NOTHING
  const uses =
    kind === 'cohort'
      ? eq(sessions.cohortId, id)
      : kind === 'grouping'
        ? eq(sessions.groupingId, id)
        : eq(sessions.boardId, id)
  const rows = await db
    .select({ phase: sessions.phase, number: count() })
    .from(sessions)
    .where(and(uses, isNull(sessions.removedAt)))
    .groupBy(sessions.phase)
  const numberOf = (...phases: string[]) =>
    rows.filter(row => phases.includes(row.phase)).reduce((sum, row) => sum + row.number, 0)
  const counted = { plannedSessions: numberOf('planned', 'open'), pastSessions: numberOf('ended') }
  if (kind !== 'cohort') return { ...NOTHING, ...counted }
  const [[kept], [asked]] = await Promise.all([
    db
      .select({ number: count() })
      .from(groupings)
      .where(and(eq(groupings.cohortId, id), isNull(groupings.removedAt))),
    db.select({ number: count() }).from(choices).where(eq(choices.cohortId, id)),
  ])
  return { ...counted, groupings: kept?.number ?? 0, choices: asked?.number ?? 0 }
}

/**
 * Removes something. Refused for what a running session uses, and for one's own account; whose account is removed is
 * signed out everywhere. Throws not-found. Does nothing the second time.
 */
export async function remove(
  db: Database,
  by: Account,
  kind: RemovableKind,
  id: string,
): Promise<Result<null, RemovalProblem>> {
  if (kind === 'account' && id === by.id) return refused({ code: 'own-account' })
  const running = await runningWith(db, kind, id)
  if (running) return refused({ code: 'session-open', title: running })
  const { table } = THINGS[kind]
  const removed = await db
    .update(table)
    .set({ removedAt: new Date() })
    // A session may be opened at this very moment.
    .where(and(eq(table.id, id), kind === 'session' ? ne(sessions.phase, 'open') : undefined))
    .returning({ id: table.id })
  if (removed.length === 0) throw notFound(kind)
  if (kind === 'account') await signOutEverywhere(db, id)
  return done(null)
}

/** The title of a running session that uses it, if there is one. */
async function runningWith(db: Database, kind: RemovableKind, id: string): Promise<string | undefined> {
  // Boards keep the material that stands on them.
  if (kind === 'account' || kind === 'material') return undefined
  const column = {
    cohort: sessions.cohortId,
    grouping: sessions.groupingId,
    board: sessions.boardId,
    session: sessions.id,
  }[kind]
  const [found] = await db
    .select({ title: sessions.title })
    .from(sessions)
    .where(and(eq(column, id), eq(sessions.phase, 'open')))
    .limit(1)
  return found?.title
}

/** Puts something back as it was. Throws not-found. */
export async function putBack(db: Database, kind: RemovableKind, id: string): Promise<void> {
  const { table } = THINGS[kind]
  const back = await db
    .update(table)
    .set({ removedAt: null })
    .where(eq(table.id, id))
    .returning({ id: table.id })
  if (back.length === 0) throw notFound(kind)
}

/** So many removed things are listed, the latest first. */
const MOST_LISTED = 100

/** What was removed and can be put back, the latest first. */
export async function listRemoved(
  db: Database,
  kind: RemovableKind,
): Promise<{ id: string; name: string }[]> {
  const { table, name } = THINGS[kind]
  return db
    .select({ id: table.id, name })
    .from(table)
    .where(isNotNull(table.removedAt))
    .orderBy(desc(table.removedAt))
    .limit(MOST_LISTED)
}
