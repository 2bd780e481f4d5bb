/** Plans of sessions: made, changed by several at once, and held while a session is opened with one. */
import { and, eq, isNull, lt, or } from 'drizzle-orm'
import { isEqual } from 'lodash-es'
import { type SessionForm, sessionForm } from '~/contracts/forms/sessions'
import type { PlannedDuty } from '~/core/live/duties/duty'
import { mergeOrders, type PlannedOrder } from '~/core/schedule/merge-orders'
import { mergePlans } from '~/core/schedule/merge-plans'
import { MOST_SEGMENTS, type Segment } from '~/core/schedule/running-order'
import { momentOf } from '~/core/schedule/session-time'
import { getBoard } from '../boards/boards.server'
import type { Database } from '../db/database.server'
import { sessions } from '../db/schema.server'
import { notFound } from '../errors.server'
import { getGrouping, roundOf } from '../groupings/groupings.server'
import { done, type Result, refused } from '../result'
import { newId, newJoinCode } from '../tokens.server'
import { planShown } from './plan-shown.server'
import { runningOrderOf, type Session, type SessionProblem } from './sessions.server'

/** Plans a session and gives its id. Throws not-found where its grouping or board is gone. */
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

/** What a plan's form says, as it is kept. */
type PlanColumns = Pick<
  Session,
  | 'title'
  | 'startsAt'
  | 'timeZone'
  | 'cohortId'
  | 'groupingId'
  | 'groupingRound'
  | 'boardId'
  | 'roomNames'
  | 'roomMinutes'
  | 'graceSeconds'
  | 'waitingList'
> &
  RulesOfPlan

async function planFrom(db: Database, form: SessionForm): Promise<Result<PlanColumns, SessionProblem>> {
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
