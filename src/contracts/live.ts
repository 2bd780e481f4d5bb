/** What crosses the border of a live session: commands from browsers, events from and to the database. */
import { z } from 'zod'
import { PROMPT_KINDS } from '~/core/boards/board'
import type { LiveEvent } from '~/core/live/events'

const id = z.string().min(1).max(40)
const text = z.string().max(5000)

/** Commands as a facilitator's browser sends them. Ids of new things are given by the server. */
export const facilitatorRequest = z.discriminatedUnion('type', [
  z.object({ type: z.literal('let-in'), participantIds: z.array(id).min(1).max(500) }),
  z.object({ type: z.literal('send-out'), seconds: z.number() }),
  z.object({ type: z.literal('place'), participantId: id, roomId: id.nullable() }),
  z.object({ type: z.literal('add-time'), seconds: z.number() }),
  z.object({ type: z.literal('broadcast'), text }),
  z.object({ type: z.literal('note'), roomId: id, text, helpId: id.nullable() }),
  z.object({ type: z.literal('visit'), roomId: id }),
  z.object({ type: z.literal('leave-room') }),
  z.object({ type: z.literal('rename-room'), roomId: id, name: text }),
  z.object({ type: z.literal('set-waiting-list'), on: z.boolean() }),
  z.object({ type: z.literal('release'), participantId: id }),
  z.object({ type: z.literal('call-back') }),
  z.object({ type: z.literal('end') }),
])

export const participantRequest = z.discriminatedUnion('type', [
  z.object({ type: z.literal('call-help') }),
  z.object({ type: z.literal('withdraw-help') }),
  z.object({ type: z.literal('put-away'), messageId: id }),
])

export type FacilitatorRequest = z.infer<typeof facilitatorRequest>
export type ParticipantRequest = z.infer<typeof participantRequest>

export const boardSchema = z.object({
  title: z.string(),
  steps: z.array(z.string()),
  prompts: z.array(z.object({ id, kind: z.enum(PROMPT_KINDS), text: z.string() })),
})

const openingPlan = z.object({
  title: z.string(),
  rooms: z.array(z.object({ id, name: z.string(), copyId: id })),
  people: z.array(z.object({ personId: id, shownName: z.string(), roomId: id.nullable() })),
  board: boardSchema,
  roomSeconds: z.number(),
  graceSeconds: z.number(),
  waitingList: z.boolean(),
})

/** Events as they lie in the database. What does not fit is a damaged log, and says so. */
export const liveEventSchema: z.ZodType<LiveEvent> = z.discriminatedUnion('type', [
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
  z.object({
    type: z.literal('sent-out'),
    number: z.number(),
    endsAt: z.number(),
    participantIds: z.array(id),
  }),
  z.object({ type: z.literal('placed'), participantId: id, roomId: id.nullable(), intoRoom: z.boolean() }),
  z.object({ type: z.literal('time-added'), seconds: z.number(), endsAt: z.number() }),
  z.object({ type: z.literal('warned'), secondsLeft: z.number() }),
  z.object({ type: z.literal('called-back'), graceEndsAt: z.number() }),
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

/** How far a room's work has come: what the lanes show beside who is there. */
export interface RoomWorkNow {
  pulse: { at: number; edits: number }[]
  latest: { text: string; who: string; at: number } | null
  answeredPrompts: number
}

/**
 * What the event stream sends. Sections replace those the reader holds, what is added goes to the end of a list; the
 * stream's event id is the place in the log.
 */
export type StreamMessage =
  | { kind: 'hello'; now: number }
  | { kind: 'view'; sections: Record<string, unknown> }
  | { kind: 'change'; sections: Record<string, unknown>; added: Record<string, unknown> }
  | { kind: 'work'; rooms: Record<string, RoomWorkNow> }

/** What the board socket says beside the document itself. */
export interface BoardNotice {
  /** Everything up to these clocks (by writer) is on disk. */
  stored: Record<string, number>
  /** Who first wrote which pieces, by `prompt/entry`, beside those told before. The server's word, never a writer's. */
  authors?: Record<string, string>
}
