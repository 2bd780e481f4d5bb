import type { Board } from '../boards/board'

/** A room as the session was opened with it. `copyId` names the board copy its group works on. */
export interface PlannedRoom {
  id: string
  name: string
  copyId: string
}

/** Somebody expected in the session, with the room the grouping gives them. */
export interface ExpectedPerson {
  personId: string
  shownName: string
  roomId: string | null
}

/** What a session is opened with: taken from the plan at that moment and not changed by later edits of the plan. */
export interface OpeningPlan {
  title: string
  rooms: PlannedRoom[]
  people: ExpectedPerson[]
  board: Board
  roomSeconds: number
  graceSeconds: number
  waitingList: boolean
}

/** What can happen in a session. The log of these is the only record of it; everything shown is a fold of it. */
export type LiveEvent =
  | { type: 'opened'; plan: OpeningPlan }
  | { type: 'joined'; participantId: string; personId: string | null; shownName: string; admitted: boolean }
  | { type: 'admitted'; participantIds: string[] }
  | { type: 'connected'; participantId: string }
  | { type: 'disconnected'; participantId: string }
  | { type: 'released'; participantId: string }
  | { type: 'sent-out'; number: number; endsAt: number; participantIds: string[] }
  | { type: 'placed'; participantId: string; roomId: string | null; intoRoom: boolean }
  | { type: 'time-added'; seconds: number; endsAt: number }
  | { type: 'warned'; secondsLeft: number }
  | { type: 'called-back'; graceEndsAt: number }
  | { type: 'round-ended' }
  | { type: 'broadcast'; messageId: string; text: string; from: string }
  | { type: 'note'; messageId: string; roomId: string; text: string; from: string }
  | { type: 'put-away'; participantId: string; messageId: string }
  | { type: 'help-called'; helpId: string; roomId: string; participantId: string }
  | { type: 'help-closed'; helpId: string; how: 'visit' | 'note' | 'withdrawn' | 'round-ended' }
  | { type: 'visit-started'; accountId: string; name: string; roomId: string }
  | { type: 'visit-ended'; accountId: string; roomId: string }
  | { type: 'room-renamed'; roomId: string; name: string }
  | { type: 'waiting-list-set'; on: boolean }
  | { type: 'ended' }

/** An event in its place in the log. `seq` counts from 1 without gaps; `at` is milliseconds since 1970. */
export interface Recorded {
  seq: number
  at: number
  event: LiveEvent
}
