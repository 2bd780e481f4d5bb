import type { Board } from '../../boards/board'
import type { HiddenTextsState } from '../hidden/opened'
import { idSchema } from '../ids'
import { type PartsState, readBoardIn } from '../parts/parts'
import { openRooms, type Room, type RoomsState, roomOf } from '../rooms/room'
import type { SessionState } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'

/** What everybody is to see on the projector: a room's board (`promptId` null), one prompt of it, or one prompt of all rooms (`roomId` null). */
export interface PutUp {
  roomId: string | null
  promptId: string | null
}

export interface PutUpState {
  putUp: PutUp | null
}

export type PutUpProblem = { code: 'nothing-to-put-up' }

type Read = PutUpState & HiddenTextsState & PartsState & RoomsState & Pick<SessionState, 'boards' | 'phase'>

const events = {
  'put-up': { roomId: idSchema.nullable(), promptId: idSchema.nullable() },
  'taken-down': {},
}
export type PutUpEvent = EventsOf<typeof events>

/** Work put up on the projector for all to see, as it is being written, until it is taken down. */
export const putUp = topic<{
  state: PutUpState
  needs: Omit<Read, 'putUp'>
  problem: PutUpProblem
}>()(
  {
    initial: { putUp: null },
    commands: {
      'put-up': {
        by: ['facilitator'],
        asks: { roomId: idSchema.nullable(), promptId: idSchema.nullable() },
      },
      'take-down': { by: ['facilitator'], asks: {} },
    },
    events,
  },
  {
    decide: {
      'put-up'(state, { roomId, promptId }) {
        if (roomsWith(state, { roomId, promptId }).length === 0) return refuse({ code: 'nothing-to-put-up' })
        const isUp = state.putUp?.roomId === roomId && state.putUp.promptId === promptId
        return isUp ? nothing : happens({ type: 'put-up', roomId, promptId })
      },
      'take-down': state => (state.putUp ? happens({ type: 'taken-down' }) : nothing),
    },
    evolve: {
      'put-up': (_state, { roomId, promptId }) => ({ putUp: { roomId, promptId } }),
      'taken-down': () => ({ putUp: null }),
    },
    views: {
      facilitator: state => ({ putUp: putUpNow(state) }),
      projector: state => ({ putUp: putUpNow(state) }),
    },
    words: {
      'nothing-to-put-up': () =>
        'There is nothing here to put up: no room works on it, or it is not open to the room yet.',
    },
  },
)

/** What is up, in words: whose, and what it asks; null when nothing is, or it is there no more. */
export type PutUpShown = PutUp & { whose: string; asks: string }

export function putUpNow(state: Read): PutUpShown | null {
  if (!state.putUp || state.phase !== 'open') return null
  const [first] = roomsWith(state, state.putUp)
  if (!first) return null
  const { roomId, promptId } = state.putUp
  const asked = first.board.prompts.find(({ id }) => id === promptId)
  return {
    roomId,
    promptId,
    whose: roomId === null ? 'All rooms' : first.room.name,
    asks: asked?.text ?? first.board.title,
  }
}

/** The rooms whose work it is, with the prompts that are put up, as far as the rooms themselves see them. */
export function roomsWith(
  state: Omit<Read, 'putUp'>,
  { roomId, promptId }: PutUp,
): { room: Room; board: Board }[] {
  if (roomId === null && promptId === null) return []
  const one = roomId === null ? null : roomOf(state, roomId)
  const rooms = roomId === null ? openRooms(state.rooms) : one ? [one] : []
  return rooms.flatMap(room => {
    const board = readBoardIn(state, room)
    const prompts = board.prompts.filter(({ id }) => promptId === null || id === promptId)
    return prompts.length === 0 ? [] : [{ room, board: { ...board, prompts } }]
  })
}
