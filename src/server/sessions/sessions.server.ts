import { and, desc, eq, isNull, ne, or } from 'drizzle-orm'
import type { Board } from '~/core/boards/board'
import type { PlannedRoom } from '~/core/live/rooms/room'
import { newSegment, type Segment } from '~/core/schedule/running-order'
import { shortMoment } from '~/core/schedule/session-time'
import type { Database } from '../db/database.server'
import { boardCopies, cohorts, sessions } from '../db/schema.server'
import { notFound } from '../errors.server'
import { newId, newJoinCode } from '../tokens.server'

export type Session = typeof sessions.$inferSelect

export type SessionProblem =
  | { code: 'no-such-date' }
  | { code: 'already-open' }
  | { code: 'empty-groups'; names: string[] }
  | { code: 'room-names-repeat'; name: string }
  | { code: 'too-many-segments' }

export interface SessionSummary {
  id: string
  title: string
  startsAt: Date
  timeZone: string
  phase: Session['phase']
  /** Null for a session that belongs to no cohort. */
  cohortName: string | null
  joinCode: string
  reviewedAt: Date | null
}

/** Sessions, the latest first, without rehearsals: all of them, or those that are not done with: planned, running, or waiting for review. */
export async function listSessions(db: Database, only?: 'unfinished'): Promise<SessionSummary[]> {
  const isReal = isNull(sessions.rehearsalOf)
  const unfinished = or(ne(sessions.phase, 'ended'), isNull(sessions.reviewedAt))
  const rows = await db
    .select({
      id: sessions.id,
      title: sessions.title,
      startsAt: sessions.startsAt,
      timeZone: sessions.timeZone,
      phase: sessions.phase,
      cohortName: cohorts.name,
      joinCode: sessions.joinCode,
      reviewedAt: sessions.reviewedAt,
    })
    .from(sessions)
    .leftJoin(cohorts, eq(cohorts.id, sessions.cohortId))
    .where(and(isReal, isNull(sessions.removedAt), isNull(cohorts.removedAt), only && unfinished))
    .orderBy(desc(sessions.startsAt), desc(sessions.id))
  return rows
}

/** A session's plan. Throws not-found. */
export async function getSession(db: Database, sessionId: string): Promise<Session> {
  const [session] = await db.select().from(sessions).where(eq(sessions.id, sessionId))
  if (!session) throw notFound('session')
  return session
}

/** How long rooms last, and people have to come back, where nobody has said it, in minutes and seconds. */
const USUAL_MINUTES = 12
const USUAL_GRACE = 60

/** A session with nothing prepared, to be opened at once; it is called by its date and time until somebody names it. */
export async function createBareSession(
  db: Database,
  timeZone: string,
  now: number,
  called = '',
): Promise<string> {
  const id = newId()
  await db.insert(sessions).values({
    id,
    joinCode: newJoinCode(),
    title: `${called}${shortMoment(now, timeZone)}`,
    startsAt: new Date(now),
    timeZone,
    roomMinutes: USUAL_MINUTES,
    graceSeconds: USUAL_GRACE,
    waitingList: false,
  })
  return id
}

/** The plan by segments: of a session that was planned with one round, that round. */
export function runningOrderOf(session: Session): Segment[] {
  const { runningOrder, groupingId, groupingRound, boardId, roomMinutes, graceSeconds } = session
  if (runningOrder.length > 0) return runningOrder
  if (groupingId === null) return []
  return [
    {
      ...newSegment('round-1', 'rooms'),
      minutes: roomMinutes,
      graceSeconds,
      groups: { from: 'grouping', groupingId, round: groupingRound },
      boardId,
    },
  ]
}

/** What rooms have to work on that were given nothing. */
export const NO_BOARD: Board = { title: '', steps: [], prompts: [] }

/** Makes the board copies of rooms, inside the transaction that records them. Rooms that are laid out once more have theirs. */
export async function makeCopies(
  db: Database,
  sessionId: string,
  rooms: readonly PlannedRoom[],
  boards: readonly Board[],
): Promise<void> {
  if (rooms.length === 0) return
  const copies = rooms.map(room => ({
    id: room.copyId,
    sessionId,
    roomId: room.id,
    board: boards[room.board ?? 0] ?? NO_BOARD,
  }))
  await db.insert(boardCopies).values(copies).onConflictDoNothing()
}

/** What the last rehearsal of a plan showed is put away. Throws not-found. */
export async function forgetRehearsal(db: Database, sessionId: string): Promise<void> {
  await getSession(db, sessionId)
  await db.update(sessions).set({ rehearsed: null }).where(eq(sessions.id, sessionId))
}

export async function markReviewed(db: Database, sessionId: string, at: Date | null): Promise<void> {
  await db.update(sessions).set({ reviewedAt: at }).where(eq(sessions.id, sessionId))
}
