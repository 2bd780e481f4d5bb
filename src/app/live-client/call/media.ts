import type { CallMember, CallSignal, IceServer } from '~/contracts/call-told'
import type { Given } from '~/core/live/call/ways'

/** The pictures somebody sends. */
export interface Pictures {
  camera: MediaStream | null
  screen: MediaStream | null
}

/** What a way of calling is told with, and tells by. */
export interface CallPorts {
  /** By which the others know this connection. */
  you: string
  iceServers: IceServer[]
  /** Says something to the browser of one of the others. */
  signal(to: string, signal: CallSignal): void
  /** The pictures of somebody, also one's own, as they come and go. */
  pictures(memberId: string, pictures: Pictures): void
  /** Whether one's own voice is heard. */
  speaking(speaking: boolean): void
  /** Something was switched off from outside, as when the browser's own button ends the showing of a screen. */
  stopped(what: keyof Given): void
}

/** How sound and pictures go to the others and come from them. Which way it is, no page need know. */
export interface CallMedia {
  /** Gives what is wanted, and no more. Rejects with a `CallFault` when the device gives it not; then what was given before goes on. */
  give(wanted: Given): Promise<void>
  /** Who else is in the call. */
  with(others: readonly CallMember[]): void
  hear(from: string, signal: CallSignal): void
  close(): void
}

/** Why a device gives nothing, in words. */
export class CallFault extends Error {}
