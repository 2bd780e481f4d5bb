import { z } from 'zod'
import { boardSchema } from '../../boards/board'
import { idSchema } from '../ids'
import { MOST_ROOMS, type RoomsState, roomOf } from '../rooms/room'
import type { SessionState } from '../session/session'
import { type EventsOf, happens, refuse, topic } from '../topic'

export type CorrectionsProblem =
  | { code: 'no-such-board' }
  | { code: 'board-in-use' }
  | { code: 'too-many-boards' }

/** Boards of one session: every one that rooms get for themselves is one more. */
const MOST_BOARDS = 200

const events = {
  /** From now on this is the board at that place; or, for some rooms only, the one after the last is theirs. */
  'board-corrected': {
    place: z.number().int().min(0),
    board: boardSchema,
    /** Null for all who work on it, now and later. */
    roomIds: z.array(idSchema).min(1).max(MOST_ROOMS).nullable(),
    /** Copies of it that are made already, those of closed rooms too: they may be opened again. */
    copyIds: z.array(idSchema).max(10_000),
  },
  /** Rooms that are made from now on work on this one; those there are keep theirs. */
  'board-to-come': { board: boardSchema },
}
export type CorrectionsEvent = EventsOf<typeof events>

/** Boards of a session that are corrected while groups work on them. What they wrote stays as it is. */
export const corrections = topic<{
  state: object
  needs: RoomsState & Pick<SessionState, 'boards'>
  problem: CorrectionsProblem
}>()(
  {
    initial: {},
    commands: {
      /** The board is the server's to say, from the library: no browser sends it. */
      'correct-board': {
        by: ['facilitator'],
        inside: true,
        asks: { place: z.number().int().min(0), board: boardSchema, roomId: idSchema.nullable() },
      },
      /** Another board, where nobody has been yet: to one room, or to all there are and will be, or only to those that will be. */
      'give-board': {
        by: ['facilitator'],
        inside: true,
        asks: { board: boardSchema, roomId: idSchema.nullable(), toCome: z.literal(true).optional() },
      },
    },
    events,
  },
  {
    decide: {
      'correct-board'(state, { place, board, roomId }) {
        const room = roomOf(state, roomId)
        const isThere = roomId === null || (room?.closed === false && (room.board ?? 0) === place)
        if (!state.boards[place] || !isThere) return refuse({ code: 'no-such-board' })
        const isShared = state.rooms.some(each => each.id !== roomId && (each.board ?? 0) === place)
        const reached = room ? [room] : state.rooms.filter(each => (each.board ?? 0) === place)
        const copyIds = reached.map(({ copyId }) => copyId)
        // A room that is alone with its board gets no other beside it.
        const roomIds = room && isShared ? [room.id] : null
        return happens({ type: 'board-corrected', place, board, roomIds, copyIds })
      },
      'give-board'(state, { board, roomId, toCome }) {
        if (toCome) {
          if (state.boards.length >= MOST_BOARDS) return refuse({ code: 'too-many-boards' })
          return happens({ type: 'board-to-come', board })
        }
        const place = state.boardsToCome[0] ?? 0
        const room = roomOf(state, roomId)
        if (roomId !== null && room?.closed !== false) return refuse({ code: 'no-such-board' })
        const reached = room ? [room] : state.rooms.filter(each => (each.board ?? 0) === place)
        if (reached.some(({ used }) => used)) return refuse({ code: 'board-in-use' })
        if (room && state.boards.length >= MOST_BOARDS) return refuse({ code: 'too-many-boards' })
        const copyIds = reached.map(({ copyId }) => copyId)
        return happens({ type: 'board-corrected', place, board, roomIds: room ? [room.id] : null, copyIds })
      },
    },
    evolve: {
      'board-corrected': ({ boards, rooms }, { place, board, roomIds }) =>
        roomIds === null
          ? { boards: boards.with(place, board) }
          : {
              boards: [...boards, board],
              rooms: rooms.map(room =>
                roomIds.includes(room.id) ? { ...room, board: boards.length } : room,
              ),
            },
      'board-to-come': ({ boards }, { board }) => ({
        boards: [...boards, board],
        boardsToCome: [boards.length],
      }),
    },
    views: {},
    words: {
      'no-such-board': () => 'This board is not in use there any more.',
      'board-in-use': () => 'People have been there: their board stays. A new room can have another.',
      'too-many-boards': () => `A session has at most ${MOST_BOARDS} boards.`,
    },
  },
)
