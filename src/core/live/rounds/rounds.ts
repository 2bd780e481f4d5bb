import { z } from 'zod'
import { leftText } from '../../schedule/lengths'
import { changeParticipants, type PeopleState, participantList, peopleIn } from '../door/people'
import { idSchema, momentSchema } from '../ids'
import { isInvited, type MovesState } from '../moves/terms'
import type { OfficeState } from '../office/office-facts'
import { remember } from '../remember'
import type { RoomsState } from '../rooms/room'
import type { SessionEvent, SessionState } from '../session/session'
import { type Deadline, type EventsOf, happens, nothing, refuse, topic } from '../topic'
import {
  LONGEST_ROUND,
  type PastRound,
  type Round,
  type RoundState,
  SHORTEST_ROUND,
  TWICE_MS,
  WARNINGS,
} from './round'

export interface RoundsState extends RoundState {
  pastRounds: PastRound[]
  /** The round that ended last, with who was in rooms: should the end of the session that ended it be taken back. */
  lastRound: { round: Round; participantIds: string[] } | null
  /** Who lengthened a round last, by how much, and when. Apart from the round, which all pages are told of. */
  lengthened: { seconds: number; by: string; at: number } | null
  roomSeconds: number
  graceSeconds: number
}

export type RoundsProblem =
  | { code: 'already-out' }
  | { code: 'not-out' }
  | { code: 'not-called-back' }
  | { code: 'round-over' }
  | { code: 'nobody-to-send' }
  | { code: 'bad-length'; least: number; most: number }

const events = {
  'sent-out': {
    number: z.number(),
    endsAt: momentSchema,
    /** Who is in a room with it; who is invited comes by themselves. */
    participantIds: z.array(idSchema),
    invited: z.literal(true).optional(),
    /** Where the running order says so; else the usual ones, and the session's own grace. */
    warnings: z.array(z.number()).optional(),
    graceSeconds: z.number().optional(),
  },
  'time-added': { seconds: z.number(), endsAt: momentSchema, by: idSchema.optional() },
  warned: { secondsLeft: z.number() },
  'called-back': { graceEndsAt: momentSchema },
  /** The call back was a mistake: the round goes on as it was, to the end it had. */
  'gone-on': { endsAt: momentSchema },
  'round-ended': {},
}
export type RoundsEvent = EventsOf<typeof events>

type State = RoundsState &
  PeopleState &
  RoomsState &
  OfficeState &
  Pick<MovesState, 'terms'> &
  Pick<SessionState, 'phase' | 'endedAt'>

/** Rounds in rooms: sending out, the clock, warnings, calling back, grace. */
export const rounds = topic<{
  state: RoundsState
  needs: Omit<State, keyof RoundsState>
  hears: SessionEvent
  problem: RoundsProblem
  mark: 'joined' | 'warning'
}>()(
  {
    initial: {
      round: null,
      pastRounds: [],
      lastRound: null,
      lengthened: null,
      roomSeconds: 0,
      graceSeconds: 0,
    },
    commands: {
      'send-out': { by: ['facilitator'], asks: { seconds: z.number() } },
      'add-time': { by: ['facilitator'], asks: { seconds: z.number() } },
      'call-back': { by: ['facilitator', 'clock'], asks: {} },
      'go-on': { by: ['facilitator'], asks: {} },
      warn: { by: ['clock'], asks: { secondsLeft: z.number() } },
      'finish-grace': { by: ['clock'], asks: {} },
    },
    events,
  },
  {
    decide: {
      'send-out'(state, { seconds }, _actor, now) {
        if (state.round) return refuse({ code: 'already-out' })
        if (!Number.isInteger(seconds) || seconds < SHORTEST_ROUND || seconds > LONGEST_ROUND)
          return refuse({ code: 'bad-length', least: SHORTEST_ROUND, most: LONGEST_ROUND })
        const going = participantList(state).filter(
          participant => participant.admitted && participant.roomId !== null,
        )
        if (going.length === 0) return refuse({ code: 'nobody-to-send' })
        const number = state.pastRounds.length + 1
        const { invited } = state.terms
        const participantIds = going
          .filter(participant => !isInvited(participant, state.terms))
          .map(participant => participant.id)
        const endsAt = now + seconds * 1000
        return happens({ type: 'sent-out', number, endsAt, participantIds, ...(invited && { invited }) })
      },
      'add-time'(state, { seconds }, { accountId: by }, now) {
        if (!state.round) return refuse({ code: 'not-out' })
        // Two at the front give what was asked for at the same moment; who presses twice means it.
        const { lengthened: last } = state
        if (last && last.by !== by && last.seconds === seconds && now - last.at < TWICE_MS) return nothing
        const endsAt = Math.max(state.round.endsAt, now) + seconds * 1000
        const fits = endsAt - state.round.startedAt <= LONGEST_ROUND * 1000
        if (!Number.isInteger(seconds) || seconds < 1 || !fits)
          return refuse({ code: 'bad-length', least: 1, most: LONGEST_ROUND })
        return happens({ type: 'time-added', seconds, endsAt, by })
      },
      'call-back'(state, _command, _actor, now) {
        if (!state.round) return refuse({ code: 'not-out' })
        if (state.round.graceEndsAt !== null) return nothing
        // What fell due while the server was down counts from when it was due, so that grace is not given twice.
        const calledAt = Math.min(now, state.round.endsAt)
        const graceEndsAt = Math.max(calledAt + state.round.graceSeconds * 1000, now)
        return happens({ type: 'called-back', graceEndsAt })
      },
      'go-on'(state, _command, _actor, now) {
        if (!state.round) return refuse({ code: 'not-out' })
        if (state.round.graceEndsAt === null) return refuse({ code: 'not-called-back' })
        // The time that was left is what it would be now; a round whose time is over can only be given more.
        if (state.round.plannedEndsAt <= now) return refuse({ code: 'round-over' })
        return happens({ type: 'gone-on', endsAt: state.round.plannedEndsAt })
      },
      warn(state, { secondsLeft }) {
        if (!state.round || state.round.warned.includes(secondsLeft)) return nothing
        return happens({ type: 'warned', secondsLeft })
      },
      'finish-grace': state => (state.round ? happens({ type: 'round-ended' }) : nothing),
    },
    first: {
      ended: state => (state.round ? [{ type: 'round-ended' }] : []),
    },
    evolve: {
      opened: (_state, { plan: { roomSeconds, graceSeconds } }) => ({ roomSeconds, graceSeconds }),
      'sent-out': (state, { number, endsAt, participantIds, ...said }, at) => ({
        ...changeParticipants(state, participantIds, () => ({ inRoom: true })),
        round: {
          number,
          startedAt: at,
          endsAt,
          graceEndsAt: null,
          plannedEndsAt: endsAt,
          warned: [],
          warnings: said.warnings ?? WARNINGS,
          graceSeconds: said.graceSeconds ?? state.graceSeconds,
        },
      }),
      'time-added': (state, { endsAt, seconds, by }, at) => ({
        ...changeRound(state, { endsAt, plannedEndsAt: endsAt, graceEndsAt: null, warned: [] }),
        lengthened: by === undefined ? null : { seconds, by, at },
      }),
      warned: (state, { secondsLeft }) =>
        changeRound(state, { warned: [...(state.round?.warned ?? []), secondsLeft] }),
      'called-back': (state, { graceEndsAt }, at) =>
        changeRound(state, { graceEndsAt, endsAt: Math.min(state.round?.endsAt ?? at, at) }),
      'gone-on': (state, { endsAt }) => changeRound(state, { endsAt, graceEndsAt: null }),
      'round-ended': (state, _event, at) => endRound(state, at),
      ended: (state, _event, at) => endRound(state, at),
      reopened: (state, _event, at) => roundAgain(state, at),
    },
    due: deadlines,
    views: {
      facilitator: state => ({ clock: clockOf(state), rounds: roundsOf(state) }),
      participant: (state, me) => ({
        // In office hours nobody is sent away by a clock.
        clock: me.admitted && !state.office ? clockOf(state) : null,
        roundsBegun: begun(state),
      }),
      projector: state => ({ clock: clockOf(state) }),
    },
    marks: {
      'sent-out': (before, { participantIds }) =>
        participantIds.flatMap(id => {
          const { roomId = null, shownName = '' } = before.participants.get(id) ?? {}
          return roomId === null ? [] : [{ roomId, kind: 'joined' as const, what: shownName }]
        }),
      warned: (before, { secondsLeft }) =>
        before.rooms
          .filter(room => peopleIn(before, room.id).length > 0)
          .map(room => ({ roomId: room.id, kind: 'warning' as const, what: leftText(secondsLeft) })),
    },
    words: {
      'already-out': () => 'People are already in rooms. Call them back first.',
      'not-out': () => 'Nobody is in rooms now.',
      'not-called-back': () => 'The round is running; nobody has been called back.',
      'round-over': () => 'The time of this round is over. Add a minute to let it go on.',
      'nobody-to-send': () => 'Nobody who is let in has a room yet. Let people in, or give them a room.',
      'bad-length': ({ least, most }) => `Choose a length from ${lengthText(least)} to ${lengthText(most)}.`,
    },
  },
)

const lengthText = (seconds: number) => (seconds < 60 ? `${seconds} s` : `${Math.round(seconds / 60)} min`)

const changeRound = (state: State, change: Partial<Round>): Partial<State> =>
  state.round ? { round: { ...state.round, ...change } } : {}

function endRound(state: State, at: number): Partial<State> {
  if (!state.round) return {}
  const { number, startedAt } = state.round
  return {
    ...changeParticipants(state, [...state.participants.keys()], () => ({ inRoom: false })),
    round: null,
    pastRounds: [...state.pastRounds, { number, startedAt, endedAt: at }],
    lastRound: {
      round: state.round,
      participantIds: participantList(state).flatMap(({ id, inRoom }) => (inRoom ? [id] : [])),
    },
  }
}

/** The round that the end of the session cut short goes on, with the time it had left. */
function roundAgain(state: State, at: number): Partial<State> {
  const { lastRound, endedAt, pastRounds } = state
  if (!lastRound || endedAt === null || pastRounds.at(-1)?.endedAt !== endedAt) return {}
  const away = at - endedAt
  const { round, participantIds } = lastRound
  const { graceEndsAt } = round
  return {
    ...changeParticipants(state, participantIds, ({ released, roomId }) => ({
      inRoom: !released && roomId !== null,
    })),
    round: {
      ...round,
      endsAt: round.endsAt + away,
      plannedEndsAt: round.plannedEndsAt + away,
      graceEndsAt: graceEndsAt === null ? null : graceEndsAt + away,
    },
    pastRounds: pastRounds.slice(0, -1),
  }
}

/** The clock of the round; null with the whole group together. Times are milliseconds since 1970. */
const clockOf = ({ round }: RoundState) => round

/** Rounds that have begun. */
const begun = (state: RoundsState) => state.pastRounds.length + (state.round ? 1 : 0)

const roundsOf = remember((state: RoundsState) => ({
  begun: begun(state),
  past: state.pastRounds,
  roomSeconds: state.roomSeconds,
  graceSeconds: state.graceSeconds,
}))

/** A warning makes sense only when the round was clearly longer than it. */
const longEnough = (roundSeconds: number, warning: number) => roundSeconds >= warning * 1.5

type ClockCommand = { type: 'warn'; secondsLeft: number } | { type: 'call-back' } | { type: 'finish-grace' }

function deadlines({ round, phase }: State): Deadline<ClockCommand>[] {
  if (!round || phase !== 'open') return []
  if (round.graceEndsAt !== null) return [{ at: round.graceEndsAt, command: { type: 'finish-grace' } }]
  const roundSeconds = (round.endsAt - round.startedAt) / 1000
  const given = Math.min(...round.warned, Number.POSITIVE_INFINITY)
  const warnings = [...round.warnings]
    .sort((one, other) => other - one)
    .filter(warning => warning < given && longEnough(roundSeconds, warning))
    .map(
      (warning): Deadline<ClockCommand> => ({
        at: round.endsAt - warning * 1000,
        command: { type: 'warn', secondsLeft: warning },
      }),
    )
  return [...warnings, { at: round.endsAt, command: { type: 'call-back' } }]
}
