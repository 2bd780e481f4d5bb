/** What a browser is told of a live session. What it may ask for is said by the topics: `core/live/topics.ts`. */

import type { Pace } from '~/core/rehearsal/pace'
import type { CallPersonNow } from './call-told'
import type { Doing } from './doing'

/** How far a room's work has come: what the lanes show beside who is there. */
export interface RoomWorkNow {
  pulse: { at: number; edits: number }[]
  latest: { text: string; who: string; at: number } | null
  answeredPrompts: number
  /** Of each prompt with answers how many pieces stand there, what was written last, and when; by prompt. Without it there is none. */
  prompts?: Record<string, { pieces: number; latest: string; at: number }>
  /** Of those who are in the room how much each has changed, and where and when last, by participant. Without it nobody has. */
  people?: Record<string, { edits: number; promptId: string; at: number }>
  /** What is written under prompts that are hidden from the others until they are opened, by prompt; without it there is none. */
  alone?: Record<string, { cards: number; people: number }>
  /** From how many something came that was written without a line, too late for the board; without it from nobody. */
  late?: number
}

/**
 * What the event stream sends. Sections replace those the reader holds, what is added goes to the end of a list; the
 * stream's event id is the place in the log.
 */
export type StreamMessage =
  /** The server's time; with a pace, that of the session goes by it. */
  | { kind: 'hello'; now: number; pace?: Pace }
  | { kind: 'view'; sections: Record<string, unknown> }
  | { kind: 'change'; sections: Record<string, unknown>; added: Record<string, unknown> }
  | { kind: 'work'; rooms: Record<string, RoomWorkNow> }
  /** Who is in the calls of rooms, and how long they have spoken. */
  | { kind: 'call'; rooms: Record<string, CallPersonNow[]> }
  /** What each facilitator is at, by account. */
  | { kind: 'doing'; doing: Record<string, Doing> }
  /** What is put up on every page, as it stands now: a `PutUpOnPage`; `of` tells it from what was up before (`putUpKey`). */
  | { kind: 'put-up'; of: string; now: unknown }

/** What the board socket says beside the document itself. */
export interface BoardNotice {
  /** Everything up to these clocks (by writer) is on disk. */
  stored: Record<string, number>
  /** Who first wrote which pieces, by `prompt/entry`, beside those told before. The server's word, never a writer's. */
  authors?: Record<string, string>
  /** Whether nothing more can be added. */
  full?: boolean
  /** The number whoever hears this writes under, if they have none of their own yet. */
  writer?: number
}
