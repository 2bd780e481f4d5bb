/** What readers are shown of the door and of who is in. */
import { remember, rememberBoth } from '../remember'
import {
  type Doubt,
  type ExpectedPerson,
  MOST_PARTICIPANTS,
  type Participant,
  type PeopleState,
  participantList,
} from './people'

/** The same object for the same door: what is sent of a view is what is another object than before. */
const doors = new Map<string, DoorNow>()
interface DoorNow {
  locked: boolean
  waitingList: boolean
  crowded: boolean
  /** Whether the session has a list at all that somebody may not be on. */
  hasList: boolean
  mostParticipants: number
}
export function doorNow({
  locked,
  waitingList,
  crowded,
  expected,
}: Pick<DoorNow, 'locked' | 'waitingList' | 'crowded'> & { expected: readonly ExpectedPerson[] }): DoorNow {
  const hasList = expected.length > 0
  const key = `${locked} ${waitingList} ${crowded} ${hasList}`
  const known = doors.get(key) ?? {
    locked,
    waitingList,
    crowded,
    hasList,
    mostParticipants: MOST_PARTICIPANTS,
  }
  doors.set(key, known)
  return known
}

const lanePerson = remember(
  ({
    id,
    personId,
    shownName,
    typedName,
    connected,
    hasDevice,
    onPhone,
    admitted,
    roomId,
    inRoom,
    seenAt,
  }: Participant) => ({
    id,
    onList: personId !== null,
    shownName,
    typedName,
    connected,
    hasDevice,
    onPhone,
    admitted,
    roomId,
    inRoom,
    seenAt,
  }),
)
/** Somebody as the facilitator's page shows them. */
export type LanePerson = ReturnType<typeof lanePerson>

export const lanePeople = remember((participants: PeopleState['participants']) =>
  participantList({ participants }).map(lanePerson),
)

export const stillExpected = rememberBoth(
  (expected: ExpectedPerson[], participants: PeopleState['participants']) => {
    const arrived = new Set(participantList({ participants }).map(participant => participant.personId))
    return expected.filter(person => !arrived.has(person.personId))
  },
)

/** `doubted`: they have said that the name is not theirs, and nobody has settled that yet. */
export const ownFacts = rememberBoth(
  ({ id, shownName, admitted, released }: Participant, doubts: Doubt[]) => ({
    id,
    shownName,
    admitted,
    released,
    doubted: doubts.some(other => other.participantId === id && other.how === 'not-me'),
  }),
)
