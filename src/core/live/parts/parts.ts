import { uniqBy } from 'lodash-es'
import { z } from 'zod'
import type { Board } from '../../boards/board'
import { areHiddenCards, withHiddenShut } from '../../boards/hidden'
import { FIRST_PART, NOTHING_SAID, openLaterParts, type PartsSaid, withOpenParts } from '../../boards/parts'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { type HiddenTextsState, openedIn } from '../hidden/opened'
import { idSchema } from '../ids'
import type { MovesState } from '../moves/terms'
import { remember, rememberBoth } from '../remember'
import { mayIn, type RoomRightsState, withoutAdding } from '../rights/may-in'
import type { RolesState } from '../roles/roles-facts'
import { boardOf, MOST_ROOMS, openRooms, type Room, type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { RoundState } from '../rounds/round'
import type { SegmentsEvent } from '../segments/state'
import type { SessionState } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'

export interface PartsState {
  /** What was said of the parts of each room's board, by room id; of most nothing. */
  partsSaid: Readonly<Record<string, PartsSaid>>
}

export type PartsProblem = { code: 'no-such-part' }

const inRooms = { roomIds: z.array(idSchema).min(1).max(MOST_ROOMS), partId: idSchema }
const events = {
  'part-opened': inRooms,
  'part-shut': inRooms,
  'part-done': { roomId: idSchema, partId: idSchema, participantId: idSchema },
  'part-not-done': { roomId: idSchema, partId: idSchema, participantId: idSchema },
}
export type PartsEvent = EventsOf<typeof events>

/** Parts of boards: opened by hand, by time or one after the other, and said to be done by the group. */
export const parts = topic<{
  state: PartsState
  needs: DoorState &
    RoomsState &
    RoundState &
    HiddenTextsState &
    Pick<SessionState, 'boards' | 'phase'> &
    Rights
  hears: Extract<SegmentsEvent, { type: 'rooms-laid-out' }>
  problem: PartsProblem
  borrows: DoorProblem | RoomsProblem
}>()(
  {
    initial: { partsSaid: {} },
    commands: {
      /** In one room, or in all whose board has the part. */
      'open-part': { by: ['facilitator'], asks: { partId: idSchema, roomId: idSchema.nullable() } },
      'shut-part': { by: ['facilitator'], asks: { partId: idSchema, roomId: idSchema.nullable() } },
      /** Said for the room by somebody in it, and taken back by anybody there. */
      'say-part-done': { by: ['participant'], asks: { partId: idSchema, done: z.boolean() } },
      'open-due-parts': { by: ['clock'], asks: { minutes: z.number().int().min(1) } },
    },
    events,
  },
  {
    decide: {
      'open-part'(state, { partId, roomId }) {
        const rooms = withPart(state, partId, roomId)
        if (rooms.length === 0) return refuse({ code: 'no-such-part' })
        const roomIds = rooms.filter(room => !isOpenIn(state, room, partId)).map(({ id }) => id)
        return roomIds.length > 0 ? happens({ type: 'part-opened', roomIds, partId }) : nothing
      },
      'shut-part'(state, { partId, roomId }) {
        const rooms = withPart(state, partId, roomId)
        if (rooms.length === 0) return refuse({ code: 'no-such-part' })
        const roomIds = rooms.filter(({ id }) => !saidIn(state, id).shut.includes(partId)).map(({ id }) => id)
        return roomIds.length > 0 ? happens({ type: 'part-shut', roomIds, partId }) : nothing
      },
      'say-part-done'(state, { partId, done }, { participantId }) {
        const me = presentOf(state, participantId)
        const room = me && roomIn(state, me)
        if (!me) return refuse({ code: 'no-such-participant' })
        if (!room) return refuse({ code: 'not-in-a-room' })
        if (partId !== FIRST_PART && !isOpenIn(state, room, partId)) return refuse({ code: 'no-such-part' })
        if (saidIn(state, room.id).done.includes(partId) === done) return nothing
        return happens({ type: done ? 'part-done' : 'part-not-done', roomId: room.id, partId, participantId })
      },
      'open-due-parts'(state, { minutes }) {
        const due = waiting(state).filter(({ after }) => after <= minutes)
        return happens(
          ...uniqBy(due, ({ partId }) => partId).map(({ partId }) => ({
            type: 'part-opened' as const,
            partId,
            roomIds: due.filter(each => each.partId === partId).map(({ roomId }) => roomId),
          })),
        )
      },
    },
    evolve: {
      'part-opened': (state, { roomIds, partId }) => ({
        partsSaid: saying(state, roomIds, ({ opened, shut, done }) => ({
          opened: [...without(opened, partId), partId],
          shut: without(shut, partId),
          done,
        })),
      }),
      'part-shut': (state, { roomIds, partId }) => ({
        partsSaid: saying(state, roomIds, ({ opened, shut, done }) => ({
          opened: without(opened, partId),
          shut: [...without(shut, partId), partId],
          done,
        })),
      }),
      'part-done': (state, { roomId, partId }) => ({
        partsSaid: saying(state, [roomId], said => ({
          ...said,
          done: [...without(said.done, partId), partId],
        })),
      }),
      'part-not-done': (state, { roomId, partId }) => ({
        partsSaid: saying(state, [roomId], said => ({ ...said, done: without(said.done, partId) })),
      }),
      // A station that others come to: what is done was done by those before.
      'rooms-laid-out': (state, { rooms }) => {
        const done = rooms.filter(({ id }) => saidIn(state, id).done.length > 0).map(({ id }) => id)
        return done.length > 0 ? { partsSaid: saying(state, done, said => ({ ...said, done: [] })) } : {}
      },
    },
    due(state) {
      const { round } = state
      if (!round || round.graceEndsAt !== null) return []
      return uniqBy(waiting(state), ({ after }) => after).map(({ after }) => ({
        at: round.startedAt + after * 60_000,
        command: { type: 'open-due-parts' as const, minutes: after },
      }))
    },
    views: {
      facilitator: state => ({ partsSaid: state.partsSaid }),
      participant: (state, me) => {
        const room = roomIn(state, me)
        const whole = room && boardOf(state, room)
        const said = room ? saidIn(state, room.id) : NOTHING_SAID
        const open = whole ? withParts(whole, said) : null
        return {
          board: room ? boardFor(state, room) : null,
          partsShut: (whole?.parts?.length ?? 0) - (open?.parts?.length ?? 0),
          partsDone: said.done,
        }
      },
    },
    words: { 'no-such-part': () => 'This part is not open here.' },
  },
)

type Rights = RoomRightsState & Pick<MovesState, 'terms'> & Pick<RolesState, 'rolesRule'>

/** The board as those in the room have it, with what they may do there. */
function boardFor(state: Rooms & HiddenTextsState & Rights, room: Room): Board {
  const board = readBoardIn(state, room)
  return mayIn(state, 'pictures', room.id) ? board : withoutAdding(board)
}

const without = (ids: readonly string[], id: string): string[] => ids.filter(each => each !== id)

const saidIn = ({ partsSaid }: PartsState, roomId: string): PartsSaid => partsSaid[roomId] ?? NOTHING_SAID

function saying(
  { partsSaid }: PartsState,
  roomIds: readonly string[],
  change: (said: PartsSaid) => PartsSaid,
): PartsState['partsSaid'] {
  const changed = roomIds.map(id => [id, change(partsSaid[id] ?? NOTHING_SAID)] as const)
  return { ...partsSaid, ...Object.fromEntries(changed) }
}

type Rooms = PartsState & RoomsState & Pick<SessionState, 'boards'>

/** The open rooms, or one of them, whose board has such a part after its first. */
const withPart = (state: Rooms, partId: string, roomId: string | null): Room[] => {
  const rooms =
    roomId === null ? openRooms(state.rooms) : [roomOf(state, roomId)].filter(room => room?.closed === false)
  return rooms.filter((room): room is Room => room !== undefined && hasPart(boardOf(state, room), partId))
}

const hasPart = ({ parts: later = [] }: Board, partId: string): boolean =>
  later.some(({ id }) => id === partId)

/** Ids of the rooms where people have worked and that have not said that they are done with a part their board has. */
export const roomsNotDone = (state: Rooms, partId: string): string[] =>
  openRooms(state.rooms)
    .filter(room => room.used && (partId === FIRST_PART || hasPart(boardOf(state, room), partId)))
    .filter(({ id }) => !saidIn(state, id).done.includes(partId))
    .map(({ id }) => id)

const isOpenIn = (state: Rooms, room: Room, partId: string): boolean =>
  openLaterParts(boardOf(state, room), saidIn(state, room.id)).some(({ id }) => id === partId)

/** Of each board the parts that open by themselves. */
const byThemselves = remember(({ parts: later = [] }: Board) =>
  later.flatMap(({ id, opens, after }) => (opens === 'after' && after !== undefined ? [{ id, after }] : [])),
)

/** Parts that wait for their time, room by room. What was opened or shut by hand waits for nothing. O(rooms), where there are any. */
function waiting(state: Rooms): { roomId: string; partId: string; after: number }[] {
  if (!state.boards.some(board => byThemselves(board).length > 0)) return []
  return openRooms(state.rooms).flatMap(room => {
    const { opened, shut } = saidIn(state, room.id)
    return byThemselves(boardOf(state, room))
      .filter(({ id }) => !opened.includes(id) && !shut.includes(id))
      .map(({ id, after }) => ({ roomId: room.id, partId: id, after }))
  })
}

/** The board of a room with what is open of it there, hidden texts and all. */
export function openBoardIn(state: Rooms, room: Room): Board {
  const open = withParts(boardOf(state, room), saidIn(state, room.id))
  return state.partsOpen === null ? open : withPrompts(open, state.partsOpen)
}

/** What of its board a room sees: without parts that are shut, and without what is hidden there still. */
export const readBoardIn = (state: Rooms & HiddenTextsState, room: Room): Board =>
  withRead(openBoardIn(state, room), openedIn(state, room.id))

/**
 * Prompts of a room's board that nobody there writes under yet: of parts that were never open, and cards that each still writes
 * alone. What opens when the group says that it is done, and shuts when it takes that back, is none of them.
 */
export function notYetOpenIn(state: Rooms & HiddenTextsState, room: Room): Board['prompts'] {
  const board = boardOf(state, room)
  const said = saidIn(state, room.id)
  const open = openLaterParts(board, said)
  const waiting = (board.parts ?? []).filter(
    part => part.opens !== 'done' && !open.includes(part) && !said.shut.includes(part.id),
  )
  return board.prompts.filter(
    prompt =>
      waiting.some(({ id }) => id === prompt.part) ||
      (areHiddenCards(prompt) && !(prompt.id in openedIn(state, room.id))),
  )
}

/** Made once for all in a room. */
const withParts = rememberBoth(withOpenParts)
const withRead = rememberBoth((board: Board, opened: Readonly<Record<string, string | null>>) =>
  withHiddenShut(board, Object.keys(opened)),
)
const withPrompts = rememberBoth((board: Board, open: readonly string[]): Board => {
  const prompts = board.prompts.filter(({ id }) => open.includes(id))
  return prompts.length === board.prompts.length ? board : { ...board, prompts }
})
