import { isEqual } from 'lodash-es'
import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { changeParticipants, MOST_PARTICIPANTS } from '../door/people'
import { idSchema } from '../ids'
import type { OfficeState } from '../office/office-facts'
import type { RoundState } from '../rounds/round'
import type { RoundsEvent, RoundsProblem } from '../rounds/rounds'
import type { SessionEvent, SessionState } from '../session/session'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type Decision, type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { roomsForAll, taskForAll } from './for-all'
import { type MakingProblem, madeRooms, roomsFor, wantedGroups, withoutLast, withRooms } from './making'
import {
  LONGEST_ROOM_NAME,
  newRoom,
  openRooms,
  type PlannedRoom,
  type Room,
  type RoomsState,
  roomOf,
} from './room'
import { whereaboutsOf } from './whereabouts'

export type RoomsProblem =
  | MakingProblem
  | { code: 'no-such-room' }
  | { code: 'waiting'; shownName: string }
  | { code: 'not-in-a-room' }
  | { code: 'nothing-to-undo' }
  /** Somebody else has made other rooms, which whoever asks has not seen. */
  | { code: 'other-rooms-made' }
  /** Somebody else has moved those whose move is taken back, or they are gone. */
  | { code: 'moved-since' }

/** So many parts can be open. */
const openPartsSchema = z.array(idSchema).max(100).nullable()

const events = {
  placed: { participantId: idSchema, roomId: idSchema.nullable(), intoRoom: z.boolean() },
  'room-renamed': { roomId: idSchema, name: z.string() },
  'rooms-made': { rooms: madeRooms },
  /** The last arrangement was taken back. */
  'rooms-undone': {},
  /** Which parts of the boards are open, by prompt id; null for all. */
  'parts-opened': { parts: openPartsSchema },
}
export type RoomsEvent = EventsOf<typeof events>

/** Who belongs to which room, and who is in it now. */
export const rooms = topic<{
  state: RoomsState
  needs: DoorState & OfficeState & RoundState & Pick<SessionState, 'phase' | 'boards'>
  hears: SessionEvent | RoundsEvent
  problem: RoomsProblem
  borrows: DoorProblem | RoundsProblem | TextProblem
  mark: 'joined' | 'left'
}>()(
  {
    initial: { rooms: [], boardsToCome: [0], partsOpen: null, before: null },
    commands: {
      place: { by: ['facilitator'], asks: { participantId: idSchema, roomId: idSchema.nullable() } },
      /** Several at once: all of them, or none. */
      /** `from`: where the page has put them before, null for the whole group: whom another has moved since, or who is gone, stays so. */
      'place-people': {
        by: ['facilitator'],
        asks: {
          placements: z
            .array(
              z.object({
                participantId: idSchema,
                roomId: idSchema.nullable(),
                from: idSchema.nullable().optional(),
              }),
            )
            .min(1)
            .max(MOST_PARTICIPANTS),
        },
      },
      'make-rooms': {
        by: ['facilitator'],
        /** `empty`: also rooms with nobody in them, for those who choose or are put in by hand. */
        asks: { groups: wantedGroups, empty: z.boolean().optional() },
        fills: { ids: 'fresh-ids' },
      },
      /** Which arrangement is meant, by when it was made; the last when it is not said, as by earlier versions' pages. */
      'undo-rooms': { by: ['facilitator'], asks: { madeAt: z.number().int().optional() } },
      'rename-room': { by: ['facilitator'], asks: { roomId: idSchema, name: textSchema } },
      'open-parts': { by: ['facilitator'], asks: { parts: openPartsSchema } },
    },
    events,
  },
  {
    decide: {
      place: (state, { participantId, roomId }) => placing(state, participantId, roomId),
      'place-people'(state, { placements }) {
        const events: Extract<RoomsEvent, { type: 'placed' }>[] = []
        const asFound = placements.filter(({ participantId, from }) => isStill(state, participantId, from))
        if (asFound.length === 0) return refuse({ code: 'moved-since' })
        for (const [participantId, roomId] of new Map(
          asFound.map(({ participantId: id, roomId: to }) => [id, to]),
        )) {
          const one = placing(state, participantId, roomId)
          if (!one.ok) return one
          events.push(...one.events)
        }
        return happens(...events)
      },
      'make-rooms'(state, { groups, ids, empty }) {
        if (state.round) return refuse({ code: 'already-out' })
        const made = roomsFor(state, groups, ids, empty)
        if (!('rooms' in made)) return refuse(made)
        return happens({
          type: 'rooms-made',
          rooms: made.rooms.map((room, place) => onBoard(state, room, place)),
        })
      },
      'undo-rooms'({ before }, { madeAt }) {
        if (!before) return refuse({ code: 'nothing-to-undo' })
        if (madeAt !== undefined && madeAt !== before.madeAt) return refuse({ code: 'other-rooms-made' })
        return happens({ type: 'rooms-undone' })
      },
      'open-parts'(state, { parts }) {
        const known = new Set(state.boards.flatMap(({ prompts }) => prompts.map(({ id }) => id)))
        const open = parts?.filter(id => known.has(id)) ?? null
        return isEqual(open, state.partsOpen) ? nothing : happens({ type: 'parts-opened', parts: open })
      },
      'rename-room'(state, { roomId, name }) {
        const room = roomOf(state, roomId)
        if (!room) return refuse({ code: 'no-such-room' })
        const problem = textProblem(name, LONGEST_ROOM_NAME)
        if (problem) return refuse(problem)
        const others = openRooms(state.rooms).filter(other => other !== room)
        if (others.some(other => other.name.toLowerCase() === name.trim().toLowerCase()))
          return refuse({ code: 'same-room-name', name: name.trim() })
        return room.name === name.trim()
          ? nothing
          : happens({ type: 'room-renamed', roomId, name: name.trim() })
      },
    },
    evolve: {
      'parts-opened': (_state, { parts }) => ({ partsOpen: parts }),
      opened: (_state, { plan }) => ({
        rooms: plan.rooms.map(newRoom),
      }),
      'sent-out': (state, { participantIds }) => ({
        ...withUsed(state, new Set(participantIds.map(id => state.participants.get(id)?.roomId))),
        before: null,
      }),
      placed: (state, { participantId, roomId, intoRoom }) => ({
        ...changeParticipants(state, [participantId], () => ({
          roomId,
          inRoom: intoRoom && roomId !== null,
        })),
        ...(intoRoom && withUsed(state, new Set([roomId]))),
      }),
      'rooms-made': (state, { rooms: made }, at) => withRooms(state, made, at),
      'rooms-undone': state => withoutLast(state),
      'room-renamed': (state, { roomId, name }) => ({
        rooms: state.rooms.map(room => (room.id === roomId ? { ...room, name } : room)),
      }),
    },
    views: {
      facilitator: state => ({
        rooms: openRooms(state.rooms),
        /** When the rooms were made, where that can be taken back. */
        roomsMadeAt: state.before?.madeAt ?? null,
        partsOpen: state.partsOpen,
        boardsToCome: state.boardsToCome,
      }),
      participant: (state, me) => ({ whereabouts: whereaboutsOf(state, me) }),
      // In office hours nobody is told who is there.
      projector: state => ({ task: taskForAll(state), rooms: state.office ? NO_ROOMS : roomsForAll(state) }),
    },
    marks: {
      placed(before, { participantId, roomId, intoRoom }) {
        const mover = before.participants.get(participantId)
        if (!mover) return []
        const to = intoRoom ? roomId : null
        const from = mover.inRoom && mover.roomId !== to ? mover.roomId : null
        return [
          ...(from === null ? [] : [{ roomId: from, kind: 'left' as const, what: mover.shownName }]),
          ...(to === null ? [] : [{ roomId: to, kind: 'joined' as const, what: mover.shownName }]),
        ]
      },
    },
    words: {
      'no-such-room': () => 'This room is not part of the session.',
      'same-room-name': ({ name }) => `Two rooms would be called ${name}. Give each a name of its own.`,
      'nobody-to-group': () => 'Nobody who is let in is in these groups. Let people in first.',
      waiting: ({ shownName }) => `${shownName} is still on the waiting list. Let them in first.`,
      'other-rooms-made': () => 'Other rooms have been made meanwhile, and stay.',
      'moved-since': () => 'They have been moved since, and stay where they are.',
      'nothing-to-undo': () => 'There is nothing to undo: people have been sent out since.',
      'not-in-a-room': () => 'This can be done from a room only.',
    },
  },
)

/** Whether somebody is still where they were put; of whom it is not said where that was, it makes no difference. */
function isStill(
  state: DoorState & RoundState,
  participantId: string,
  from: string | null | undefined,
): boolean {
  if (from === undefined) return true
  const participant = presentOf(state, participantId)
  if (!participant) return false
  // Taken out of a room in mid-round, one has the room still as the place to go back to.
  return (state.round && !participant.inRoom ? null : participant.roomId) === from
}

/** Somebody is put into a room, or to the whole group. */
function placing(
  state: RoomsState & DoorState & RoundState,
  participantId: string,
  roomId: string | null,
): Decision<Extract<RoomsEvent, { type: 'placed' }>, RoomsProblem | DoorProblem> {
  const participant = presentOf(state, participantId)
  if (!participant) return refuse({ code: 'no-such-participant' })
  if (roomId !== null && roomOf(state, roomId)?.closed !== false) return refuse({ code: 'no-such-room' })
  if (!participant.admitted) return refuse({ code: 'waiting', shownName: participant.shownName })
  const intoRoom = state.round !== null && roomId !== null
  // Taken out of a room in mid-round, one keeps the room as the place to go back to.
  const target = roomId === null && participant.inRoom ? participant.roomId : roomId
  if (participant.roomId === target && participant.inRoom === intoRoom) return nothing
  return happens({ type: 'placed', participantId, roomId: target, intoRoom })
}

/** A room that is made now, with the board it gets: with several boards, one after the other by the room's place from 0. */
export function onBoard<R extends PlannedRoom>(
  { boardsToCome }: Pick<RoomsState, 'boardsToCome'>,
  room: R,
  place: number,
): R {
  const board = boardsToCome[place % boardsToCome.length] ?? 0
  return board === 0 ? room : { ...room, board }
}

const NO_ROOMS: ReturnType<typeof roomsForAll> = []

/** The rooms, with those marked in which somebody now is. */
function withUsed(state: RoomsState, roomIds: ReadonlySet<string | null | undefined>): Partial<RoomsState> {
  const isNew = (room: Room) => roomIds.has(room.id) && !room.used
  return state.rooms.some(isNew)
    ? { rooms: state.rooms.map(room => (isNew(room) ? { ...room, used: true } : room)) }
    : {}
}
