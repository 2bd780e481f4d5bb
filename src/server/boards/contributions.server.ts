import { asc, eq, inArray, sql } from 'drizzle-orm'
import type { Database } from '../db/database.server'
import { contributions } from '../db/schema.server'

/** What somebody did to one piece of a board: what it says now, or an empty text when it was taken away. */
export interface Contribution {
  copyId: string
  promptId: string
  entryId: string
  participantId: string
  halfMinute: number
  edits: number
  text: string
  at: number
}

/** Notes contributions, each person's to a piece in a half minute once; an empty list leaves nothing behind. */
export function noting(merged: readonly Contribution[]) {
  const rows = merged.map(({ copyId, promptId, entryId, participantId, halfMinute, edits, text, at }) => ({
    copy_id: copyId,
    prompt_id: promptId,
    entry_id: entryId,
    participant_id: participantId,
    half_minute: new Date(halfMinute),
    edits,
    text,
    at: new Date(at),
  }))
  return sql`
    insert into noted_contributions (list)
    select list from (values (${JSON.stringify(rows)}::jsonb)) as one (list) where list <> '[]'`
}

/** Notes contributions beside what is written on boards: of a session that was made, and never ran. */
export async function noteContributions(db: Database, list: readonly Contribution[]): Promise<void> {
  await db.execute(noting(mergeContributions(list)))
}

/**
 * Adds what was noted to what the same person did to the same piece in the same half minute; the latest words stand. What was noted of
 * a copy that is gone goes with it. Every reader does this first.
 */
export async function sumUpContributions(db: Database): Promise<void> {
  await db.execute(sql`
    with gone as (delete from noted_contributions returning id, list),
    noted as (
      select gone.id, one.* from gone, jsonb_to_recordset(list) as one (
        copy_id text, prompt_id text, entry_id text, participant_id text,
        half_minute timestamptz, edits integer, text text, at timestamptz)
      where exists (select from board_copies where board_copies.id = one.copy_id))
    insert into contributions (copy_id, prompt_id, entry_id, participant_id, half_minute, edits, text, at)
    select copy_id, prompt_id, entry_id, participant_id, half_minute, sum(edits),
      (array_agg(text order by at desc, id desc))[1], max(at)
    from noted group by copy_id, prompt_id, entry_id, participant_id, half_minute
    on conflict (copy_id, prompt_id, entry_id, participant_id, half_minute) do update
    set edits = contributions.edits + excluded.edits, text = excluded.text, at = excluded.at`)
}

/** One row for each person, piece and half minute: the edits added up, the latest text. */
export function mergeContributions(list: readonly Contribution[]): Contribution[] {
  const merged = new Map<string, Contribution>()
  for (const one of list) {
    const key = [one.copyId, one.promptId, one.entryId, one.participantId, one.halfMinute].join('\u0001')
    const earlier = merged.get(key)
    merged.set(key, earlier ? { ...one, edits: earlier.edits + one.edits } : one)
  }
  return [...merged.values()]
}

/** Whether this participant has written anything on any board. */
export async function hasWritten(db: Database, participantId: string): Promise<boolean> {
  await sumUpContributions(db)
  const rows = await db
    .select({ copyId: contributions.copyId })
    .from(contributions)
    .where(eq(contributions.participantId, participantId))
    .limit(1)
  return rows.length > 0
}

/** Every contribution to these copies, in the order of time. */
export async function readContributions(db: Database, copyIds: string[]): Promise<Contribution[]> {
  if (copyIds.length === 0) return []
  await sumUpContributions(db)
  const rows = await db
    .select()
    .from(contributions)
    .where(inArray(contributions.copyId, copyIds))
    .orderBy(asc(contributions.at), asc(contributions.entryId))
  return rows.map(row => ({ ...row, halfMinute: row.halfMinute.getTime(), at: row.at.getTime() }))
}
