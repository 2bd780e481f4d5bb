/** What the server says over the socket of a call, and to facilitators of all of them. Pages read it: without a schema. */
import type { CallMessage, CallSignal } from './call'

export type { CallMessage, CallSignal }

/** Somebody in the call of a room. */
export interface CallMember {
  /** Of this connection. */
  id: string
  /** Null for a facilitator. */
  participantId: string | null
  name: string
  microphone: boolean
  camera: boolean
  sharing: boolean
  speaking: boolean
}

/** What the server says in a call. `welcome` comes first; `members` says all who are there, whenever that changes. */
export type CallTold =
  | { type: 'welcome'; you: string; iceServers: IceServer[] }
  | { type: 'members'; members: CallMember[] }
  | { type: 'signal'; from: string; signal: CallSignal }

/** A server that helps browsers find each other, as `RTCIceServer` of WebRTC. */
export interface IceServer {
  urls: string[]
  username?: string
  credential?: string
}

/** Why the socket of a call is closed for good, by its code. */
export const CALL_CLOSED = {
  /** It is no call of theirs, or no longer. */
  notYours: 4403,
  /** They came in on another page. */
  elsewhere: 4409,
  full: 4429,
} as const

/** Somebody of a room's call as facilitators read it: how long they have spoken in this round, in milliseconds. */
export interface CallPersonNow {
  participantId: string
  here: boolean
  microphone: boolean
  camera: boolean
  sharing: boolean
  spokeMs: number
}
