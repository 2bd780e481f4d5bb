import { MOST_AT_THE_FRONT, PICTURES } from '~/contracts/forms/sessions'
import type { PlannedDuty } from '~/core/live/duties/duty'
import { dateFields } from '~/core/schedule/session-time'
import { listAccounts } from '../auth/accounts.server'
import type { Account } from '../auth/sign-ins.server'
import type { Database } from '../db/database.server'
import type { sessions } from '../db/schema.server'
import { groupingAt, roundOf } from '../groupings/groupings.server'

/** Which groups the form shows the rooms of; where nothing is said, those of the plan. */
interface Chosen {
  groupingId?: string
  round?: number
}

/** What each of those who may lead is to do; where nothing is planned, everything. */
export const atTheFront = (accounts: readonly Account[], planned: Record<string, PlannedDuty> = {}) =>
  accounts.slice(0, MOST_AT_THE_FRONT).map(({ id, displayName }) => ({
    accountId: id,
    name: displayName,
    does: planned[id]?.does ?? ('all' as const),
  }))

/** A session's plan as its form shows it, and sends it back. Throws not-found where its grouping is gone. */
export async function planShown(db: Database, session: typeof sessions.$inferSelect, chosen: Chosen = {}) {
  const { title, timeZone, boardId, roomMinutes, graceSeconds, waitingList, callWay, writing, duties } =
    session
  const groupingId = chosen.groupingId ?? session.groupingId
  const groupingRound = chosen.round ?? session.groupingRound
  const [grouping, accounts] = await Promise.all([
    // What an open or ended session used stays as it was, whatever was saved since.
    groupingId === null
      ? null
      : groupingAt(db, groupingId, session.phase === 'planned' ? null : session.groupingVersion),
    listAccounts(db),
  ])
  const byOf = (id: string) => accounts.find(account => duties[account.id]?.groupIds.includes(id))?.id
  return {
    title,
    ...dateFields(session.startsAt, timeZone),
    timeZone,
    groupingId: grouping?.id ?? '',
    groupingRound,
    hasOrder: session.runningOrder.length > 0,
    boardId: boardId ?? undefined,
    roomMinutes,
    graceSeconds,
    waitingList,
    callWay,
    writing,
    pictures: PICTURES[session.mayAddPictures ? 0 : 1],
    duties: atTheFront(accounts, duties),
    rooms: (grouping ? roundOf(grouping, groupingRound) : []).map(({ id, name, personIds }) => ({
      groupId: id,
      name: session.roomNames[id] ?? name,
      people: personIds.length,
      byId: byOf(id),
    })),
  }
}
