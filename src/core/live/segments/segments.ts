import { z } from 'zod'
import {
  LONGEST_NAME,
  MOST_SEGMENTS,
  minutesSchema,
  newSegment,
  SEGMENT_KINDS,
  totalMinutes,
} from '../../schedule/running-order'
import { idSchema } from '../ids'
import type { MessagesEvent } from '../messages/messages'
import type { MovesEvent } from '../moves/terms'
import type { RolesEvent } from '../roles/roles'
import type { RoomSetEvent, RoomSetProblem } from '../room-set/room-set'
import { withRooms } from '../rooms/making'
import type { RoomsEvent, RoomsProblem } from '../rooms/rooms'
import { type RoundsEvent, type RoundsProblem, rounds } from '../rounds/rounds'
import type { SessionEvent } from '../session/session'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { happens, nothing, refuse, topic } from '../topic'
import { begun, layout, type Made } from './layout'
import { onSchedule, sayId } from './says'
import { orderOf, programOf, questionsReady, shownNow } from './shown'
import {
  beginning,
  changed,
  ended,
  events,
  find,
  fresh,
  inserted,
  nextOf,
  ofRound,
  type SegmentsEvent,
  type SegmentsState,
  type State,
  toCome,
} from './state'

export type SegmentsProblem =
  | { code: 'no-such-segment' }
  | { code: 'segment-over' }
  | { code: 'too-many-segments'; most: number }

/** The running order while it runs: what is now, what comes, and going on with one press. */
export const segments = topic<{
  state: SegmentsState
  needs: Omit<State, keyof SegmentsState>
  hears: SessionEvent | RoundsEvent | RoomsEvent | RoomSetEvent | MessagesEvent | MovesEvent | RolesEvent
  problem: SegmentsProblem
  borrows: RoomsProblem | RoundsProblem | RoomSetProblem | TextProblem
}>()(
  {
    initial: { segments: [], laidOutFor: null, startsAt: null, minutesPlanned: null },
    commands: {
      /** `segmentId` is the one that is to begin: pressed by two at once it begins once. `seconds`: a round of another length than planned. */
      'next-segment': {
        by: ['facilitator'],
        asks: { segmentId: idSchema, seconds: z.number().optional() },
      },
      'set-lengths': {
        by: ['facilitator'],
        asks: {
          lengths: z
            .array(z.object({ segmentId: idSchema, minutes: minutesSchema }))
            .min(1)
            .max(MOST_SEGMENTS),
        },
      },
      'skip-segment': { by: ['facilitator'], asks: { segmentId: idSchema, skipped: z.boolean() } },
      'move-segment': { by: ['facilitator'], asks: { segmentId: idSchema, beforeId: idSchema.nullable() } },
      'insert-segment': {
        by: ['facilitator'],
        asks: {
          kind: z.enum(SEGMENT_KINDS),
          name: textSchema,
          minutes: minutesSchema,
          beforeId: idSchema.nullable(),
        },
        fills: { segmentId: 'fresh-id' },
      },
      'say-on-schedule': { by: ['clock'], asks: { segmentId: idSchema, index: z.number() } },
    },
    events,
  },
  {
    decide: {
      'next-segment'(state, { segmentId, seconds }, actor, now) {
        const segment = find(state, segmentId)
        if (!segment) return refuse({ code: 'no-such-segment' })
        if (segment.startedAt !== null) return nothing
        if (state.round) return refuse({ code: 'already-out' })
        const begin = begun(state, segment, now)
        if (segment.kind !== 'rooms') return happens(...begin.events)
        const { minutes, warnings, graceSeconds } = segment
        const out = rounds.decide['send-out'](
          begin.state,
          { type: 'send-out', seconds: seconds ?? minutes * 60 },
          actor,
          now,
        )
        if (!out.ok) return refuse(out.problem)
        return happens(
          ...begin.events,
          ...out.events.map(event =>
            event.type === 'sent-out' ? { ...event, warnings: [...warnings], graceSeconds } : event,
          ),
        )
      },
      'set-lengths'(state, { lengths }) {
        const changed: SegmentsEvent[] = []
        for (const { segmentId, minutes } of lengths) {
          const segment = find(state, segmentId)
          if (!segment) return refuse({ code: 'no-such-segment' })
          // The round that runs has a clock of its own.
          if (segment.endedAt !== null || (segment.startedAt !== null && segment.kind === 'rooms'))
            return refuse({ code: 'segment-over' })
          if (segment.minutes !== minutes) changed.push({ type: 'segment-length-set', segmentId, minutes })
        }
        return happens(...changed)
      },
      'skip-segment'(state, { segmentId, skipped }) {
        const segment = find(state, segmentId)
        if (!segment) return refuse({ code: 'no-such-segment' })
        if (segment.startedAt !== null) return refuse({ code: 'segment-over' })
        if (segment.skipped === skipped) return nothing
        return happens(...withLayout(state, { type: 'segment-skipped', segmentId, skipped }))
      },
      'move-segment'(state, { segmentId, beforeId }) {
        const segment = find(state, segmentId)
        const before = beforeId === null ? null : find(state, beforeId)
        if (!segment || before === undefined) return refuse({ code: 'no-such-segment' })
        if (segment.startedAt !== null || (before && before.startedAt !== null))
          return refuse({ code: 'segment-over' })
        if (segmentId === beforeId) return nothing
        return happens(...withLayout(state, { type: 'segment-moved', segmentId, beforeId }))
      },
      'insert-segment'(state, { kind, name, minutes, beforeId, segmentId }) {
        const before = beforeId === null ? null : find(state, beforeId)
        if (before === undefined) return refuse({ code: 'no-such-segment' })
        if (before && before.startedAt !== null) return refuse({ code: 'segment-over' })
        if (state.segments.length >= MOST_SEGMENTS)
          return refuse({ code: 'too-many-segments', most: MOST_SEGMENTS })
        const problem = name.trim() === '' ? undefined : textProblem(name, LONGEST_NAME)
        if (problem) return refuse(problem)
        const { boardId: _, ...usual } = newSegment(segmentId, kind)
        const segment = { ...usual, name: name.trim(), minutes, groups: { from: 'live' as const }, board: 0 }
        return happens(...withLayout(state, { type: 'segment-inserted', segment, beforeId }))
      },
      'say-on-schedule'(state, { segmentId, index }) {
        const segment = find(state, segmentId)
        const say = segment?.says[index]
        const messageId = sayId(segmentId, index)
        if (!say || state.messages.some(({ id }) => id === messageId)) return nothing
        return happens({ type: 'broadcast', messageId, text: say.text, from: 'On schedule' })
      },
    },
    follows: {
      opened: state => {
        const [first] = state.segments
        return first && first.kind !== 'rooms' ? begun(state, first, 0).events : layout(state)
      },
      // With the whole group again: what is planned for them goes on by itself, everything else waits to be begun.
      'round-ended': state => {
        const next = nextOf(state)
        if (state.phase !== 'open' || !next) return []
        return next.kind === 'whole' ? begun(state, next, 0).events : layout(state)
      },
    },
    evolve: {
      opened: (_state, { plan }) => {
        const all = (plan.segments ?? []).map(fresh)
        const next = all.find(({ kind }) => kind === 'rooms')
        return {
          segments: all,
          laidOutFor: next?.groups.from === 'plan' ? next.id : null,
          startsAt: plan.startsAt ?? null,
          minutesPlanned: plan.minutes ?? (all.length > 0 ? totalMinutes(all) : null),
          ...(next && toCome(next)),
        }
      },
      'segment-begun': (state, { segmentId }, at) => beginning(state, segmentId, at),
      'segment-length-set': (state, { segmentId, minutes }) => changed(state, segmentId, () => ({ minutes })),
      'segment-skipped': (state, { segmentId, skipped }) => changed(state, segmentId, () => ({ skipped })),
      'segment-moved': (state, { segmentId, beforeId }) => {
        const moved = find(state, segmentId)
        return moved
          ? inserted(
              state.segments.filter(one => one !== moved),
              moved,
              beforeId,
            )
          : {}
      },
      'segment-inserted': (state, { segment, beforeId }) =>
        inserted(state.segments, fresh(segment), beforeId),
      'rooms-laid-out': (state, { segmentId, rooms, awaited }, at) => ({
        ...withRooms(state, rooms, at),
        laidOutFor: segmentId,
        expected: expectedIn(state.expected, awaited),
      }),
      'people-awaited': (state, { awaited }) => ({ expected: expectedIn(state.expected, awaited) }),
      'rooms-undone': () => ({ laidOutFor: null }),
      'terms-set': (state, { type: _, ...terms }) => ofRound(state, { terms }),
      'roles-set': (state, { rule }) => ofRound(state, { roles: rule ?? undefined }),
      'parts-opened': (state, { parts }) => ofRound(state, { parts: parts ?? undefined }),
      'round-ended': (state, _event, at) => ended(state, at, true),
      ended: (state, _event, at) => ended(state, at, false),
      reopened: state => ({
        segments: state.segments.map(one =>
          one.endedAt !== null && one.endedAt === state.endedAt ? { ...one, endedAt: null } : one,
        ),
      }),
    },
    due: onSchedule,
    views: {
      facilitator: state => ({ order: orderOf(state), questionsReady: questionsReady(state.segments) }),
      participant: (state, me) => ({ program: me.admitted ? programOf(state.segments) : null }),
      projector: state => ({ program: programOf(state.segments), shown: shownNow(state) }),
    },
    words: {
      'no-such-segment': () => 'This segment is not part of the session any more.',
      'segment-over': () => 'This segment has begun already.',
      'too-many-segments': ({ most }) => `A session has at most ${most} segments.`,
    },
  },
)

/** Who has not come is awaited in these rooms, and in no others. */
function expectedIn(
  expected: State['expected'],
  awaited: readonly { personId: string; roomId: string }[],
): State['expected'] {
  const roomOfPerson = new Map(awaited.map(({ personId, roomId }) => [personId, roomId]))
  return expected.map(person => ({ ...person, roomId: roomOfPerson.get(person.personId) ?? null }))
}

/** An event, and the rooms of the round that is next after it. */
function withLayout(state: State, event: SegmentsEvent): Made[] {
  const after = { ...state, ...segments.evolve[event.type](state, event as never, 0) } as State
  return [event, ...layout(after)]
}
