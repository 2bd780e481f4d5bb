import { groupBy } from 'lodash-es'
import type { Board } from '../../boards/board'
import type { DoorState } from '../door/door-facts'
import { belongingTo, type PeopleState, participantList, peopleIn } from '../door/people'
import { remember, rememberBoth } from '../remember'
import type { RoundState } from '../rounds/round'
import type { SessionState } from '../session/session'
import { boardOf, openRooms, type PlannedRoom, type RoomsState } from './room'

type Read = RoomsState & DoorState & RoundState

/** What the whole class may see: who is where, or before anybody is out, who will be. */
export const roomsForAll = (state: Read): { id: string; name: string; members: string[] }[] =>
  state.round
    ? roomsNow(openRooms(state.rooms), state.participants)
    : roomsToCome(openRooms(state.rooms), state.participants)(state.expected)

/** What all are to do in the rooms that come; what stations are about stands in each. */
export const taskForAll = (state: RoomsState & Pick<SessionState, 'boards'>): Task =>
  state.boardsToCome.length > 1 ? NO_TASK : taskOf(boardOf(state, { board: state.boardsToCome[0] ?? 0 }))

export type Task = Pick<Board, 'title' | 'steps'>
export const taskOf = remember(({ title, steps }: Board): Task => ({ title, steps }))
const NO_TASK: Task = { title: '', steps: [] }

const roomsNow = rememberBoth((all: PlannedRoom[], participants: PeopleState['participants']) =>
  all.map(({ id, name }) => ({
    id,
    name,
    members: peopleIn({ participants }, id).map(person => person.shownName),
  })),
)

/** Before anybody is out: who will be where, those who are still awaited last. */
const roomsToCome = rememberBoth((all: PlannedRoom[], participants: PeopleState['participants']) =>
  remember((expected: DoorState['expected']) => {
    const arrived = new Set(participantList({ participants }).map(participant => participant.personId))
    const awaited = groupBy(
      expected.filter(person => !arrived.has(person.personId)),
      person => person.roomId,
    )
    return all.map(({ id, name }) => ({
      id,
      name,
      members: [...belongingTo(participants, id), ...(awaited[id] ?? [])].map(person => person.shownName),
    }))
  }),
)
