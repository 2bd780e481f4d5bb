import { and, desc, eq, isNull, lt, ne, or } from 'drizzle-orm'
import { isEqual } from 'lodash-es'
import { type SessionForm, sessionForm } from '~/contracts/forms/sessions'
import type { Board } from '~/core/boards/board'
import type { PlannedDuty } from '~/core/live/duties/duty'
import type { PlannedRoom } from '~/core/live/rooms/room'
import { mergeOrders, type PlannedOrder } from '~/core/schedule/merge-orders'
import { mergePlans } from '~/core/schedule/merge-plans'
import { MOST_SEGMENTS, newSegment, type Segment } from '~/core/schedule/running-order'
import { momentOf, shortMoment } from '~/core/schedule/session-time'
import { getBoard } from '../boards/boards.server'
import type { Database } from '../db/database.server'
import { boardCopies, cohorts, sessions } from '../db/schema.server'
import { notFound } from '../errors.server'
import { getGrouping, roundOf } from '../groupings/groupings.server'
import { done, type Result, refused } from '../result'
import { newId, newJoinCode } from '../tokens.server'
import { planShown } from './plan-shown.server'

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

export async function createSession(
  db: Database,
  form: SessionForm,
): Promise<Result<string, SessionProblem>> {
  const plan = await planFrom(db, form)
  if (!plan.ok) return plan
  const id = newId()
  await db.insert(sessions).values({ id, joinCode: newJoinCode(), ...plan.value })
  return done(id)
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

/** Opening takes no longer than this, in milliseconds: a hold that is older was left behind by a server that was stopped. */
const LONGEST_OPENING_MS = 30_000

/** Keeps the plan as it is while the session is opened with it. */
export async function holdPlan(db: Database, sessionId: string): Promise<void> {
  await db
    .update(sessions)
    .set({ openingSince: new Date() })
    .where(and(eq(sessions.id, sessionId), eq(sessions.phase, 'planned')))
}

export async function letGoOfPlan(db: Database, sessionId: string): Promise<void> {
  await db.update(sessions).set({ openingSince: null }).where(eq(sessions.id, sessionId))
}

/**
 * Changes the plan of a session that has not been opened, and is not being opened. What others changed since somebody's page had `base`
 * stays beside it; without a base it takes the place of all there is. Throws not-found.
 */
export async function savePlan(
  db: Database,
  sessionId: string,
  mine: SessionForm,
  base: SessionForm | null = null,
): Promise<Result<{ others: boolean }, SessionProblem>> {
  return db.transaction(async transaction => {
    const session = await lockedSession(transaction, sessionId)
    const theirs = base && sessionForm.safeParse(await planShown(transaction, session)).data
    const form = base && theirs ? mergePlans(base, mine, theirs) : mine
    const plan = await planFrom(transaction, form)
    if (!plan.ok) return plan
    const runningOrder = withGrouping(session, plan.value.groupingId)
    const saved = await change(transaction, sessionId, { ...plan.value, runningOrder })
    if (!saved.ok || !base) return saved.ok ? done({ others: false }) : saved
    return done({ others: !isEqual(form, mergePlans(base, mine, base)) })
  })
}

/** A session's plan, which nobody else changes until the transaction ends. Throws not-found. */
async function lockedSession(transaction: Database, sessionId: string): Promise<Session> {
  const [session] = await transaction.select().from(sessions).where(eq(sessions.id, sessionId)).for('update')
  if (!session) throw notFound('session')
  return session
}

/** Rounds that took their groups from the session's grouping take them from the one it has now. */
const withGrouping = ({ runningOrder, groupingId: before }: Session, groupingId: string | null): Segment[] =>
  runningOrder.map(segment =>
    segment.groups.from === 'grouping' && segment.groups.groupingId === before && groupingId !== null
      ? { ...segment, groups: { ...segment.groups, groupingId } }
      : segment,
  )

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

/**
 * Keeps the segments of a session that has not been opened, and how many minutes it may take. What others changed since somebody's
 * page had `base` stays beside it; without a base it takes the place of all there is. Gives what the order is then. Throws not-found.
 */
export async function saveRunningOrder(
  db: Database,
  sessionId: string,
  mine: PlannedOrder,
  base: PlannedOrder | null = null,
): Promise<Result<PlannedOrder, SessionProblem>> {
  return db.transaction(async transaction => {
    const session = await lockedSession(transaction, sessionId)
    const theirs = { segments: runningOrderOf(session), minutes: session.minutes }
    const order = base ? mergeOrders(base, mine, theirs) : mine
    if (order.segments.length > MOST_SEGMENTS) return refused({ code: 'too-many-segments' })
    const { segments: runningOrder, minutes } = order
    const saved = await change(transaction, sessionId, { runningOrder, minutes })
    return saved.ok ? done(order) : saved
  })
}

/** Asked and written in one statement: it may be opened at this very moment. */
async function change(
  db: Database,
  sessionId: string,
  values: Partial<Session>,
): Promise<Result<null, SessionProblem>> {
  const saved = await db
    .update(sessions)
    .set(values)
    .where(
      and(
        eq(sessions.id, sessionId),
        eq(sessions.phase, 'planned'),
        or(
          isNull(sessions.openingSince),
          lt(sessions.openingSince, new Date(Date.now() - LONGEST_OPENING_MS)),
        ),
      ),
    )
    .returning({ id: sessions.id })
  return saved.length > 0 ? done(null) : refused({ code: 'already-open' })
}

async function planFrom(
  db: Database,
  form: SessionForm,
): Promise<
  Result<
    Omit<
      Session,
      | 'id'
      | 'joinCode'
      | 'phase'
      | 'reviewedAt'
      | 'removedAt'
      | 'groupingVersion'
      | 'openingSince'
      | 'runningOrder'
      | 'minutes'
      | 'rehearsalOf'
      | 'rehearsed'
      | keyof RulesOfPlan
    > &
      RulesOfPlan,
    SessionProblem
  >
> {
  const startsAt = momentOf(form.date, form.time, form.timeZone)
  if (!startsAt) return refused({ code: 'no-such-date' })
  const grouping = await getGrouping(db, form.groupingId)
  await getBoard(db, form.boardId)
  const groupingRound = Math.min(form.groupingRound ?? 0, grouping.laterRounds.length)
  const groups = roundOf(grouping, groupingRound)
  const own = new Map(groups.map(group => [group.id, group.name]))
  const renamed = form.rooms.filter(
    room => own.has(room.groupId) && room.name && room.name !== own.get(room.groupId),
  )
  const roomNames = Object.fromEntries(renamed.map(room => [room.groupId, room.name]))
  const repeated = firstRepeat(groups.map(group => roomNames[group.id] ?? group.name))
  if (repeated) return refused({ code: 'room-names-repeat', name: repeated })
  const { title, timeZone, groupingId, boardId, roomMinutes, graceSeconds, waitingList } = form
  const { cohortId } = grouping
  return done({
    title,
    startsAt,
    timeZone,
    cohortId,
    groupingId,
    groupingRound,
    boardId,
    roomNames,
    roomMinutes,
    graceSeconds,
    waitingList,
    ...rulesFrom(form),
  })
}

/** What a form may leave out: then it stays as it was. */
type RulesOfPlan = Partial<Pick<Session, 'callWay' | 'writing' | 'mayAddPictures' | 'duties'>>

function rulesFrom({ callWay, writing, pictures, duties, rooms }: SessionForm): RulesOfPlan {
  const dutyOf = ({ accountId, does }: NonNullable<SessionForm['duties']>[number]): PlannedDuty => ({
    does,
    groupIds: does === 'watch' ? [] : rooms.filter(room => room.byId === accountId).map(room => room.groupId),
  })
  const given = duties
    ?.map(duty => [duty.accountId, dutyOf(duty)] as const)
    .filter(([, { does, groupIds }]) => does !== 'all' || groupIds.length > 0)
  return {
    ...(callWay && { callWay }),
    ...(writing && { writing }),
    ...(pictures && { mayAddPictures: pictures === 'added' }),
    ...(given && { duties: Object.fromEntries(given) }),
  }
}

function firstRepeat(names: string[]): string | undefined {
  const plain = names.map(name => name.trim().toLowerCase())
  return names.find((_, index) => plain.indexOf(plain[index] as string) !== index)
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
