import { mapValues, omit } from 'lodash-es'
import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { idSchema } from '../ids'
import type { MessagesProblem } from '../messages/messages'
import { remember } from '../remember'
import type { RightsEvent } from '../rights/rights'
import type { RightsState } from '../rights/writing'
import { type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { RoundState } from '../rounds/round'
import { textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { asFacilitator } from '../visits/visitor'
import type { VisitsState } from '../visits/visits'
import { type Line, type LineRead, LONGEST_LINE, MOST_LINES } from './line'

export interface TalkState {
  /** What was said in each room in each round, in order, by `talkOf`. */
  talk: Readonly<Record<string, readonly Line[]>>
  /** What lines said that were taken off the screens, by their ids. */
  linesTakenOff: Readonly<Record<string, string>>
  /** Facilitators read what is said from now on without a visit, and people are told. */
  talkOpen: boolean
}

export type TalkProblem = { code: 'no-such-line' } | { code: 'too-much-said' } | { code: 'may-not-talk' }

const events = {
  'line-said': {
    lineId: idSchema,
    roomId: idSchema,
    round: z.number(),
    participantId: idSchema.nullable(),
    by: z.string(),
    text: z.string(),
    open: z.boolean(),
  },
  'line-taken-off': { lineId: idSchema, roomId: idSchema, round: z.number(), off: z.boolean() },
  'talk-opened': { open: z.boolean() },
}
export type TalkEvent = EventsOf<typeof events>

type State = TalkState & RoomsState & RoundState & VisitsState

/** Where a room's talk of one round lies: the next team in the same room does not read it. */
export const talkOf = (roomId: string, round: number): string => `${roomId}/${round}`

/** The text line of each room: its people read it, and a facilitator while they visit. */
export const talk = topic<{
  state: TalkState
  needs: DoorState & RoomsState & RoundState & VisitsState & RightsState
  hears: RightsEvent
  problem: TalkProblem
  borrows: DoorProblem | RoomsProblem | MessagesProblem
}>()(
  {
    initial: { talk: {}, linesTakenOff: {}, talkOpen: false },
    commands: {
      /** A facilitator says it in the room they visit. */
      'say-line': {
        by: ['participant', 'facilitator'],
        asks: { text: textSchema },
        fills: { lineId: 'fresh-id' },
      },
      'take-line-off': {
        by: ['facilitator'],
        asks: { roomId: idSchema, lineId: idSchema, off: z.boolean() },
      },
      'open-talk': { by: ['facilitator'], asks: { open: z.boolean() } },
    },
    events,
  },
  {
    decide: {
      'say-line'(state, { lineId, text }, actor) {
        const from = speaker(state, actor)
        if (!from.ok) return from
        const { roomId, participantId, by } = from
        if (!state.round) return refuse({ code: 'not-in-a-room' })
        const problem = textProblem(text, LONGEST_LINE)
        if (problem) return refuse(problem)
        const lines = linesNow(state, roomId)
        if (lines.some(({ id }) => id === lineId)) return nothing
        if (lines.length >= MOST_LINES) return refuse({ code: 'too-much-said' })
        const { number: round } = state.round
        const said = { lineId, roomId, round, participantId, by, text: text.trim(), open: state.talkOpen }
        return happens({ type: 'line-said', ...said })
      },
      'take-line-off'(state, { roomId, lineId, off }, { accountId }) {
        const line = linesNow(state, roomId).find(({ id }) => id === lineId)
        // Nobody finds out by this what there is to read.
        if (!state.round || !line || !mayReadLine(state, accountId, roomId, line))
          return refuse({ code: 'no-such-line' })
        if (lineId in state.linesTakenOff === off) return nothing
        return happens({ type: 'line-taken-off', lineId, roomId, round: state.round.number, off })
      },
      'open-talk': ({ talkOpen }, { open }) =>
        talkOpen === open ? nothing : happens({ type: 'talk-opened', open }),
    },
    evolve: {
      'line-said': ({ talk: before }, { lineId: id, roomId, round, participantId, by, text, open }, at) => {
        const key = talkOf(roomId, round)
        return {
          talk: { ...before, [key]: [...(before[key] ?? []), { id, participantId, by, text, at, open }] },
        }
      },
      'line-taken-off': ({ talk: before, linesTakenOff }, { lineId, roomId, round, off }) => {
        const key = talkOf(roomId, round)
        const lines = before[key] ?? []
        const text = off ? lines.find(({ id }) => id === lineId)?.text : linesTakenOff[lineId]
        if (text === undefined) return {}
        const changed = (line: Line): Line =>
          off ? { ...line, text: '', gone: true } : { ...omit(line, 'gone'), text }
        const now = lines.map(line => (line.id === lineId ? changed(line) : line))
        return {
          talk: { ...before, [key]: now },
          linesTakenOff: off ? { ...linesTakenOff, [lineId]: text } : omit(linesTakenOff, lineId),
        }
      },
      'talk-opened': (_state, { open }) => ({ talkOpen: open }),
      'name-hidden': (state, { participantId, instead }) => ({
        talk: calledOtherwise(state.talk, participantId, instead),
      }),
      'name-shown': (state, { participantId }) => ({
        talk: calledOtherwise(
          state.talk,
          participantId,
          state.participants.get(participantId)?.typedName ?? '',
        ),
      }),
    },
    views: {
      facilitator: state => ({ talkOpen: state.talkOpen, linesSaid: linesSaid(state) }),
      participant: (state, me) => {
        const room = roomIn(state, me)
        return { talk: room ? linesNow(state, room.id) : NONE, talkOpen: state.talkOpen }
      },
    },
    words: {
      'no-such-line': () => 'This line is not in the talk of this room.',
      'too-much-said': () => 'So much was said here that no more can be: write it on the board.',
      'may-not-talk': () => 'The facilitator has paused your writing.',
    },
  },
)

const NONE: readonly Line[] = []

const linesNow = ({ talk: all, round }: TalkState & RoundState, roomId: string): readonly Line[] =>
  (round && all[talkOf(roomId, round.number)]) ?? NONE

/** How many lines each room has said in the round that runs, by room; rooms in which nothing was said are not in it. */
const linesSaid = (state: State): Record<string, number> =>
  state.round ? countsOf(state.talk)(state.round) : NO_LINES
const NO_LINES: Record<string, number> = {}

const countsOf = remember((all: TalkState['talk']) =>
  remember(({ number }: { number: number }): Record<string, number> => {
    const ofRound = Object.entries(all).filter(([key]) => key.endsWith(`/${number}`))
    return Object.fromEntries(
      ofRound.map(([key, lines]) => [key.slice(0, key.lastIndexOf('/')), lines.length]),
    )
  }),
)

const isVisiting = ({ visits }: VisitsState, accountId: string, roomId: string): boolean =>
  visits.some(visit => visit.accountId === accountId && visit.roomId === roomId)

const mayReadLine = (state: State, accountId: string, roomId: string, { open }: Line): boolean =>
  open || isVisiting(state, accountId, roomId)

/** What a facilitator may read of a room's talk in the round that runs: all of it while they visit, else what was said when all can. */
export function talkFor(state: State, accountId: string, roomId: string): LineRead[] {
  return linesNow(state, roomId)
    .filter(line => mayReadLine(state, accountId, roomId, line))
    .map(line => asRead(state, line))
}

/** A line with what it said, and whether it was taken off. */
export const asRead = ({ linesTakenOff }: TalkState, line: Line): LineRead => ({
  ...line,
  text: linesTakenOff[line.id] ?? line.text,
  takenOff: line.id in linesTakenOff,
})

/** Who says a line, and in which room. */
function speaker(
  state: State & DoorState & RightsState,
  actor:
    | { kind: 'participant'; participantId: string }
    | { kind: 'facilitator'; accountId: string; name: string },
) {
  if (actor.kind === 'facilitator') {
    const visit = state.visits.find(({ accountId }) => accountId === actor.accountId)
    if (!visit || !roomOf(state, visit.roomId)) return refuse({ code: 'not-in-a-room' as const })
    return { ok: true as const, roomId: visit.roomId, participantId: null, by: asFacilitator(actor.name) }
  }
  const me = presentOf(state, actor.participantId)
  if (!me) return refuse({ code: 'no-such-participant' as const })
  const room = roomIn(state, me)
  if (!room) return refuse({ code: 'not-in-a-room' as const })
  if (state.muted[me.id]) return refuse({ code: 'may-not-talk' as const })
  return { ok: true as const, roomId: room.id, participantId: me.id, by: me.shownName }
}

const calledOtherwise = (all: TalkState['talk'], participantId: string, by: string): TalkState['talk'] =>
  mapValues(all, lines =>
    lines.some(line => line.participantId === participantId)
      ? lines.map(line => (line.participantId === participantId ? { ...line, by } : line))
      : lines,
  )
