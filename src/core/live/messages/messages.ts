import { z } from 'zod'
import type { DoorProblem } from '../door/door-facts'
import { type Participant, type PeopleState, peopleIn } from '../door/people'
import { closing, type HelpEvent, type HelpState, openHelp } from '../help/help'
import { idSchema } from '../ids'
import { remember, rememberBoth } from '../remember'
import { type PlannedRoom, type RoomsState, roomOf } from '../rooms/room'
import { type RoomsProblem, roomIn } from '../rooms/rooms'
import type { RoundState } from '../rounds/round'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { LONGEST_MESSAGE, type Message } from './message'

export interface MessagesState {
  messages: Message[]
  /** Message ids each participant has put away. */
  putAway: Readonly<Record<string, string[]>>
}

export type MessagesProblem = { code: 'no-such-message' } | TextProblem

const events = {
  broadcast: { messageId: idSchema, text: z.string(), from: z.string() },
  note: { messageId: idSchema, roomId: idSchema, text: z.string(), from: z.string() },
  'put-away': { participantId: idSchema, messageId: idSchema },
}
export type MessagesEvent = EventsOf<typeof events>

/** What facilitators say: broadcasts to every board, notes to one room. */
export const messages = topic<{
  state: MessagesState
  needs: PeopleState & RoomsState & HelpState & RoundState
  hears: HelpEvent
  problem: MessagesProblem
  borrows: DoorProblem | RoomsProblem
  mark: 'broadcast' | 'note'
}>()(
  {
    initial: { messages: [], putAway: {} },
    commands: {
      broadcast: { by: ['facilitator'], asks: { text: textSchema }, fills: { messageId: 'fresh-id' } },
      /** `helpId`: the help call the note answers. */
      note: {
        by: ['facilitator'],
        asks: { roomId: idSchema, text: textSchema, helpId: idSchema.nullable() },
        fills: { messageId: 'fresh-id' },
      },
      'put-away': { by: ['participant'], asks: { messageId: idSchema } },
    },
    events,
  },
  {
    decide: {
      broadcast(state, { messageId, text }, { name }) {
        const problem = textProblem(text, LONGEST_MESSAGE)
        if (problem) return refuse(problem)
        if (state.messages.some(message => message.id === messageId)) return nothing
        return happens({ type: 'broadcast', messageId, text: text.trim(), from: name })
      },
      note(state, { messageId, roomId, text, helpId }, { name }) {
        if (!roomOf(state, roomId)) return refuse({ code: 'no-such-room' })
        const problem = textProblem(text, LONGEST_MESSAGE)
        if (problem) return refuse(problem)
        const answers = helpId !== null && openHelp(state, roomId)?.id === helpId
        return happens(
          { type: 'note', messageId, roomId, text: text.trim(), from: name },
          ...(answers ? closing(state, roomId, 'note') : []),
        )
      },
      'put-away'(state, { messageId }, { participantId }) {
        if (!state.participants.get(participantId)) return refuse({ code: 'no-such-participant' })
        if (!state.messages.some(message => message.id === messageId))
          return refuse({ code: 'no-such-message' })
        if (state.putAway[participantId]?.includes(messageId)) return nothing
        return happens({ type: 'put-away', participantId, messageId })
      },
    },
    evolve: {
      broadcast: (state, { messageId: id, text, from }, at) => ({
        messages: [...state.messages, { id, kind: 'broadcast', roomId: null, text, from, at }],
      }),
      note: (state, { messageId: id, roomId, text, from }, at) => ({
        messages: [...state.messages, { id, kind: 'note', roomId, text, from, at }],
      }),
      'put-away': (state, { participantId, messageId }) => ({
        putAway: {
          ...state.putAway,
          [participantId]: [...(state.putAway[participantId] ?? []), messageId],
        },
      }),
    },
    views: {
      facilitator: state => ({ messages: state.messages }),
      /** Broadcasts, and notes to the room one is in: the same objects as in the state, in order. */
      participant: (state, me) => ({
        messages: me.admitted && !me.released ? messagesFor(state, me) : NONE,
        putAway: state.putAway[me.id] ?? NO_IDS,
      }),
      projector: state => {
        const last = broadcasts(state.messages).at(-1)
        return { broadcast: last && state.round && last.at >= state.round.startedAt ? wordsOf(last) : null }
      },
    },
    marks: {
      broadcast: (before, { text }) =>
        before.rooms
          .filter(room => peopleIn(before, room.id).length > 0)
          .map(room => ({ roomId: room.id, kind: 'broadcast', what: text })),
      note: (_before, { roomId, text }) => [{ roomId, kind: 'note', what: text }],
    },
    words: {
      'no-such-message': () => 'This message is no longer there.',
      'text-empty': () => 'Write something first.',
      'text-too-long': ({ most }) => `Use at most ${most} characters.`,
    },
  },
)

const NONE: Message[] = []
const NO_IDS: string[] = []

const broadcasts = remember((all: Message[]) => all.filter(message => message.kind === 'broadcast'))
const heardIn = rememberBoth((all: Message[], room: PlannedRoom) =>
  all.filter(message => message.kind === 'broadcast' || message.roomId === room.id),
)
const wordsOf = remember(({ text, at }: Message) => ({ text, at }))

function messagesFor(state: MessagesState & RoomsState, me: Participant): Message[] {
  const room = roomIn(state, me)
  return room ? heardIn(state.messages, room) : broadcasts(state.messages)
}
