import { z } from 'zod'
import { idSchema } from '../ids'
import { boardOf, type RoomsState } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { SessionState } from '../session/session'
import { type EventsOf, happens, refuse, topic } from '../topic'
import { LONGEST_KEPT, MOST_TAKEN_OFF, type TakenOff, type TakenOffHere } from './taken'

export interface TakenOffState {
  /** In the order in which they were taken; what was given back is in it no more. */
  takenOff: readonly (TakenOff & { kept: string })[]
}

export type TakenOffProblem =
  | { code: 'not-on-the-board' }
  | { code: 'not-taken-off' }
  | { code: 'too-much-taken-off' }
  | { code: 'too-long-to-keep' }

const piece = { roomId: idSchema, promptId: z.string(), pieceId: z.string(), text: z.string() }

const events = {
  'taken-off': {
    takenId: idSchema,
    copyId: idSchema,
    ...piece,
    kept: z.string(),
    authorId: idSchema.nullable(),
    by: z.string(),
  },
  'given-back': { takenId: idSchema, by: z.string() },
}
export type TakenOffEvent = EventsOf<typeof events>

/**
 * Pieces that hurt, taken off a board by a facilitator, while the session runs or afterwards. The document has nothing of them any more: what they were is here, for
 * facilitators alone, so that they can be given back. The server takes and gives (`server/sessions/taken-off.server.ts`).
 */
export const takenOff = topic<{
  state: TakenOffState
  needs: RoomsState & Pick<SessionState, 'boards'>
  problem: TakenOffProblem
  borrows: RoomsProblem
  mark: 'taken-off' | 'given-back'
}>()(
  {
    initial: { takenOff: [] },
    commands: {
      /** `kept`: what lies in the document, as JSON. */
      'take-off': {
        by: ['facilitator'],
        inside: true,
        alsoAfterEnd: true,
        asks: { takenId: idSchema, ...piece, kept: z.string(), authorId: idSchema.nullable() },
      },
      'give-back': {
        by: ['facilitator'],
        inside: true,
        alsoAfterEnd: true,
        asks: { takenId: idSchema },
      },
    },
    events,
  },
  {
    decide: {
      'take-off'(state, { type: _, ...asked }, { name }) {
        // Of rooms that are closed as well: their work is read afterwards.
        const room = state.rooms.find(({ id }) => id === asked.roomId)
        if (!room) return refuse({ code: 'no-such-room' })
        if (!boardOf(state, room).prompts.some(({ id }) => id === asked.promptId))
          return refuse({ code: 'not-on-the-board' })
        if (asked.kept.length > LONGEST_KEPT) return refuse({ code: 'too-long-to-keep' })
        if (state.takenOff.length >= MOST_TAKEN_OFF) return refuse({ code: 'too-much-taken-off' })
        return happens({ type: 'taken-off', ...asked, copyId: room.copyId, by: name })
      },
      'give-back'(state, { takenId }, { name }) {
        return state.takenOff.some(({ id }) => id === takenId)
          ? happens({ type: 'given-back', takenId, by: name })
          : refuse({ code: 'not-taken-off' })
      },
    },
    evolve: {
      'taken-off': (state, { type: _, takenId: id, ...taken }, at) => ({
        takenOff: [...state.takenOff, { id, ...taken, at }],
      }),
      'given-back': (state, { takenId }) => ({
        takenOff: state.takenOff.filter(({ id }) => id !== takenId),
      }),
    },
    views: {
      facilitator: state => ({ takenOff: state.takenOff.map(({ kept: _, ...taken }): TakenOff => taken) }),
      /** Of the board one works on: what one wrote oneself, with what it said, and that there was something whose writer is not known. */
      participant: (state, me) => {
        const copyId = roomIn(state, me)?.copyId
        return {
          takenOff: state.takenOff
            .filter(one => one.copyId === copyId && (one.authorId === null || one.authorId === me.id))
            .map(
              ({ id, promptId, text, authorId, by }): TakenOffHere => ({
                id,
                promptId,
                text: authorId === null ? null : text,
                by,
              }),
            ),
        }
      },
    },
    marks: {
      // Who did it, and not what it said: lanes are shown to others as well.
      'taken-off': (_before, { roomId, by }) => [{ roomId, kind: 'taken-off', what: by }],
      'given-back': ({ takenOff: all }, { takenId, by }) =>
        all
          .filter(({ id }) => id === takenId)
          .map(({ roomId }) => ({ roomId, kind: 'given-back', what: by })),
    },
    words: {
      'not-on-the-board': () => 'This does not stand on the board any more: somebody has changed it.',
      'not-taken-off': () => 'This was given back already.',
      'too-much-taken-off': () => 'No more can be taken off in this session: give something back first.',
      'too-long-to-keep': () => 'This is too long to be kept: join the room and remove it by hand.',
    },
  },
)
