import { isEqual, omit } from 'lodash-es'
import { z } from 'zod'
import { idSchema } from '../ids'
import { type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import type { SessionEvent } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { ROOM_RIGHTS, type RoomRightsState } from './may-in'
import { RIGHT_WORDS } from './right-words'

const right = z.enum(ROOM_RIGHTS)

const events = {
  'pictures-allowed': { may: z.boolean() },
  /** Null: as in the others. */
  'room-right-set': { roomId: idSchema, right, may: z.boolean().nullable() },
}
export type RoomRightsEvent = EventsOf<typeof events>

/** What people may do by themselves in one room otherwise than in all; and whether they add pictures of their own. */
export const roomRights = topic<{
  state: RoomRightsState
  needs: RoomsState
  hears: SessionEvent
  problem: never
  borrows: RoomsProblem
  mark: 'rights'
}>()(
  {
    initial: { mayAddPictures: true, rightsIn: {} },
    commands: {
      'allow-pictures': { by: ['facilitator'], asks: { may: z.boolean() } },
      'set-room-right': {
        by: ['facilitator'],
        asks: { roomId: idSchema, right, may: z.boolean().nullable() },
      },
    },
    events,
  },
  {
    decide: {
      'allow-pictures': ({ mayAddPictures }, { may }) =>
        mayAddPictures === may ? nothing : happens({ type: 'pictures-allowed', may }),
      'set-room-right'(state, { type: _, ...said }) {
        if (!roomOf(state, said.roomId)) return refuse({ code: 'no-such-room' })
        const now = state.rightsIn[said.roomId]?.[said.right] ?? null
        return now === said.may ? nothing : happens({ type: 'room-right-set', ...said })
      },
    },
    evolve: {
      opened: (_state, { plan: { mayAddPictures = true } }) => (mayAddPictures ? {} : { mayAddPictures }),
      'pictures-allowed': (_state, { may }) => ({ mayAddPictures: may }),
      'room-right-set': ({ rightsIn }, { roomId, right: which, may }) => {
        const others = omit(rightsIn[roomId] ?? {}, which)
        const now = may === null ? others : { ...others, [which]: may }
        return { rightsIn: isEqual(now, {}) ? omit(rightsIn, roomId) : { ...rightsIn, [roomId]: now } }
      },
    },
    views: {
      facilitator: ({ mayAddPictures, rightsIn }) => ({ mayAddPictures, rightsIn }),
    },
    marks: {
      'room-right-set': (_before, { roomId, right: which, may }) => {
        const { of, may: yes, mayNot } = RIGHT_WORDS[which]
        const said = may === null ? 'as in all rooms' : may ? yes : mayNot
        return [{ roomId, kind: 'rights', what: `${of.toLowerCase()}: ${said}` }]
      },
    },
    words: {},
  },
)
