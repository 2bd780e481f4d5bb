import type { SaveGroupingProblem } from '~/contracts/grouping'
import { participantList } from '~/core/live/door/people'
import { openRooms } from '~/core/live/rooms/room'
import type { Account } from '../auth/sign-ins.server'
import type { Database } from '../db/database.server'
import type { LiveHub } from '../live/hub.server'
import { done, type Result, refused } from '../result'
import { getSession } from '../sessions/sessions.server'
import { newId } from '../tokens.server'
import { createGrouping } from './groupings.server'

/**
 * Keeps the rooms of a running session, as they are now, as a grouping of its cohort. Who is on no list can not stand in one: their
 * names are given back. Throws not-found for an unknown session.
 */
export async function keepLiveGroups(
  db: Database,
  hub: LiveHub,
  account: Account,
  sessionId: string,
  name: string,
): Promise<Result<{ groupingId: string; leftOut: string[] }, SaveGroupingProblem | { code: 'no-cohort' }>> {
  const { cohortId } = await getSession(db, sessionId)
  if (cohortId === null) return refused({ code: 'no-cohort' })
  const state = await hub.state(sessionId)
  const people = participantList(state)
  const groups = openRooms(state.rooms).map(room => ({
    id: newId(),
    name: room.name,
    personIds: people.flatMap(each =>
      each.roomId === room.id && each.personId !== null ? [each.personId] : [],
    ),
  }))
  const kept = await createGrouping(db, account, cohortId, {
    name,
    groups: groups.filter(group => group.personIds.length > 0),
    version: null,
  })
  if (!kept.ok) return kept
  const leftOut = people.filter(each => each.roomId !== null && each.personId === null)
  return done({ groupingId: kept.value, leftOut: leftOut.map(each => each.shownName) })
}
