/**
 * What can happen in a session. The log of these is the only record of it; everything shown is a fold of it. The
 * schemas stand here and the types follow from them, so that there is no event without one.
 */
import { z } from 'zod'
import { PROMPT_KINDS } from '../boards/board'

const id = z.string().min(1).max(40)
/** Milliseconds since 1970. */
const moment = z.number()

const boardSchema = z.object({
  title: z.string(),
  steps: z.array(z.string()),
  prompts: z.array(z.object({ id, kind: z.enum(PROMPT_KINDS), text: z.string() })),
})

/** A room as the session was opened with it. `copyId` names the board copy its group works on. */
const plannedRoom = z.object({ id, name: z.string(), copyId: id })
/** Somebody expected in the session, with the room the grouping gives them. */
const expectedPerson = z.object({ personId: id, shownName: z.string(), roomId: id.nullable() })

/** What a session is opened with: taken from the plan at that moment and not changed by later edits of the plan. */
const openingPlan = z.object({
  title: z.string(),
  rooms: z.array(plannedRoom),
  people: z.array(expectedPerson),
  board: boardSchema,
  roomSeconds: z.number(),
  graceSeconds: z.number(),
  waitingList: z.boolean(),
  /** Which version of the grouping the rooms were made from; null when that was not written down. */
  groupingVersion: z.number().nullable(),
})

export const liveEventSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('opened'), plan: openingPlan }),
  z.object({
    type: z.literal('joined'),
    participantId: id,
    personId: id.nullable(),
    shownName: z.string(),
    admitted: z.boolean(),
  }),
  z.object({ type: z.literal('admitted'), participantIds: z.array(id) }),
  z.object({ type: z.literal('connected'), participantId: id }),
  z.object({ type: z.literal('disconnected'), participantId: id }),
  z.object({ type: z.literal('released'), participantId: id }),
  /** Somebody says that a name is theirs, at the door, or not theirs, on the page that goes by it. */
  z.object({
    type: z.literal('name-doubted'),
    doubtId: id,
    participantId: id,
    how: z.enum(['not-me', 'mine-is-taken']),
  }),
  z.object({ type: z.literal('doubt-settled'), doubtId: id }),
  z.object({ type: z.literal('sent-out'), number: z.number(), endsAt: moment, participantIds: z.array(id) }),
  z.object({ type: z.literal('placed'), participantId: id, roomId: id.nullable(), intoRoom: z.boolean() }),
  z.object({ type: z.literal('time-added'), seconds: z.number(), endsAt: moment }),
  z.object({ type: z.literal('warned'), secondsLeft: z.number() }),
  z.object({ type: z.literal('called-back'), graceEndsAt: moment }),
  /** The call back was a mistake: the round goes on as it was, to the end it had. */
  z.object({ type: z.literal('gone-on'), endsAt: moment }),
  z.object({ type: z.literal('round-ended') }),
  z.object({ type: z.literal('broadcast'), messageId: id, text: z.string(), from: z.string() }),
  z.object({ type: z.literal('note'), messageId: id, roomId: id, text: z.string(), from: z.string() }),
  z.object({ type: z.literal('put-away'), participantId: id, messageId: id }),
  z.object({ type: z.literal('help-called'), helpId: id, roomId: id, participantId: id }),
  z.object({
    type: z.literal('help-closed'),
    helpId: id,
    how: z.enum(['visit', 'note', 'withdrawn', 'round-ended']),
  }),
  z.object({ type: z.literal('visit-started'), accountId: id, name: z.string(), roomId: id }),
  z.object({ type: z.literal('visit-ended'), accountId: id, roomId: id }),
  z.object({ type: z.literal('room-renamed'), roomId: id, name: z.string() }),
  z.object({ type: z.literal('waiting-list-set'), on: z.boolean() }),
  z.object({ type: z.literal('ended') }),
])

export type PlannedRoom = z.infer<typeof plannedRoom>
export type ExpectedPerson = z.infer<typeof expectedPerson>
export type OpeningPlan = z.infer<typeof openingPlan>
export type LiveEvent = z.infer<typeof liveEventSchema>

/** An event in its place in the log. `seq` counts from 1 without gaps; `at` is milliseconds since 1970. */
export interface Recorded {
  seq: number
  at: number
  event: LiveEvent
}
