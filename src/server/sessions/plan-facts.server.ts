import { and, eq, gt, isNull, lt, ne } from 'drizzle-orm'
import { unfinishedIn } from '~/core/boards/building/draft'
import type { Group } from '~/core/grouping/grouping'
import { judgeRules } from '~/core/grouping/judge'
import { ruleText } from '~/core/grouping/rule-text'
import { groupingRound, type PlannedRound, type PlanWorld } from '~/core/schedule/readiness'
import { boardIdsOf, totalMinutes } from '~/core/schedule/running-order'
import { getBoard, listBoards } from '../boards/boards.server'
import { getCohort } from '../cohorts/cohorts.server'
import type { Database } from '../db/database.server'
import { sessions } from '../db/schema.server'
import { nullWhenGone } from '../errors.server'
import { getGrouping, latestGroupings, roundOf } from '../groupings/groupings.server'
import { runningOrderOf, type Session } from './sessions.server'

/** Of the groupings kept with a cohort, so many can stand in a plan: the latest. */
const MOST_GROUPINGS = 50
const NOBODY = { people: [], rules: [] }
const DAY_MS = 24 * 60 * 60 * 1000

/** Reads what a session's plan can refer to. O(groupings x people). */
export async function planWorld(db: Database, session: Session): Promise<PlanWorld> {
  const { cohortId } = session
  const order = runningOrderOf(session)
  const [listedBoards, { people, rules }, latest, atTheSameTime] = await Promise.all([
    listBoards(db),
    cohortId === null ? NOBODY : getCohort(db, cohortId),
    cohortId === null ? [] : latestGroupings(db, cohortId, MOST_GROUPINGS),
    cohortId === null ? [] : titlesAtTheSameTime(db, session, cohortId),
  ])
  // What a plan uses it keeps, also when it was removed since or is none of the latest.
  const boards = await withUsed(listedBoards, [...boardIdsOf(order)], id => getBoard(db, id))
  const groupings = await withUsed(
    latest,
    order.flatMap(({ groups }) => (groups.from === 'grouping' ? [groups.groupingId] : [])),
    id => getGrouping(db, id),
  )
  const listed = new Map(people.map(person => [person.id, person]))
  const nameOf = (id: string) => listed.get(id)?.shownName ?? 'somebody who is gone'
  const used = new Set(
    order.map(({ groups }) =>
      groups.from === 'grouping' ? groupingRound(groups.groupingId, groups.round) : '',
    ),
  )
  const ofRound = (groups: Group[], key: string): PlannedRound => {
    const now = groups.map(group => ({ ...group, personIds: group.personIds.filter(id => listed.has(id)) }))
    const placed = now.reduce((sum, { personIds }) => sum + personIds.length, 0)
    return {
      groups: now.map(({ name, personIds }) => ({
        name,
        people: personIds.length,
        leads: personIds.filter(id => listed.get(id)?.trainedToLead).length,
      })),
      unplaced: listed.size - placed,
      // Only what the plan uses is looked at: it is read again with every change.
      brokenRules: used.has(key)
        ? judgeRules(now, rules, listed).broken.map(({ rule }) => ruleText(rule, nameOf))
        : [],
    }
  }
  return {
    boards: boards.map(board => ({
      id: board.id,
      title: board.title,
      steps: board.steps.length,
      prompts: board.prompts.map(({ id, text }) => ({ id, text })),
      unfinished: unfinishedIn(board).map(({ what }) => what),
      minutes: (board.parts ?? []).reduce((sum, { minutes = 0 }) => sum + minutes, 0),
    })),
    groupings: groupings.map(grouping => ({
      id: grouping.id,
      name: grouping.name,
      rounds: Array.from({ length: grouping.laterRounds.length + 1 }, (_, round) =>
        ofRound(roundOf(grouping, round), groupingRound(grouping.id, round)),
      ),
    })),
    people: people.length,
    atTheSameTime,
  }
}

async function withUsed<One extends { id: string }>(
  all: One[],
  usedIds: string[],
  get: (id: string) => Promise<One>,
): Promise<One[]> {
  const known = new Set(all.map(({ id }) => id))
  const more: One[] = []
  for (const id of new Set(usedIds)) {
    const found = known.has(id) ? null : await get(id).catch(nullWhenGone)
    if (found) more.push(found)
  }
  return [...all, ...more]
}

/** Other sessions of the cohort that are planned or run while this one would. */
async function titlesAtTheSameTime(db: Database, session: Session, cohortId: string): Promise<string[]> {
  const lasts = (one: Pick<Session, 'runningOrder' | 'minutes' | 'roomMinutes'>) =>
    (one.minutes ?? (totalMinutes(one.runningOrder) || one.roomMinutes)) * 60_000
  const from = session.startsAt.getTime()
  const to = from + (session.minutes ?? totalMinutes(runningOrderOf(session))) * 60_000
  const near = await db
    .select({
      title: sessions.title,
      startsAt: sessions.startsAt,
      runningOrder: sessions.runningOrder,
      minutes: sessions.minutes,
      roomMinutes: sessions.roomMinutes,
    })
    .from(sessions)
    .where(
      and(
        eq(sessions.cohortId, cohortId),
        ne(sessions.id, session.id),
        ne(sessions.phase, 'ended'),
        isNull(sessions.removedAt),
        gt(sessions.startsAt, new Date(from - DAY_MS)),
        lt(sessions.startsAt, new Date(to)),
      ),
    )
  return near.filter(one => one.startsAt.getTime() + lasts(one) > from).map(({ title }) => title)
}
