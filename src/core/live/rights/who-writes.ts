import { type Participant, type PeopleState, peopleIn } from '../door/people'
import type { RolesState } from '../roles/roles-facts'
import type { RightsState, WhoWrites } from './writing'

type Read = RightsState & PeopleState & Pick<RolesState, 'roles'>

export const ruleIn = ({ writing, writingIn }: RightsState, roomId: string): WhoWrites =>
  writingIn[roomId] ?? writing

/** Those in a room who could write: somebody without a device has no page to do it on. */
const couldWrite = (state: Read, roomId: string): Participant[] =>
  peopleIn(state, roomId).filter(({ id, hasDevice }) => hasDevice && !state.muted[id])

/**
 * The one who writes in a room; null where everybody does, or nobody may. Where nobody has the role that is asked for, everybody does: nobody waits for
 * somebody who is not there. The pen lies with whom it was given, else with whoever came first and has a line.
 */
export function oneWriter(state: Read, roomId: string): Participant | null {
  const rule = ruleIn(state, roomId)
  if (rule === 'all' || rule === 'nobody') return null
  const here = couldWrite(state, roomId)
  if (rule === 'turn')
    return (
      here.find(({ id }) => id === state.pens[roomId]) ??
      here.find(({ connected }) => connected) ??
      here[0] ??
      null
    )
  return (
    here.find(({ id }) => {
      const held = state.roles.get(id)
      return held?.role === rule && held.roomId === roomId
    }) ?? null
  )
}

/** Whether somebody who is in a room may write there. */
export function mayWriteInRoom(state: Read, { id }: Participant, roomId: string): boolean {
  if (state.muted[id] || ruleIn(state, roomId) === 'nobody') return false
  const writer = oneWriter(state, roomId)
  return writer === null || writer.id === id
}

/** Whether the pen is theirs to give: their own, or that of somebody who has gone with it. */
export function mayPassPen(state: Read, { id }: Participant, roomId: string): boolean {
  if (ruleIn(state, roomId) !== 'turn' || state.muted[id]) return false
  const writer = oneWriter(state, roomId)
  return writer !== null && (writer.id === id || !writer.connected)
}
