/** Who may write on a room's board, and by what name they are known there. */
import type { PeopleState } from '../door/people'
import type { FacilitatorsState } from '../facilitators/facilitators'
import type { RolesState } from '../roles/roles-facts'
import type { RoomsState } from '../rooms/room'
import { mayWorkOn } from '../rooms/whereabouts'
import type { SessionState } from '../session/session'
import { asFacilitator } from '../visits/visitor'
import type { VisitsState } from '../visits/visits'
import { mayWriteInRoom } from './who-writes'
import type { RightsState } from './writing'

type Read = RoomsState &
  PeopleState &
  VisitsState &
  RightsState &
  Pick<RolesState, 'roles'> &
  Pick<SessionState, 'phase'>

/** Whether somebody may write on a board copy now: a participant whose room's it is and who has the right to, or a facilitator (by account) who has joined in there. */
export function mayWriteOn(state: Read, writerId: string, copyId: string): boolean {
  const person = state.participants.get(writerId)
  if (person) return mayWorkOn(state, writerId, copyId) && mayWriteInRoom(state, person, person.roomId ?? '')
  const visit = state.visits.find(({ accountId, joined }) => joined && accountId === writerId)
  return (
    visit !== undefined && state.rooms.some(({ id, copyId: its }) => id === visit.roomId && its === copyId)
  )
}

/** The name beside what somebody wrote: a facilitator's says what they are. Empty for somebody unknown. */
export function writerName(
  { participants, facilitators }: Pick<PeopleState, 'participants'> & FacilitatorsState,
  writerId: string,
): string {
  const person = participants.get(writerId)
  if (person) return person.shownName
  const leads = facilitators.find(({ accountId }) => accountId === writerId)
  return leads ? asFacilitator(leads.name) : ''
}
