/** What crosses the border of a live session: commands from browsers, and what they are told. */
import { z } from 'zod'

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
  z.object({ type: z.literal('go-on') }),
  z.object({ type: z.literal('settle-doubt'), doubtId: id, free: z.boolean() }),
  z.object({ type: z.literal('end') }),
])

export const participantRequest = z.discriminatedUnion('type', [
  z.object({ type: z.literal('call-help') }),
  z.object({ type: z.literal('withdraw-help') }),
  z.object({ type: z.literal('put-away'), messageId: id }),
  z.object({ type: z.literal('not-me') }),
])

export type FacilitatorRequest = z.infer<typeof facilitatorRequest>
export type ParticipantRequest = z.infer<typeof participantRequest>

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
  /** Whether nothing more can be added. */
  full?: boolean
}
