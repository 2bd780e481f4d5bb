/** What the door keeps, what can happen at it, and why it refuses. */
import { z } from 'zod'
import { idSchema } from '../ids'
import type { EventsOf } from '../topic'
import type { Doubt, ExpectedPerson, PeopleState } from './people'

export interface DoorState extends PeopleState {
  /** Nobody new comes in. */
  locked: boolean
  waitingList: boolean
  /** The waiting list switched itself on, as clearly more came than are expected. */
  crowded: boolean
  /** It has done so once: what the facilitator does about it stands. */
  wasCrowded: boolean
  expected: ExpectedPerson[]
  /** Doubts about names that nobody has settled yet. */
  doubts: Doubt[]
}

export type DoorProblem =
  | { code: 'no-such-participant' }
  | { code: 'name-taken'; shownName: string }
  | { code: 'no-such-doubt' }
  | { code: 'door-locked' }
  | { code: 'mixed-alphabets' }
  | { code: 'session-full'; most: number }

export const doorEvents = {
  joined: {
    participantId: idSchema,
    personId: idSchema.nullable(),
    shownName: z.string(),
    admitted: z.boolean(),
    /** They have no device of their own; `besideId` names who they sit beside when they are put in from there. */
    withoutDevice: z.object({ besideId: idSchema.nullable() }).optional(),
  },
  admitted: { participantIds: z.array(idSchema) },
  /** `onPhone`: their browser says so. */
  connected: { participantId: idSchema, onPhone: z.literal(true).optional() },
  disconnected: { participantId: idSchema },
  released: { participantId: idSchema },
  /** Taken out by a facilitator. */
  removed: { participantIds: z.array(idSchema) },
  /** Somebody says that a name is theirs, at the door, or not theirs, on the page that goes by it. */
  'name-doubted': { doubtId: idSchema, participantId: idSchema, how: z.enum(['not-me', 'mine-is-taken']) },
  'doubt-settled': { doubtId: idSchema },
  'waiting-list-set': { on: z.boolean() },
  /** The waiting list switched itself on. */
  crowded: {},
  'door-locked': { on: z.boolean() },
}
export type DoorEvent = EventsOf<typeof doorEvents>
