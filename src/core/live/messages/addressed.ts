import type { Participant } from '../door/people'
import { remember, rememberBoth } from '../remember'
import type { RoomsState } from '../rooms/room'
import { roomIn } from '../rooms/rooms'
import type { Message } from './message'

/** What somebody reads: what is for everybody, and what is for the room they are in; the same objects as in the state, in order. */
export function messagesFor(state: { messages: Message[] } & RoomsState, me: Participant): Message[] {
  if (!me.admitted || me.released) return NONE
  const room = roomIn(state, me)
  return room ? heardIn(state.messages, room) : toAll(state.messages)
}

const NONE: Message[] = []

/** Made once for all in a room. */
const heardIn = rememberBoth((all: Message[], { id }: { id: string }) =>
  all.filter(({ roomIds }) => roomIds?.includes(id) ?? true),
)

/** Of all messages what is for everybody. */
export const toAll = remember((all: Message[]) => all.filter(({ roomIds }) => roomIds === null))
