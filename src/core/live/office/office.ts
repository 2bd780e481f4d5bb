import { omit } from 'lodash-es'
import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { idSchema, momentSchema } from '../ids'
import type { RoomSetEvent } from '../room-set/room-set'
import { LONGEST_ROOM_NAME, type RoomsState } from '../rooms/room'
import { onBoard, type RoomsEvent, type RoomsProblem } from '../rooms/rooms'
import { LONGEST_ROUND } from '../rounds/round'
import type { RoundsEvent, RoundsProblem, RoundsState } from '../rounds/rounds'
import type { SessionState } from '../session/session'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import type { VisitsEvent, VisitsState } from '../visits/visits'
import { LONGEST_ABOUT, MOST_SEEN_AT_ONCE, MOST_TIMES, type Office, type OfficeState } from './office-facts'
import { officeHere, officeSeenBy } from './shown'
import { inOrder } from './waits'

export type OfficeProblem =
  | { code: 'no-office' }
  | { code: 'office-gone-on' }
  | { code: 'time-not-free' }
  | { code: 'time-of-another' }
  | { code: 'too-many-times'; most: number }

const events = {
  'office-opened': { minutes: z.number() },
  'times-offered': { times: z.array(z.object({ id: idSchema, at: momentSchema })) },
  'time-withdrawn': { timeId: idSchema },
  'time-taken': { timeId: idSchema, participantId: idSchema, about: z.string() },
  'time-given-back': { timeId: idSchema },
  'line-joined': { participantId: idSchema, about: z.string(), first: z.literal(true).optional() },
  'line-left': { participantId: idSchema },
  'seeing-begun': { roomId: idSchema, participantIds: z.array(idSchema), about: z.string() },
  'seeing-ended': {},
}
export type OfficeEvent = EventsOf<typeof events>

type Needs = DoorState & RoomsState & RoundsState & VisitsState & Pick<SessionState, 'phase'>

/** Office hours: people come one after the other, or a few together, into a room of their own; who waits knows nothing of the others. */
export const office = topic<{
  state: OfficeState
  needs: Needs
  hears: RoomsEvent | RoomSetEvent | RoundsEvent | VisitsEvent
  problem: OfficeProblem
  borrows: DoorProblem | RoomsProblem | RoundsProblem | TextProblem
}>()(
  {
    initial: { office: null },
    commands: {
      'open-office': { by: ['facilitator'], asks: { minutes: z.int().min(1).max(120) } },
      'offer-times': {
        by: ['facilitator'],
        asks: { from: momentSchema, count: z.int().min(1).max(MOST_TIMES), minutes: z.int().min(1).max(120) },
        fills: { ids: 'fresh-ids' },
      },
      /** `takenBy`: whose it was, as the page knew it, null for nobody: what somebody has taken meanwhile stays theirs. */
      'withdraw-time': {
        by: ['facilitator'],
        asks: { timeId: idSchema, takenBy: idSchema.nullable().optional() },
      },
      /** `instead`: the room of those who are there, as the page knew it; null for nobody. So that of two who press it one is told. */
      see: {
        by: ['facilitator'],
        asks: {
          participantIds: z.array(idSchema).min(1).max(MOST_SEEN_AT_ONCE),
          instead: idSchema.nullable(),
        },
        fills: { ids: 'fresh-ids' },
      },
      'end-seeing': { by: ['facilitator'], asks: { roomId: idSchema, putBack: z.boolean() } },
      'join-line': { by: ['participant'], asks: { about: textSchema } },
      'leave-line': { by: ['participant'], asks: {} },
      'take-time': { by: ['participant'], asks: { timeId: idSchema, about: textSchema } },
      'give-time-back': { by: ['participant'], asks: { timeId: idSchema } },
    },
    events,
  },
  {
    decide: {
      'open-office'(state, { minutes }) {
        if (state.round) return refuse({ code: 'already-out' })
        return state.office ? nothing : happens({ type: 'office-opened', minutes })
      },
      'offer-times'({ office: now }, { from, count, minutes, ids }) {
        if (!now) return refuse({ code: 'no-office' })
        const known = new Set(now.times.map(({ at }) => at))
        const times = Array.from({ length: count }, (_, index) => from + index * minutes * 60_000)
          .filter(at => !known.has(at))
          .map((at, index) => ({ id: ids[index] ?? '', at }))
        if (now.times.length + times.length > MOST_TIMES)
          return refuse({ code: 'too-many-times', most: MOST_TIMES })
        return times.length === 0 ? nothing : happens({ type: 'times-offered', times })
      },
      'withdraw-time'(state, { timeId, takenBy }) {
        const time = officeHere(state)?.times.find(({ id }) => id === timeId)
        if (!time) return nothing
        if (takenBy !== undefined && time.takenBy !== takenBy) return refuse({ code: 'time-of-another' })
        return happens({ type: 'time-withdrawn', timeId })
      },
      see(state, { participantIds, instead, ids: [id = '', copyId = ''] }, { accountId, name }, now) {
        const { office: hours } = state
        if (!hours) return refuse({ code: 'no-office' })
        // Where nobody is there any more nobody is sent away: who had gone just now makes no difference.
        if (hours.now && hours.now.roomId !== instead) return refuse({ code: 'office-gone-on' })
        const ids = [...new Set(participantIds)]
        const people = ids.map(each => presentOf(state, each))
        if (!people.every(each => each !== undefined)) return refuse({ code: 'no-such-participant' })
        const waiting = people.find(({ admitted }) => !admitted)
        if (waiting) return refuse({ code: 'waiting', shownName: waiting.shownName })
        // A round of the other kind is called back like any.
        if (state.round && !hours.now) return refuse({ code: 'already-out' })
        const about =
          hours.line.find(({ participantId }) => participantId === ids[0])?.about ??
          hours.times.find(({ takenBy }) => takenBy === ids[0])?.about ??
          ''
        const room = {
          id,
          copyId,
          name: nameFor(
            state,
            people.map(each => each.shownName),
          ),
        }
        return happens(
          ...ending(state),
          { type: 'room-added' as const, room: onBoard(state, room, 0) },
          ...ids.map(participantId => ({
            type: 'placed' as const,
            participantId,
            roomId: id,
            intoRoom: false,
          })),
          {
            type: 'sent-out' as const,
            number: state.pastRounds.length + (state.round ? 2 : 1),
            endsAt: now + LONGEST_ROUND * 1000,
            participantIds: ids,
            warnings: NO_WARNINGS,
          },
          { type: 'visit-started' as const, accountId, name, roomId: id },
          { type: 'visit-joined' as const, accountId, roomId: id, joins: true },
          { type: 'seeing-begun' as const, roomId: id, participantIds: ids, about },
        )
      },
      'end-seeing'(state, { roomId, putBack }) {
        const { office: hours } = state
        if (hours?.now?.roomId !== roomId) return refuse({ code: 'office-gone-on' })
        const back = putBack
          ? hours.now.participantIds.toReversed().map((participantId, index, all) => ({
              type: 'line-joined' as const,
              participantId,
              about: index === all.length - 1 ? (hours.now?.about ?? '') : '',
              first: true as const,
            }))
          : []
        return happens(...ending(state), ...back)
      },
      'join-line'(state, { about }, { participantId }) {
        const me = presentOf(state, participantId)
        if (!me) return refuse({ code: 'no-such-participant' })
        if (!state.office) return refuse({ code: 'no-office' })
        const problem = aboutProblem(about)
        if (problem) return refuse(problem)
        if (me.inRoom || isInLine(state.office, participantId)) return nothing
        return happens({ type: 'line-joined', participantId, about: about.trim() })
      },
      'leave-line': ({ office: hours }, _command, { participantId }) =>
        hours && isInLine(hours, participantId) ? happens({ type: 'line-left', participantId }) : nothing,
      'take-time'(state, { timeId, about }, { participantId }, now) {
        if (!presentOf(state, participantId)) return refuse({ code: 'no-such-participant' })
        if (!state.office) return refuse({ code: 'no-office' })
        const problem = aboutProblem(about)
        if (problem) return refuse(problem)
        const time = state.office.times.find(({ id }) => id === timeId)
        if (time?.takenBy === participantId) return nothing
        if (!time || time.takenBy !== null || time.at <= now) return refuse({ code: 'time-not-free' })
        // One time each: the other is free again.
        const mine = state.office.times.filter(({ takenBy }) => takenBy === participantId)
        return happens(...mine.map(({ id }) => ({ type: 'time-given-back' as const, timeId: id })), {
          type: 'time-taken' as const,
          timeId,
          participantId,
          about: about.trim(),
        })
      },
      'give-time-back': ({ office: hours }, { timeId }, { participantId }) =>
        hours?.times.some(({ id, takenBy }) => id === timeId && takenBy === participantId)
          ? happens({ type: 'time-given-back', timeId })
          : nothing,
    },
    evolve: {
      'office-opened': (_state, { minutes }) => ({
        office: { minutes, times: [], lost: {}, line: [], now: null, seen: [] },
      }),
      'times-offered': (state, { times }) =>
        change(state, hours => ({
          times: inOrder([...hours.times, ...times.map(time => ({ ...time, takenBy: null, about: '' }))]),
        })),
      'time-withdrawn': (state, { timeId }) =>
        change(state, ({ times, lost }) => {
          const time = times.find(({ id }) => id === timeId)
          return {
            times: times.filter(({ id }) => id !== timeId),
            lost: time?.takenBy ? { ...lost, [time.takenBy]: time.at } : lost,
          }
        }),
      'time-taken': (state, { timeId, participantId: takenBy, about }) =>
        change(state, hours => ({
          times: hours.times.map(time => (time.id === timeId ? { ...time, takenBy, about } : time)),
          lost: omit(hours.lost, takenBy),
        })),
      'time-given-back': (state, { timeId }) =>
        change(state, hours => ({
          times: hours.times.map(time => (time.id === timeId ? { ...time, takenBy: null, about: '' } : time)),
        })),
      'line-joined': (state, { participantId, about, first }, since) =>
        change(state, ({ line, lost }) => {
          const others = line.filter(each => each.participantId !== participantId)
          const me = { participantId, about, since }
          return { line: first ? [me, ...others] : [...others, me], lost: omit(lost, participantId) }
        }),
      'line-left': (state, { participantId }) =>
        change(state, ({ line }) => ({ line: line.filter(each => each.participantId !== participantId) })),
      'seeing-begun': (state, { roomId, participantIds, about }, startedAt) =>
        change(state, ({ line, times, lost }) => ({
          lost: omit(lost, participantIds),
          now: {
            roomId,
            participantIds,
            startedAt,
            about,
            inLineSince: Object.fromEntries(
              line.flatMap(({ participantId, since }) =>
                participantIds.includes(participantId) ? [[participantId, since]] : [],
              ),
            ),
          },
          line: line.filter(each => !participantIds.includes(each.participantId)),
          times: times.filter(({ takenBy }) => takenBy === null || !participantIds.includes(takenBy)),
        })),
      'seeing-ended': (state, _event, endedAt) =>
        change(state, ({ now, seen }) => ({
          now: null,
          seen: now ? [...seen, { ...omit(now, 'roomId'), endedAt }] : seen,
        })),
    },
    views: {
      facilitator: state => ({ office: officeHere(state) }),
      participant: (state, me) => ({
        office: state.office && me.admitted && !me.released ? officeSeenBy(state, me.id) : null,
      }),
    },
    words: {
      'no-office': () => 'This session has no office hours.',
      'office-gone-on': () => 'It has gone on meanwhile: look who is there now.',
      'time-not-free': () => 'This time is no longer free. Take another, or wait in line.',
      'time-of-another': () => 'Somebody has just taken this time, or given it back. Look whose it is now.',
      'too-many-times': ({ most }) => `At most ${most} times can stand open at once.`,
    },
  },
)

const NO_WARNINGS: number[] = []

/** What ends for those who are there now, before the next come. */
function ending({ office: hours, round, rooms }: Needs & OfficeState) {
  const now = hours?.now
  if (!now) return []
  const { roomId, participantIds } = now
  const open = rooms.some(({ id, closed }) => id === roomId && !closed)
  return [
    ...(round ? [{ type: 'round-ended' as const }] : []),
    ...(open ? [{ type: 'room-closed' as const, roomId, intoRoomId: null, participantIds }] : []),
    { type: 'seeing-ended' as const },
  ]
}

const isInLine = ({ line }: Office, participantId: string) =>
  line.some(each => each.participantId === participantId)

const change = (
  { office: hours }: OfficeState,
  how: (hours: Office) => Partial<Office>,
): Partial<OfficeState> => (hours ? { office: { ...hours, ...how(hours) } } : {})

/** Two rooms never have the same name: of somebody who comes again it has a number. */
function nameFor({ rooms }: RoomsState, people: string[]): string {
  const taken = new Set(rooms.map(({ name }) => name))
  const all = people.join(', ')
  for (let number = 1; ; number++) {
    const end = number === 1 ? '' : ` · ${number}`
    const name = `${all.slice(0, LONGEST_ROOM_NAME - end.length)}${end}`
    if (!taken.has(name)) return name
  }
}

function aboutProblem(about: string) {
  return about.trim() === '' ? null : textProblem(about, LONGEST_ABOUT)
}
