/** Who is in a session: the ground that most topics stand on. */
import { groupBy } from 'lodash-es'
import { z } from 'zod'
import { idSchema } from '../ids'
import { remember } from '../remember'

export interface Participant {
  id: string
  personId: string | null
  shownName: string
  /** The name they came in with; others may have found out since who of a list that is. */
  typedName: string
  /** Let in from the waiting list, or came straight in. */
  admitted: boolean
  /** Their page is open, or they need none: who has no device counts as there. */
  connected: boolean
  hasDevice: boolean
  /** Their page was opened on a phone, when it was opened last. */
  onPhone: boolean
  /** Whose device they are at, where they have none of their own and somebody put them in from theirs. */
  besideId: string | null
  /** The room they belong to, whether or not they are in it now. */
  roomId: string | null
  /** In that room now; otherwise with the whole group. */
  inRoom: boolean
  joinedAt: number
  /** When they were last seen to come or go. */
  seenAt: number
  /** Their name was freed for somebody else to take; they are out of the session. */
  released: boolean
  /** A facilitator took them out: they come back only through the waiting list. */
  removed: boolean
}

/** Somebody expected in the session, with the room the grouping gives them. */
export const expectedPersonSchema = z.object({
  personId: idSchema,
  shownName: z.string(),
  roomId: idSchema.nullable(),
  /** Trained to lead a group. */
  leads: z.literal(true).optional(),
})
export type ExpectedPerson = z.infer<typeof expectedPersonSchema>

/** Most people in one session. */
export const MOST_PARTICIPANTS = 500

/** Somebody says a name is not theirs though their page goes by it, or theirs though somebody else has it. */
export interface Doubt {
  id: string
  participantId: string
  how: 'not-me' | 'mine-is-taken'
  at: number
}

export interface PeopleState {
  participants: ReadonlyMap<string, Participant>
}

const present = remember((participants: PeopleState['participants']) =>
  [...participants.values()].filter(participant => !participant.released),
)

/** Everybody in the session, in the order they joined. */
export const participantList = (state: PeopleState): Participant[] => present(state.participants)

const inRooms = remember((participants: PeopleState['participants']) =>
  groupBy(
    present(participants).filter(participant => participant.inRoom),
    participant => participant.roomId,
  ),
)

/** People who are in a room now. */
export const peopleIn = (state: PeopleState, roomId: string): Participant[] =>
  inRooms(state.participants)[roomId] ?? []

/** The state with some participants changed; ids nobody has are left out. */
export function changeParticipants(
  state: PeopleState,
  ids: readonly string[],
  change: (participant: Participant) => Partial<Participant>,
): PeopleState {
  const participants = new Map(state.participants)
  for (const id of ids) {
    const participant = participants.get(id)
    if (participant) participants.set(id, { ...participant, ...change(participant) })
  }
  return { participants }
}

/** The room somebody is in now; null with the whole group, or for an unknown id. */
export function roomIdOf(state: PeopleState, participantId: string): string | null {
  const participant = state.participants.get(participantId)
  return participant?.inRoom ? participant.roomId : null
}

/** Everybody let in, by the room they belong to. */
const belonging = remember((participants: PeopleState['participants']) =>
  groupBy(
    participantList({ participants }).filter(participant => participant.admitted),
    participant => participant.roomId,
  ),
)
export const belongingTo = (participants: PeopleState['participants'], roomId: string) =>
  belonging(participants)[roomId] ?? []
