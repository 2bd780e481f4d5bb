import { isEqual, omitBy, pickBy } from 'lodash-es'
import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorEvent, DoorProblem, DoorState } from '../door/door-facts'
import { MOST_PARTICIPANTS, type Participant, roomIdOf } from '../door/people'
import { idSchema } from '../ids'
import type { RoomSetEvent } from '../room-set/room-set'
import type { RoomsState } from '../rooms/room'
import type { RoomsEvent, RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { RoundState } from '../rounds/round'
import type { RoundsEvent, RoundsProblem } from '../rounds/rounds'
import type { SessionEvent } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { MOST_MINUTES, SIGNAL_WORDS, SIGNALS, type Signal } from './signal'

/** How many showed each signal at a moment, in the order of `SIGNALS`. */
export interface SignalsThen {
  /** The beginning of a half minute, in milliseconds since 1970. */
  at: number
  counts: number[]
}

export interface SignalsState {
  /** What somebody shows, and since when, by participant id; each shows one at a time. */
  signals: Readonly<Record<string, { signal: Signal; at: number }>>
  /** How many more minutes a room says it needs, by room id; 0 for done. */
  minutesSaid: Readonly<Record<string, number>>
  /** How many showed what as each half minute began in which that changed, in order. */
  signalsOverTime: readonly SignalsThen[]
}

const events = {
  'signal-set': { participantId: idSchema, signal: z.enum(SIGNALS) },
  'signals-cleared': { participantIds: z.array(idSchema) },
  'minutes-said': { roomId: idSchema, participantId: idSchema, minutes: z.number().nullable() },
}
export type SignalsEvent = EventsOf<typeof events>

/** What people show, and what their room says of the time; each is gone by itself when it no longer applies. */
export const signals = topic<{
  state: SignalsState
  needs: DoorState & RoomsState & RoundState
  hears: DoorEvent | RoomsEvent | RoomSetEvent | RoundsEvent | SessionEvent
  borrows: DoorProblem | RoomsProblem | RoundsProblem
  mark: 'signal'
}>()(
  {
    initial: { signals: {}, minutesSaid: {}, signalsOverTime: [] },
    commands: {
      /** Null takes it back. */
      'set-signal': { by: ['participant'], asks: { signal: z.enum(SIGNALS).nullable() } },
      'clear-signals': {
        by: ['facilitator'],
        asks: { participantIds: z.array(idSchema).min(1).max(MOST_PARTICIPANTS) },
      },
      /** Said for the room by anybody in it; null takes it back. */
      'say-minutes': {
        by: ['participant'],
        asks: { minutes: z.number().int().min(0).max(MOST_MINUTES).nullable() },
      },
    },
    events,
  },
  {
    decide: {
      'set-signal'(state, { signal }, { participantId }) {
        const me = presentOf(state, participantId)
        if (!me) return refuse({ code: 'no-such-participant' })
        if (!me.admitted) return refuse({ code: 'waiting', shownName: me.shownName })
        const before = state.signals[participantId]?.signal ?? null
        if (before === signal) return nothing
        const participantIds = [participantId]
        return signal === null
          ? happens({ type: 'signals-cleared', participantIds })
          : happens({ type: 'signal-set', participantId, signal })
      },
      'clear-signals'(state, { participantIds }) {
        const shown = participantIds.filter(id => id in state.signals)
        return shown.length > 0 ? happens({ type: 'signals-cleared', participantIds: shown }) : nothing
      },
      'say-minutes'(state, { minutes }, { participantId }) {
        if (!presentOf(state, participantId)) return refuse({ code: 'no-such-participant' })
        const roomId = roomIdOf(state, participantId)
        if (roomId === null) return refuse({ code: 'not-in-a-room' })
        if (!state.round) return refuse({ code: 'not-out' })
        if ((state.minutesSaid[roomId] ?? null) === minutes) return nothing
        return happens({ type: 'minutes-said', roomId, participantId, minutes })
      },
    },
    evolve: {
      'signal-set': (state, { participantId, signal }, at) =>
        showing(state, at, { ...without(state.signals, [participantId]), [participantId]: { signal, at } }),
      'signals-cleared': (state, { participantIds }, at) =>
        showing(state, at, without(state.signals, participantIds)),
      'minutes-said': (state, { roomId, minutes }) => ({
        minutesSaid:
          minutes === null
            ? without(state.minutesSaid, [roomId])
            : { ...state.minutesSaid, [roomId]: minutes },
      }),
      // With a new task, and back together, only who is out is still out.
      'sent-out': (state, _event, at) => onlySteppedOut(state, at),
      'round-ended': (state, _event, at) => onlySteppedOut(state, at),
      ended: (state, _event, at) => ({ ...showing(state, at, {}), minutesSaid: {} }),
      // Whoever got more time is waiting for less of it.
      'time-added': (state, { seconds }, at) => ({
        ...showing(
          state,
          at,
          omitBy(state.signals, ({ signal }) => signal === 'more-time'),
        ),
        minutesSaid: shortened(state.minutesSaid, seconds / 60),
      }),
      // In another room it is another task; a hand stays up.
      placed: (state, { participantId }, at) => {
        const shown = state.signals[participantId]?.signal
        const stays = shown === undefined || shown === 'hand' || shown === 'stepped-out'
        return stays ? {} : showing(state, at, without(state.signals, [participantId]))
      },
      connected: (state, { participantId }, at) =>
        state.signals[participantId]?.signal === 'stepped-out'
          ? showing(state, at, without(state.signals, [participantId]))
          : {},
      released: (state, { participantId }, at) => gone(state, at, [participantId]),
      removed: (state, { participantIds }, at) => gone(state, at, participantIds),
      'room-closed': (state, { roomId }) =>
        roomId in state.minutesSaid ? { minutesSaid: without(state.minutesSaid, [roomId]) } : {},
    },
    views: {
      facilitator: ({ signals: shown, minutesSaid, signalsOverTime }) => ({
        signals: shown,
        minutesSaid,
        signalsOverTime,
      }),
      /** One's own, and what one's room says: of others' signals nothing. */
      participant: (state, me) => ({
        signal: state.signals[me.id]?.signal ?? null,
        minutesSaid: minutesOf(state, me),
      }),
    },
    marks: {
      'signal-set': (before, { participantId, signal }) => {
        const roomId = roomIdOf(before, participantId)
        const who = before.participants.get(participantId)?.shownName ?? ''
        return roomId === null ? [] : [{ roomId, kind: 'signal', what: `${who}, ${SIGNAL_WORDS[signal]}` }]
      },
      'minutes-said': (_before, { roomId, minutes }) =>
        minutes === null ? [] : [{ roomId, kind: 'signal', what: minutesWords(minutes) }],
    },
    words: {},
  },
)

/** What a room says of the time. */
export const minutesWords = (minutes: number): string =>
  minutes === 0 ? 'the room is done' : `the room needs ${minutes} min more`

function without<Value>(all: Readonly<Record<string, Value>>, ids: readonly string[]): Record<string, Value> {
  const left = new Set(ids)
  return omitBy(all, (_value, id) => left.has(id))
}

const HALF_MINUTE = 30_000

/** How many show each signal, in the order of `SIGNALS`. */
export const countsOf = (shown: SignalsState['signals']): number[] => {
  const all = Object.values(shown)
  return SIGNALS.map(signal => all.filter(each => each.signal === signal).length)
}

/** What is shown from now on; of the first change in a half minute it is kept what was shown before. */
function showing(state: SignalsState, at: number, shown: SignalsState['signals']): Partial<SignalsState> {
  const began = at - (at % HALF_MINUTE)
  if (state.signalsOverTime.at(-1)?.at === began || isEqual(countsOf(shown), countsOf(state.signals)))
    return { signals: shown }
  const then = { at: began, counts: countsOf(state.signals) }
  return { signals: shown, signalsOverTime: [...state.signalsOverTime, then] }
}

const gone = (state: SignalsState, at: number, ids: readonly string[]): Partial<SignalsState> =>
  ids.some(id => id in state.signals) ? showing(state, at, without(state.signals, ids)) : {}

function onlySteppedOut(state: SignalsState, at: number): Partial<SignalsState> {
  const out = pickBy(state.signals, ({ signal }) => signal === 'stepped-out')
  return { ...showing(state, at, out), minutesSaid: {} }
}

/** What rooms still need once they got some minutes; who got enough says nothing any more, and who is done is done. */
function shortened(said: SignalsState['minutesSaid'], minutes: number): SignalsState['minutesSaid'] {
  const left = Object.entries(said).map(([roomId, needed]) => [
    roomId,
    needed === 0 ? 0 : Math.ceil(needed - minutes),
  ]) as [string, number][]
  return Object.fromEntries(left.filter(([roomId, needed]) => needed > 0 || said[roomId] === 0))
}

function minutesOf(state: SignalsState & RoomsState, me: Participant): number | null {
  const room = roomIn(state, me)
  return room ? (state.minutesSaid[room.id] ?? null) : null
}
