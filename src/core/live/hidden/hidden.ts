import { z } from 'zod'
import { groupMayOpen, isHidden } from '../../boards/hidden'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { idSchema } from '../ids'
import { openBoardIn, type PartsState } from '../parts/parts'
import { rememberBoth } from '../remember'
import { boardOf, MOST_ROOMS, openRooms, type Room, type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { SessionState } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { type HiddenTextsState, openedIn } from './opened'

export type HiddenTextsProblem = { code: 'no-such-hidden-text' }

const events = {
  /** By somebody in the one room, or for all of them by a facilitator (`participantId` is null). */
  'hidden-text-opened': {
    roomIds: z.array(idSchema).min(1).max(MOST_ROOMS),
    promptId: idSchema,
    participantId: idSchema.nullable(),
  },
}
export type HiddenTextsEvent = EventsOf<typeof events>

/**
 * Hints and solutions, and cards that everybody writes alone at first: sent to a room once they are opened there. What was read
 * cannot be shut again. Its commands and events are named after what was there first.
 */
export const hiddenTexts = topic<{
  state: HiddenTextsState
  needs: DoorState & RoomsState & PartsState & Pick<SessionState, 'boards' | 'phase'>
  problem: HiddenTextsProblem
  borrows: DoorProblem | RoomsProblem
  mark: 'hidden-text-opened'
}>()(
  {
    initial: { hiddenOpened: {}, hiddenOpenedAt: {} },
    commands: {
      /** In one room, or in all whose board has it. */
      'open-hidden-text': { by: ['facilitator'], asks: { promptId: idSchema, roomId: idSchema.nullable() } },
      /** For the whole room, by somebody in it. */
      'open-hidden-text-here': { by: ['participant'], asks: { promptId: idSchema } },
    },
    events,
  },
  {
    decide: {
      'open-hidden-text'(state, { promptId, roomId }) {
        const candidates = roomId === null ? openRooms(state.rooms) : [roomOf(state, roomId)]
        const rooms = candidates.filter(
          (room): room is Room =>
            room?.closed === false && hiddenIn(boardOf(state, room), promptId) !== undefined,
        )
        if (rooms.length === 0) return refuse({ code: 'no-such-hidden-text' })
        const roomIds = rooms.map(({ id }) => id).filter(id => !(promptId in openedIn(state, id)))
        return roomIds.length > 0
          ? happens({ type: 'hidden-text-opened', roomIds, promptId, participantId: null })
          : nothing
      },
      'open-hidden-text-here'(state, { promptId }, { participantId }) {
        const me = presentOf(state, participantId)
        const room = me && roomIn(state, me)
        if (!me) return refuse({ code: 'no-such-participant' })
        if (!room) return refuse({ code: 'not-in-a-room' })
        const prompt = hiddenIn(openBoardIn(state, room), promptId)
        if (!prompt || !groupMayOpen(prompt)) return refuse({ code: 'no-such-hidden-text' })
        const roomIds = [room.id].filter(id => !(promptId in openedIn(state, id)))
        return roomIds.length > 0
          ? happens({ type: 'hidden-text-opened', roomIds, promptId, participantId })
          : nothing
      },
    },
    evolve: {
      'hidden-text-opened': (state, { roomIds, promptId, participantId }, at) => ({
        hiddenOpened: inRooms(state.hiddenOpened, roomIds, promptId, participantId),
        hiddenOpenedAt: inRooms(state.hiddenOpenedAt, roomIds, promptId, at),
      }),
    },
    views: {
      facilitator: state => ({ hiddenOpened: state.hiddenOpened }),
      participant: (state, me) => {
        const room = roomIn(state, me)
        const opened = room && state.hiddenOpened[room.id]
        return { hiddenOpened: opened ? openers(opened, state.participants) : NOBODY }
      },
    },
    marks: {
      'hidden-text-opened': (before, { roomIds, promptId }) =>
        roomIds.flatMap(roomId => {
          const room = roomOf(before, roomId)
          const prompt = room && hiddenIn(boardOf(before, room), promptId)
          return prompt ? [{ roomId, kind: 'hidden-text-opened', what: prompt.text }] : []
        }),
    },
    words: { 'no-such-hidden-text': () => 'There is nothing here that you could open.' },
  },
)

const hiddenIn = ({ prompts }: { prompts: SessionState['boards'][number]['prompts'] }, promptId: string) =>
  prompts.filter(isHidden).find(({ id }) => id === promptId)

/** What is known by room and prompt, with one thing more in some rooms. */
const inRooms = <Known>(
  known: Readonly<Record<string, Readonly<Record<string, Known>>>>,
  roomIds: readonly string[],
  promptId: string,
  more: Known,
) => ({
  ...known,
  ...Object.fromEntries(roomIds.map(id => [id, { ...known[id], [promptId]: more }] as const)),
})

const NOBODY: Readonly<Record<string, string>> = {}

/** The names of who opened what in a room, by prompt id; empty for a facilitator. Made once for all in the room. */
const openers = rememberBoth(
  (opened: Readonly<Record<string, string | null>>, people: DoorState['participants']) =>
    Object.fromEntries(
      Object.entries(opened).map(([promptId, id]) => [
        promptId,
        id === null ? '' : (people.get(id)?.shownName ?? 'Somebody'),
      ]),
    ),
)
