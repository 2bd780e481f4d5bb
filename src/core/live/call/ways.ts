/**
 * How the rooms of a session talk aloud: by links of whatever call service, one a room; from browser to browser; or simulated, for
 * trying everything out without a microphone.
 */
export const CALL_WAYS = ['links', 'direct', 'simulated'] as const
export type CallWay = (typeof CALL_WAYS)[number]

/** Participants in the call of one room: from browser to browser each sends to all others. */
export const MOST_IN_CALL = { direct: 6, simulated: 30 } as const

/** What somebody gives to a call: nothing until they switch it on. */
export interface Given {
  microphone: boolean
  camera: boolean
  /** Their screen is shown to the others. */
  sharing: boolean
}

export const NOTHING_GIVEN: Given = { microphone: false, camera: false, sharing: false }

/** The call of one's room. */
export interface CallHere {
  roomId: string
  way: 'direct' | 'simulated'
  /** The facilitator has switched all microphones of the room off. */
  silent: boolean
}

export interface CallState {
  callWay: CallWay
  /** Rooms whose microphones were switched off, until they may be switched on again or the round ends. */
  callSilent: readonly string[]
}

/** The call of a room now; null where people use links. */
export const callOf = ({ callWay, callSilent }: CallState, roomId: string): CallHere | null =>
  callWay === 'links' ? null : { roomId, way: callWay, silent: callSilent.includes(roomId) }
