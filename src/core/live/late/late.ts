import { z } from 'zod'
import type { DoorEvent, DoorState } from '../door/door-facts'
import { participantList } from '../door/people'
import { isInvited, type MovesState } from '../moves/terms'
import { openRooms, type RoomsState } from '../rooms/room'
import type { RoomsEvent } from '../rooms/rooms'
import type { RoundState } from '../rounds/round'
import { happens, nothing, topic } from '../topic'

/** What becomes of somebody who comes when rooms are there: they are asked about, go where they were planned, or where fewest are. */
export const LATE_RULES = ['ask', 'planned', 'smallest'] as const
export type LateRule = (typeof LATE_RULES)[number]

export interface LateState {
  lateRule: LateRule
}

/** Where people go who come late; in a round to which people are invited they are invited too. */
export const late = topic<{
  state: LateState
  needs: RoomsState & DoorState & RoundState & MovesState
  hears: DoorEvent | RoomsEvent
}>()(
  {
    initial: { lateRule: 'ask' },
    commands: { 'set-late': { by: ['facilitator'], asks: { rule: z.enum(LATE_RULES) } } },
    events: { 'late-set': { rule: z.enum(LATE_RULES) } },
  },
  {
    decide: {
      'set-late': (state, { rule }) =>
        state.lateRule === rule ? nothing : happens({ type: 'late-set', rule }),
    },
    follows: {
      joined: (state, { participantId }) => placings(state, [participantId]),
      admitted: (state, { participantIds }) => placings(state, participantIds),
    },
    evolve: { 'late-set': (_state, { rule }) => ({ lateRule: rule }) },
    views: { facilitator: state => ({ lateRule: state.lateRule }) },
    words: {},
  },
)

/** Where the rule puts people who have just come in. */
function placings(
  state: LateState & RoomsState & DoorState & RoundState & MovesState,
  participantIds: readonly string[],
): RoomsEvent[] {
  if (state.lateRule === 'ask') return []
  const open = openRooms(state.rooms)
  const isOpen = (roomId: string | null) => open.some(room => room.id === roomId)
  const sizes = new Map(open.map(room => [room.id, 0]))
  for (const { roomId, admitted } of participantList(state)) {
    const size = roomId !== null && admitted ? sizes.get(roomId) : undefined
    if (size !== undefined) sizes.set(roomId as string, size + 1)
  }
  return participantIds.flatMap((participantId): RoomsEvent[] => {
    const participant = state.participants.get(participantId)
    if (!participant?.admitted || participant.released) return []
    const isOut = state.round !== null
    const hasRoom = isOpen(participant.roomId)
    // Before anybody is out, whoever has a room waits for it like the others.
    const roomId =
      hasRoom && (state.lateRule === 'planned' || !isOut)
        ? participant.roomId
        : smallest(sizes, participant.roomId)
    const goesNowhere = roomId === null || (state.lateRule === 'planned' && !hasRoom)
    const intoRoom = isOut && !isInvited(participant, state.terms)
    if (goesNowhere || (roomId === participant.roomId && !intoRoom)) return []
    if (participant.roomId !== null && hasRoom)
      sizes.set(participant.roomId, (sizes.get(participant.roomId) ?? 1) - 1)
    sizes.set(roomId, (sizes.get(roomId) ?? 0) + 1)
    return [{ type: 'placed', participantId, roomId, intoRoom }]
  })
}

/** The room fewest belong to, the first of several; somebody's own does not count them. Null where there is none. */
export function smallest(sizes: ReadonlyMap<string, number>, ownRoomId: string | null): string | null {
  let found: string | null = null
  let least = Number.POSITIVE_INFINITY
  for (const [roomId, size] of sizes) {
    const others = roomId === ownRoomId ? size - 1 : size
    if (others < least) {
      found = roomId
      least = others
    }
  }
  return found
}
