/** Where people are, with whom, and which boards are theirs there. */
import { belongingTo, type Participant, type PeopleState } from '../door/people'
import { remember, rememberBoth } from '../remember'
import type { SessionState } from '../session/session'
import { type PlannedRoom, type Room, type RoomsState, roomOf } from './room'

/** Somebody as the others in their room see them. */
export interface Member {
  id: string
  shownName: string
  connected: boolean
}

/** Where a participant is, and with whom. Of other rooms it says nothing. */
export type Whereabouts =
  | { where: 'waiting' }
  | { where: 'whole'; next: { name: string; members: string[] } | null }
  | {
      where: 'room'
      roomId: string
      name: string
      copyId: string
      members: Member[]
      /** Where they talk; empty for nowhere. */
      link: string
      /** What others had made who came into this room from theirs: to be read. */
      alsoReads: { copyId: string; name: string }[]
    }

/** The room somebody is in now, if they are in one. */
export const roomIn = (state: RoomsState, me: Participant): Room | undefined =>
  me.inRoom && !me.released ? roomOf(state, me.roomId) : undefined

const WAITING: Whereabouts = { where: 'waiting' }
const NOWHERE: Whereabouts = { where: 'whole', next: null }

/** Where somebody is, as their own page is told. */
export function whereaboutsOf(
  state: RoomsState & PeopleState & Pick<SessionState, 'phase'>,
  me: Participant,
): Whereabouts {
  if (!me.admitted || me.released) return WAITING
  const room = roomOf(state, me.roomId)
  if (!room) return NOWHERE
  if (me.inRoom) return inRoom(room, state.participants)(state.rooms)
  return state.phase === 'open' ? beforeRoom(room, state.participants) : NOWHERE
}

const inRoom = rememberBoth((room: Room, participants: PeopleState['participants']) => {
  const members = belongingTo(participants, room.id)
    .filter(other => other.inRoom)
    .map(({ id, shownName, connected }) => ({ id, shownName, connected }))
  return remember((rooms: Room[]): Whereabouts => {
    const { id: roomId, name, copyId, link } = room
    const alsoReads = room.alsoReads.map(other => ({
      copyId: other,
      name: rooms.find(each => each.copyId === other)?.name ?? '',
    }))
    return { where: 'room', roomId, name, copyId, members, link, alsoReads }
  })
})

const beforeRoom = rememberBoth(
  ({ id, name }: PlannedRoom, participants: PeopleState['participants']): Whereabouts => ({
    where: 'whole',
    next: { name, members: belongingTo(participants, id).map(other => other.shownName) },
  }),
)

/** Whether somebody may read and write a board copy now: only people who are in its room, while they are. */
export function mayWorkOn(
  state: RoomsState & PeopleState & Pick<SessionState, 'phase'>,
  participantId: string,
  copyId: string,
): boolean {
  const me = state.participants.get(participantId)
  return state.phase === 'open' && me !== undefined && roomIn(state, me)?.copyId === copyId
}

/** Whether somebody may read a board copy now: their room's own, and those of rooms whose people came into it. */
export function mayRead(
  state: RoomsState & PeopleState & Pick<SessionState, 'phase'>,
  participantId: string,
  copyId: string,
): boolean {
  if (mayWorkOn(state, participantId, copyId)) return true
  const me = state.participants.get(participantId)
  return (
    state.phase === 'open' && me !== undefined && (roomIn(state, me)?.alsoReads.includes(copyId) ?? false)
  )
}
