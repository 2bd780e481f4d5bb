import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem } from '../door/door-facts'
import { type PeopleState, peopleIn, roomIdOf } from '../door/people'
import { closing, type HelpEvent, type HelpState, openHelp } from '../help/help'
import { idSchema, momentSchema } from '../ids'
import { type GivenThing, givenThing } from '../material/given'
import { type PartsProblem, type PartsState, roomsNotDone } from '../parts/parts'
import { remember } from '../remember'
import { MOST_ROOMS, openRooms, type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import type { RoundState } from '../rounds/round'
import type { SessionState } from '../session/session'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type Decision, type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { messagesFor, toAll } from './addressed'
import {
  LONGEST_MESSAGE,
  LONGEST_WAIT,
  type Message,
  type MessagesState,
  MOST_SCHEDULED,
  type ScheduledMessage,
} from './message'
import { isSaidTwice } from './said-twice'

export type MessagesProblem =
  | { code: 'no-such-message' }
  | { code: 'all-done' }
  | { code: 'no-device' }
  | { code: 'too-many-scheduled' }
  | TextProblem

/** Null for everybody. */
const toRooms = z.array(idSchema).min(1).max(MOST_ROOMS).nullable()
const webAddress = z.url({ protocol: /^https?$/ }).max(2_000)

/** What is said; earlier versions said only a text, and that to everybody. */
const said = {
  messageId: idSchema,
  text: z.string(),
  from: z.string(),
  roomIds: toRooms.optional(),
  thing: givenThing.optional(),
}

const events = {
  broadcast: said,
  note: { messageId: idSchema, roomId: idSchema, text: z.string(), from: z.string() },
  'note-to-person': { messageId: idSchema, participantId: idSchema, text: z.string(), from: z.string() },
  'put-away': { participantId: idSchema, messageId: idSchema },
  'broadcast-scheduled': { ...said, sayAt: momentSchema, notDone: idSchema.optional() },
  'scheduled-dropped': { messageId: idSchema },
}
export type MessagesEvent = EventsOf<typeof events>

/** To whom and when; without anything to everybody and now. */
const asked = {
  text: textSchema,
  roomIds: toRooms.optional(),
  /** Only to rooms that have not done this part; when it waits, not by then. */
  notDone: idSchema.optional(),
  /** Said after so many minutes. */
  minutes: z.number().int().min(1).max(LONGEST_WAIT).optional(),
}

type Read = MessagesState & PeopleState & RoomsState & PartsState & Pick<SessionState, 'boards' | 'phase'>

/** What facilitators say: broadcasts to everybody or some rooms, now or later, and notes to one room. */
export const messages = topic<{
  state: MessagesState
  needs: Omit<Read, keyof MessagesState> & HelpState & RoundState
  hears: HelpEvent
  problem: MessagesProblem
  borrows: DoorProblem | RoomsProblem | PartsProblem
  mark: 'broadcast' | 'note'
}>()(
  {
    initial: { messages: [], scheduled: [], putAway: {} },
    commands: {
      broadcast: {
        by: ['facilitator'],
        asks: { ...asked, link: webAddress.optional() },
        fills: { messageId: 'fresh-id' },
      },
      /** With something of the library: what it is is the server's to say, and no browser sends it. */
      'broadcast-material': {
        by: ['facilitator'],
        inside: true,
        asks: { ...asked, thing: givenThing },
        fills: { messageId: 'fresh-id' },
      },
      'drop-scheduled': { by: ['facilitator'], asks: { messageId: idSchema } },
      'say-scheduled': { by: ['clock'], asks: { messageId: idSchema } },
      /** `helpId`: the help call the note answers. */
      note: {
        by: ['facilitator'],
        asks: { roomId: idSchema, text: textSchema, helpId: idSchema.nullable() },
        fills: { messageId: 'fresh-id' },
      },
      /** For one person, wherever they are; nobody else is sent it. */
      'note-to-person': {
        by: ['facilitator'],
        asks: { participantId: idSchema, text: textSchema },
        fills: { messageId: 'fresh-id' },
      },
      'put-away': { by: ['participant'], asks: { messageId: idSchema } },
    },
    events,
  },
  {
    decide: {
      broadcast: (state, { link, ...command }, { name }, now) =>
        saying(state, { ...command, ...(link !== undefined && { thing: linkTo(link) }) }, name, now),
      'broadcast-material': (state, command, { name }, now) => saying(state, command, name, now),
      'drop-scheduled'(state, { messageId }) {
        return state.scheduled.some(({ id }) => id === messageId)
          ? happens({ type: 'scheduled-dropped', messageId })
          : refuse({ code: 'no-such-message' })
      },
      'say-scheduled'(state, { messageId }) {
        const waiting = state.scheduled.find(({ id }) => id === messageId)
        if (!waiting) return nothing
        const { text, from, thing } = waiting
        const roomIds = stillFor(state, waiting)
        // Rooms that are all done by now, or gone, need not be told.
        if (roomIds?.length === 0) return happens({ type: 'scheduled-dropped', messageId })
        return happens({ type: 'broadcast', messageId, text, from, ...beside(roomIds, thing) })
      },
      note(state, { messageId, roomId, text, helpId }, { name }, now) {
        if (!roomOf(state, roomId)) return refuse({ code: 'no-such-room' })
        const problem = textProblem(text, LONGEST_MESSAGE)
        if (problem) return refuse(problem)
        const answers = helpId !== null && openHelp(state, roomId)?.id === helpId
        const said = { kind: 'note', text: text.trim(), roomIds: [roomId], toId: null, thing: null } as const
        const twice = isSaidTwice(state.messages, said, now)
        return happens(
          ...(twice ? [] : [{ type: 'note' as const, messageId, roomId, text: said.text, from: name }]),
          ...(answers ? closing(state, roomId, 'note') : []),
        )
      },
      'note-to-person'(state, { messageId, participantId, text }, { name }, now) {
        const person = presentOf(state, participantId)
        if (!person) return refuse({ code: 'no-such-participant' })
        if (!person.hasDevice) return refuse({ code: 'no-device' })
        const problem = textProblem(text, LONGEST_MESSAGE)
        if (problem) return refuse(problem)
        if (state.messages.some(({ id }) => id === messageId)) return nothing
        const said = {
          kind: 'note',
          text: text.trim(),
          roomIds: null,
          toId: participantId,
          thing: null,
        } as const
        if (isSaidTwice(state.messages, said, now)) return nothing
        return happens({ type: 'note-to-person', messageId, participantId, text: text.trim(), from: name })
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
      broadcast: (state, { messageId: id, text, from, roomIds = null, thing = null }, at) => ({
        messages: [...state.messages, { id, kind: 'broadcast', roomIds, toId: null, text, thing, from, at }],
        scheduled: without(state.scheduled, id),
      }),
      note: (state, { messageId: id, roomId, text, from }, at) => ({
        messages: [
          ...state.messages,
          { id, kind: 'note', roomIds: [roomId], toId: null, text, thing: null, from, at },
        ],
      }),
      'note-to-person': (state, { messageId: id, participantId: toId, text, from }, at) => ({
        messages: [...state.messages, { id, kind: 'note', roomIds: null, toId, text, thing: null, from, at }],
      }),
      'put-away': (state, { participantId, messageId }) => ({
        putAway: {
          ...state.putAway,
          [participantId]: [...(state.putAway[participantId] ?? []), messageId],
        },
      }),
      'broadcast-scheduled': (
        { scheduled },
        { messageId: id, text, from, roomIds = null, thing = null, notDone = null, sayAt: at },
      ) => ({
        scheduled: [...scheduled, { id, text, from, roomIds, thing, notDone, at }].sort(
          (one, other) => one.at - other.at,
        ),
      }),
      'scheduled-dropped': ({ scheduled }, { messageId }) => ({ scheduled: without(scheduled, messageId) }),
    },
    due: ({ phase, scheduled: [next] }) =>
      phase === 'open' && next
        ? [{ at: next.at, command: { type: 'say-scheduled', messageId: next.id } }]
        : [],
    views: {
      facilitator: state => ({ messages: state.messages, scheduled: state.scheduled }),
      participant: (state, me) => ({
        messages: messagesFor(state, me),
        putAway: state.putAway[me.id] ?? NO_IDS,
      }),
      projector: state => {
        const last = toAll(state.messages).at(-1)
        return { broadcast: last && state.round && last.at >= state.round.startedAt ? wordsOf(last) : null }
      },
    },
    marks: {
      broadcast: (before, { text, roomIds }) =>
        before.rooms
          .filter(({ id }) => peopleIn(before, id).length > 0 && (roomIds?.includes(id) ?? true))
          .map(room => ({ roomId: room.id, kind: 'broadcast', what: text })),
      note: (_before, { roomId, text }) => [{ roomId, kind: 'note', what: text }],
      'note-to-person': (before, { participantId, text }) => {
        const roomId = roomIdOf(before, participantId)
        return roomId === null ? [] : [{ roomId, kind: 'note', what: text }]
      },
    },
    words: {
      'no-such-message': () => 'This message is no longer there.',
      'no-device': () => 'They have no device of their own: nothing written would reach them.',
      'all-done': () => 'Every room has done this part: nobody is left to tell.',
      'too-many-scheduled': () =>
        `At most ${MOST_SCHEDULED} broadcasts can wait for their time. Take one of them back first.`,
      'text-empty': () => 'Write something first.',
      'text-too-long': ({ most }) => `Use at most ${most} characters.`,
    },
  },
)

const NO_IDS: string[] = []

const wordsOf = remember(({ text, at }: Message) => ({ text, at }))

const without = (scheduled: readonly ScheduledMessage[], messageId: string) =>
  scheduled.some(({ id }) => id === messageId) ? scheduled.filter(({ id }) => id !== messageId) : scheduled

/** A link as what is said with a broadcast: by its address, as far as that is a title. */
const linkTo = (address: string): GivenThing => ({ is: 'link', title: address.slice(0, 200), address })

/** Nothing is written of what is as always. */
const beside = (roomIds: readonly string[] | null, thing: GivenThing | null | undefined) => ({
  ...(roomIds && { roomIds: [...roomIds] }),
  ...(thing && { thing }),
})

/** The rooms it is still for; null for everybody. */
function stillFor(
  state: Read,
  { roomIds, notDone }: Pick<ScheduledMessage, 'roomIds' | 'notDone'>,
): string[] | null {
  if (notDone !== null) return roomsNotDone(state, notDone).filter(id => roomIds?.includes(id) ?? true)
  return roomIds?.filter(id => roomOf(state, id)?.closed === false) ?? null
}

interface Asked {
  messageId: string
  text: string
  roomIds?: readonly string[] | null
  notDone?: string
  minutes?: number
  thing?: GivenThing
}

function saying(
  state: Read,
  { messageId, text, roomIds = null, notDone, minutes, thing }: Asked,
  from: string,
  now: number,
): Decision<MessagesEvent, MessagesProblem | RoomsProblem | PartsProblem> {
  const problem = textProblem(text, LONGEST_MESSAGE)
  if (problem) return refuse(problem)
  if ([...state.messages, ...state.scheduled].some(({ id }) => id === messageId)) return nothing
  const wanted = roomIds && [...new Set(roomIds)]
  const open = openRooms(state.rooms)
  if (wanted?.some(id => !open.some(room => room.id === id))) return refuse({ code: 'no-such-room' })
  const plain = { messageId, text: text.trim(), from }
  if (minutes !== undefined) {
    if (state.scheduled.length >= MOST_SCHEDULED) return refuse({ code: 'too-many-scheduled' })
    return happens({
      type: 'broadcast-scheduled',
      ...plain,
      ...beside(wanted, thing),
      sayAt: now + minutes * 60_000,
      ...(notDone !== undefined && { notDone }),
    })
  }
  const rooms = stillFor(state, { roomIds: wanted, notDone: notDone ?? null })
  if (rooms?.length === 0) return refuse({ code: 'all-done' })
  if (
    isSaidTwice(
      state.messages,
      { kind: 'broadcast', text: plain.text, roomIds: rooms, toId: null, thing: thing ?? null },
      now,
    )
  )
    return nothing
  return happens({ type: 'broadcast', ...plain, ...beside(rooms, thing) })
}
