import type { Participant } from '../door/people'
import { remember, rememberBoth } from '../remember'
import type { RoomsState } from '../rooms/room'
import { roomIn } from '../rooms/whereabouts'
import type { Message } from './message'

/**
 * What somebody reads: what is for everybody, for the room they are in, and for them alone; the same objects as in the state, in
 * order.
 */
export function messagesFor(state: { messages: Message[] } & RoomsState, me: Participant): Message[] {
  if (!me.admitted || me.released) return NONE
  const room = roomIn(state, me)
  const shared = room ? heardIn(state.messages, room) : toAll(state.messages)
  const own = toOne(state.messages).get(me.id)
  return own ? merged(shared, own) : shared
}

const NONE: Message[] = []

/** Of all messages what is for everybody. */
export const toAll = remember((all: Message[]) =>
  all.filter(({ roomIds, toId }) => roomIds === null && toId === null),
)

/** Made once for all in a room. */
const heardIn = rememberBoth((all: Message[], { id }: { id: string }) =>
  all.filter(({ roomIds, toId }) => toId === null && (roomIds?.includes(id) ?? true)),
)

/** What is for one person alone, by whose it is. */
const toOne = remember((all: Message[]) => {
  const own = new Map<string, Message[]>()
  for (const message of all)
    if (message.toId !== null) own.set(message.toId, [...(own.get(message.toId) ?? []), message])
  return own
})

const merged = rememberBoth((shared: Message[], own: Message[]) =>
  [...shared, ...own].sort((one, other) => one.at - other.at),
)
