import { z } from 'zod'
import type { Board } from '../../boards/board'
import type { Participant } from '../door/people'
import type { HiddenTextsState } from '../hidden/opened'
import { idSchema } from '../ids'
import { type PartsState, readBoardIn } from '../parts/parts'
import { remember } from '../remember'
import { openRooms, type Room, type RoomsState, roomOf } from '../rooms/room'
import type { SessionState } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'

/** What everybody is to see on the projector: a room's board (`promptId` null), one prompt of it, or one prompt of all rooms (`roomId` null). */
export interface PutUp {
  roomId: string | null
  promptId: string | null
  /** And on every participant's page. */
  onPages: boolean
}

export interface PutUpState {
  putUp: PutUp | null
}

export type PutUpProblem = { code: 'nothing-to-put-up' }

type Read = PutUpState & HiddenTextsState & PartsState & RoomsState & Pick<SessionState, 'boards' | 'phase'>

const asked = {
  roomId: idSchema.nullable(),
  promptId: idSchema.nullable(),
  /** What earlier versions put up was on the projector alone. */
  onPages: z.boolean().optional(),
}

const events = {
  'put-up': asked,
  'taken-down': {},
}
export type PutUpEvent = EventsOf<typeof events>

/** Work put up on the projector, and if wanted on everybody's page, for all to see, as it is being written, until it is taken down. */
export const putUp = topic<{
  state: PutUpState
  needs: Omit<Read, 'putUp'>
  problem: PutUpProblem
}>()(
  {
    initial: { putUp: null },
    commands: {
      'put-up': { by: ['facilitator'], asks: asked },
      'take-down': { by: ['facilitator'], asks: {} },
    },
    events,
  },
  {
    decide: {
      'put-up'(state, { roomId, promptId, onPages = false }) {
        if (roomsWith(state, { roomId, promptId }).length === 0) return refuse({ code: 'nothing-to-put-up' })
        const before = state.putUp
        const isUp = before?.roomId === roomId && before.promptId === promptId && before.onPages === onPages
        return isUp ? nothing : happens({ type: 'put-up', roomId, promptId, onPages })
      },
      'take-down': state => (state.putUp ? happens({ type: 'taken-down' }) : nothing),
    },
    evolve: {
      'put-up': (_state, { roomId, promptId, onPages = false }) => ({ putUp: { roomId, promptId, onPages } }),
      'taken-down': () => ({ putUp: null }),
    },
    views: {
      facilitator: state => ({ putUp: putUpNow(state) }),
      projector: state => ({ putUp: putUpNow(state) }),
      participant: (state, me) => ({ putUp: seesPutUp(state, me) ? putUpNow(state) : null }),
    },
    words: {
      'nothing-to-put-up': () =>
        'There is nothing here to put up: no room works on it, or it is not open to the room yet.',
    },
  },
)

/** What is up, in words: whose, and what it asks; null when nothing is, or it is there no more. */
export type PutUpShown = PutUp & { whose: string; asks: string }

export const putUpNow = remember((state: Read): PutUpShown | null => {
  if (!state.putUp || state.phase !== 'open') return null
  const [first] = roomsWith(state, state.putUp)
  if (!first) return null
  const { roomId, promptId, onPages } = state.putUp
  const asked = first.board.prompts.find(({ id }) => id === promptId)
  return {
    roomId,
    promptId,
    onPages,
    whose: roomId === null ? 'All rooms' : first.room.name,
    asks: asked?.text ?? first.board.title,
  }
})

/** Whether what is up is for this participant's page too: not for who still waits at the door. */
export const seesPutUp = (state: PutUpState, me: Pick<Participant, 'admitted' | 'released'>): boolean =>
  state.putUp?.onPages === true && me.admitted && !me.released

/** The rooms whose work it is, with the prompts that are put up, as far as the rooms themselves see them. */
export function roomsWith(
  state: Omit<Read, 'putUp'>,
  { roomId, promptId }: Pick<PutUp, 'roomId' | 'promptId'>,
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
