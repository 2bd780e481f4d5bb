import type { OpeningPlan } from './events'

/**
 * Who asks. The clock is the server itself doing what fell due; the door is the server on behalf of somebody who
 * joins, connects or drops, before or beside any command of theirs.
 */
export type Actor =
  | { kind: 'facilitator'; accountId: string; name: string }
  | { kind: 'participant'; participantId: string }
  | { kind: 'door' }
  | { kind: 'clock' }

/** What a facilitator may ask for while a session runs. */
export type FacilitatorCommand =
  | { type: 'open'; plan: OpeningPlan }
  | { type: 'let-in'; participantIds: string[] }
  | { type: 'send-out'; seconds: number }
  | { type: 'place'; participantId: string; roomId: string | null }
  | { type: 'add-time'; seconds: number }
  | { type: 'broadcast'; messageId: string; text: string }
  | { type: 'note'; messageId: string; roomId: string; text: string; helpId: string | null }
  | { type: 'visit'; roomId: string }
  | { type: 'leave-room' }
  | { type: 'rename-room'; roomId: string; name: string }
  | { type: 'set-waiting-list'; on: boolean }
  | { type: 'release'; participantId: string }
  | { type: 'call-back' }
  | { type: 'go-on' }
  | { type: 'settle-doubt'; doubtId: string; free: boolean }
  | { type: 'end' }

/** What a participant may ask for. Whom it is about is the actor, never a field they could fill in. */
export type ParticipantCommand =
  | { type: 'call-help'; helpId: string }
  | { type: 'withdraw-help' }
  | { type: 'put-away'; messageId: string }
  /** `wrote`: whether this place has written anything, which the server knows and no browser says. */
  | { type: 'not-me'; doubtId: string; wrote: boolean }

export type DoorCommand =
  | { type: 'join'; participantId: string; personId: string | null; shownName: string }
  | { type: 'connect'; participantId: string }
  | { type: 'disconnect'; participantId: string }
  /** Somebody at the door says that this name is theirs, and taken. */
  | { type: 'claim-name'; participantId: string; doubtId: string }

export type ClockCommand =
  | { type: 'warn'; secondsLeft: number }
  | { type: 'call-back' }
  | { type: 'finish-grace' }

export type Command = FacilitatorCommand | ParticipantCommand | DoorCommand | ClockCommand

/** Why a command is refused, with the facts needed to explain it. */
export type LiveProblem =
  | { code: 'not-allowed' }
  | { code: 'not-open' }
  | { code: 'already-open' }
  | { code: 'ended' }
  | { code: 'no-such-room' }
  | { code: 'no-such-participant' }
  | { code: 'no-such-message' }
  | { code: 'name-taken'; shownName: string }
  | { code: 'already-out' }
  | { code: 'not-out' }
  | { code: 'not-called-back' }
  | { code: 'round-over' }
  | { code: 'no-such-doubt' }
  | { code: 'nobody-to-send' }
  | { code: 'waiting'; shownName: string }
  | { code: 'not-in-a-room' }
  | { code: 'text-empty' }
  | { code: 'text-too-long'; most: number }
  | { code: 'bad-length'; least: number; most: number }
  | { code: 'session-full'; most: number }

/** Longest broadcast or note, in characters: it has to be read in the middle of work. */
export const LONGEST_MESSAGE = 500
/** Shortest and longest round, in seconds. */
export const SHORTEST_ROUND = 30
export const LONGEST_ROUND = 4 * 60 * 60
/** Most people in one session. */
export const MOST_PARTICIPANTS = 500
