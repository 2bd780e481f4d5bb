import { groupBy } from 'lodash-es'
import { z } from 'zod'
import { plainName } from '../../people/shown-name'
import { door, presentOf } from '../door/door'
import type { DoorEvent, DoorProblem, DoorState } from '../door/door-facts'
import { joins, plainNameOf } from '../door/joining'
import { type Participant, type PeopleState, participantList } from '../door/people'
import { idSchema } from '../ids'
import { remember, rememberBoth } from '../remember'
import { type Room, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type Decision, happens, refuse, topic } from '../topic'
import { LONGEST_NAME, MOST_PUT_IN } from './limits'

/** Most people at one device, besides whose it is. */
export const MOST_BESIDE = 12

export type WithoutDeviceProblem =
  | { code: 'nobody-named' }
  | { code: 'device-full'; most: number }
  | { code: 'not-beside' }

/**
 * People who have no device: put in by name, by a facilitator or from a neighbour's device. They come and go by what others
 * say of them, and otherwise count like everybody: groups, rooms, roles, attendance and who has met whom.
 */
export const withoutDevice = topic<{
  state: object
  needs: DoorState & { rooms: Room[] }
  hears: DoorEvent
  problem: WithoutDeviceProblem
  borrows: DoorProblem | TextProblem | RoomsProblem
}>()(
  {
    initial: {},
    commands: {
      'put-in': {
        by: ['facilitator'],
        asks: { names: z.array(textSchema).min(1).max(MOST_PUT_IN) },
        fills: { ids: 'fresh-ids' },
      },
      'put-in-beside': {
        by: ['participant'],
        asks: { shownName: textSchema },
        fills: { newId: 'fresh-id' },
      },
      'take-out-beside': { by: ['participant'], asks: { besideMeId: idSchema } },
    },
    events: {},
  },
  {
    decide: {
      'put-in'(state, { names, ids }, _actor, now) {
        const named = names.map(name => name.trim()).filter(name => name !== '')
        if (named.length === 0) return refuse({ code: 'nobody-named' })
        const events: DoorEvent[] = []
        let door = { ...state, ...OPEN_DOOR }
        for (const [index, name] of named.entries()) {
          const come = comes(door, name, ids[index] ?? '', null)
          if (!come.ok) return come
          for (const event of come.events) {
            const joined = event.type === 'joined' ? { ...event, admitted: true } : event
            events.push(joined)
            door = applied(door, joined, now)
          }
        }
        return happens(...events)
      },
      'put-in-beside'(state, { shownName, newId }, { participantId }) {
        const me = presentOf(state, participantId)
        if (!me) return refuse({ code: 'no-such-participant' })
        if (!me.admitted) return refuse({ code: 'waiting', shownName: me.shownName })
        if (besideOf(state, participantId).length >= MOST_BESIDE)
          return refuse({ code: 'device-full', most: MOST_BESIDE })
        return comes(state, shownName, newId, participantId)
      },
      'take-out-beside'(state, { besideMeId }, { participantId }) {
        const them = presentOf(state, besideMeId)
        if (!them || them.besideId !== participantId) return refuse({ code: 'not-beside' })
        return happens({ type: 'released', participantId: besideMeId })
      },
    },
    evolve: {},
    views: {
      participant: (state, me) => ({ beside: besideMe(state.participants, me)(state.rooms) }),
    },
    words: {
      'nobody-named': () => 'Write at least one name.',
      'device-full': ({ most }) => `At most ${most} more people can be at one device.`,
      'not-beside': () => 'This person is not at your device.',
    },
  },
)

/** A facilitator knows who they put in: neither lock nor waiting list is for them. */
const OPEN_DOOR = { locked: false, waitingList: false, wasCrowded: true }

/** What comes of putting somebody in by a name, who is the person of the list that is called so, if one is. */
function comes(
  state: DoorState,
  typed: string,
  participantId: string,
  besideId: string | null,
): Decision<DoorEvent, DoorProblem | TextProblem> {
  const shownName = typed.trim()
  const problem = textProblem(shownName, LONGEST_NAME)
  if (problem) return refuse(problem)
  const plain = plainName(shownName)
  const person = state.expected.find(each => plainNameOf(each) === plain)
  return joins(state, {
    participantId,
    personId: person?.personId ?? null,
    shownName: person?.shownName ?? shownName,
    withoutDevice: { besideId },
  })
}

/** The door after an event of its own. */
const applied = <State extends DoorState>(state: State, event: DoorEvent, at: number): State => ({
  ...state,
  ...(door.evolve[event.type] as (state: DoorState, event: DoorEvent, at: number) => Partial<DoorState>)(
    state,
    event,
    at,
  ),
})

const allBeside = remember((participants: PeopleState['participants']) =>
  groupBy(
    participantList({ participants }).filter(other => other.besideId !== null),
    other => other.besideId,
  ),
)
const besideOf = ({ participants }: PeopleState, participantId: string): Participant[] =>
  allBeside(participants)[participantId] ?? NOBODY
const NOBODY: Participant[] = []

/** Those at somebody's device, with the room each belongs to: they have nothing else to read it from. */
const besideMe = rememberBoth((participants: PeopleState['participants'], me: Participant) => {
  const beside = besideOf({ participants }, me.id)
  return remember((rooms: Room[]) =>
    beside.map(({ id, shownName, roomId, admitted }) => ({
      id,
      shownName,
      room: admitted ? (roomOf({ rooms }, roomId)?.name ?? null) : null,
    })),
  )
})
