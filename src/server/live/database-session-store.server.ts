import { and, asc, eq, gt, inArray, max, sql } from 'drizzle-orm'
import type { Board } from '~/core/boards/board'
import type { Actor } from '~/core/live/actors'
import { EVENT_VERSION, readEvent, UnreadableEventError } from '~/core/live/event-versions'
import { remember } from '~/core/live/remember'
import type { LiveEvent, Recorded } from '~/core/live/topics'
import { listFromSession } from '../cohorts/cohort-list.server'
import type { Database } from '../db/database.server'
import { boardCopies, participants, sessionEvents, sessions } from '../db/schema.server'
import { RoundTableError } from '../errors.server'
import { makeCopies } from '../sessions/sessions.server'
import { newToken, tokenHash } from '../tokens.server'
import { type Entry, LogRaceError, type SessionStore } from './session-store'

/** The logs of sessions as rows of the database, next to what must not part from them. */
export class DatabaseSessionStore implements SessionStore {
  private readonly listeners = new Set<(sessionId: string, seq: number) => void>()

  constructor(private readonly db: Database) {}

  read(sessionId: string, after = 0): Promise<Recorded[]> {
    return readLog(this.db, sessionId, after)
  }

  async append(sessionId: string, entries: readonly Entry[]): Promise<void> {
    await appendToLog(this.db, sessionId, entries)
    const seq = entries.at(-1)?.recorded.seq
    if (seq !== undefined) for (const listener of this.listeners) listener(sessionId, seq)
  }

  onAppended(listener: (sessionId: string, seq: number) => void): () => void {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
}

/** The record of a session cannot be read: it is shut, and says so, while every other session goes on. */
const damaged = (cause: unknown) =>
  new RoundTableError(
    'damaged',
    'The record of this session is damaged and cannot be read. It stays shut; no other session is affected, and nothing of it was changed.',
    { cause },
  )

/** Reads a session's log from after `seq`, in order. Throws `damaged` when an event can't be read. */
export async function readLog(db: Database, sessionId: string, after = 0): Promise<Recorded[]> {
  const rows = await db
    .select()
    .from(sessionEvents)
    .where(and(eq(sessionEvents.sessionId, sessionId), gt(sessionEvents.seq, after)))
    .orderBy(asc(sessionEvents.seq))
  try {
    return rows.map(({ seq, at, payload, version }) => ({
      seq,
      at: at.getTime(),
      event: readEvent(payload, version),
    }))
  } catch (error) {
    throw error instanceof UnreadableEventError ? damaged(error) : error
  }
}

/** The place of the last event in a session's log; 0 when there is none. */
export async function lastSeq(db: Database, sessionId: string): Promise<number> {
  const [row] = await db
    .select({ seq: max(sessionEvents.seq) })
    .from(sessionEvents)
    .where(eq(sessionEvents.sessionId, sessionId))
  return row?.seq ?? 0
}

/**
 * Appends entries in one transaction: afterwards all of them are on disk, or, when it throws, none.
 * What must not part from an event is written with it: the board copies at the opening, the phase of the session.
 * Throws LogRaceError when the log has moved on.
 */
export async function appendToLog(db: Database, sessionId: string, entries: readonly Entry[]): Promise<void> {
  const rows = entries.map(({ recorded, actor }) => ({
    sessionId,
    seq: recorded.seq,
    at: new Date(recorded.at),
    actor: actorText(actor),
    type: recorded.event.type,
    version: EVENT_VERSION,
    payload: recorded.event,
  }))
  // One statement is a transaction of its own, and the commonest events need no more than it.
  if (!entries.some(entry => changesMore(entry.recorded.event))) return insert(db, rows)
  await db.transaction(async transaction => {
    await insert(transaction, rows)
    for (const { recorded } of entries) await applyToPlan(transaction, sessionId, recorded)
    const withoutDevice = entries.flatMap(({ recorded: { event } }) =>
      event.type === 'joined' && event.withoutDevice ? [event.participantId] : [],
    )
    if (withoutDevice.length > 0) await keepPlaces(transaction, sessionId, withoutDevice)
  })
}

const CHANGES_MORE = new Set<LiveEvent['type']>([
  'opened',
  'rooms-made',
  'rooms-laid-out',
  'room-added',
  'board-corrected',
  'renamed',
  'cohort-attached',
  'people-listed',
  'ended',
  'reopened',
])

/** Whether something else is written with it. */
const changesMore = (event: LiveEvent) =>
  CHANGES_MORE.has(event.type) || (event.type === 'joined' && event.withoutDevice !== undefined)

/** One event, by far the commonest: the statement is put into words once. It has no name: whoever connects anew would find the one of before. */
const oneEvent = remember((db: Database) =>
  db
    .insert(sessionEvents)
    .values({
      sessionId: sql.placeholder('sessionId'),
      seq: sql.placeholder('seq'),
      at: sql.placeholder('at'),
      actor: sql.placeholder('actor'),
      type: sql.placeholder('type'),
      version: sql.placeholder('version'),
      payload: sql.placeholder('payload'),
    })
    .prepare(''),
)

async function insert(db: Database, rows: (typeof sessionEvents.$inferInsert)[]): Promise<void> {
  try {
    const [first, ...more] = rows
    if (first && more.length === 0) await oneEvent(db).execute(first)
    else await db.insert(sessionEvents).values(rows)
  } catch (error) {
    const { cause } = error as { cause?: { code?: string } }
    if (cause?.code === UNIQUE_VIOLATION) throw new LogRaceError('The log has moved on.', { cause: error })
    throw error
  }
}

/** SQLSTATE of a row whose key is taken (PostgreSQL, appendix A). */
const UNIQUE_VIOLATION = '23505'

async function applyToPlan(db: Database, sessionId: string, { event }: Recorded): Promise<void> {
  if (event.type === 'opened') {
    const { groupingVersion, rooms, board, moreBoards = [] } = event.plan
    await makeCopies(db, sessionId, rooms, [board, ...moreBoards])
    await db.update(sessions).set({ phase: 'open', groupingVersion }).where(eq(sessions.id, sessionId))
  }
  if (event.type === 'rooms-made' || event.type === 'rooms-laid-out')
    await makeCopies(db, sessionId, event.rooms, await boardsOf(db, sessionId))
  if (event.type === 'room-added')
    await makeCopies(db, sessionId, [event.room], await boardsOf(db, sessionId))
  if (event.type === 'board-corrected' && event.copyIds.length > 0)
    await db
      .update(boardCopies)
      .set({ board: event.board })
      .where(and(eq(boardCopies.sessionId, sessionId), inArray(boardCopies.id, event.copyIds)))
  if (event.type === 'renamed')
    await db.update(sessions).set({ title: event.title }).where(eq(sessions.id, sessionId))
  if (event.type === 'cohort-attached')
    await db.update(sessions).set({ cohortId: event.cohortId }).where(eq(sessions.id, sessionId))
  if (event.type === 'people-listed') await listFromSession(db, sessionId, event.people)
  if (event.type === 'ended')
    await db.update(sessions).set({ phase: 'ended' }).where(eq(sessions.id, sessionId))
  if (event.type === 'reopened')
    await db.update(sessions).set({ phase: 'open', reviewedAt: null }).where(eq(sessions.id, sessionId))
}

/** Places nobody holds by a cookie: those who have them get their own link from a facilitator. */
async function keepPlaces(db: Database, sessionId: string, participantIds: string[]): Promise<void> {
  await db.insert(participants).values(
    participantIds.map(id => ({
      id,
      sessionId,
      tokenHash: tokenHash(newToken()),
      reviewToken: newToken(),
    })),
  )
}

/** The boards a session was opened with, as they were corrected since. */
async function boardsOf(db: Database, sessionId: string): Promise<Board[]> {
  const rows = await db
    .select()
    .from(sessionEvents)
    .where(
      and(
        eq(sessionEvents.sessionId, sessionId),
        inArray(sessionEvents.type, ['opened', 'board-corrected', 'board-to-come']),
      ),
    )
    .orderBy(asc(sessionEvents.seq))
  const [opened, ...corrections] = rows.map(({ payload, version }) => readEvent(payload, version))
  if (opened?.type !== 'opened') throw damaged(undefined)
  const boards = [opened.plan.board, ...(opened.plan.moreBoards ?? [])]
  for (const event of corrections) {
    if (event.type === 'board-to-come') boards.push(event.board)
    if (event.type !== 'board-corrected') continue
    if (event.roomIds === null) boards[event.place] = event.board
    else boards.push(event.board)
  }
  return boards
}

function actorText(actor: Actor): string {
  if (actor.kind === 'facilitator') return `facilitator:${actor.accountId}`
  if (actor.kind === 'participant') return `participant:${actor.participantId}`
  return actor.kind
}
