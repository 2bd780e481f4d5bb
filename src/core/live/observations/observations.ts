import { z } from 'zod'
import type { DoorProblem } from '../door/door-facts'
import type { PeopleState } from '../door/people'
import { idSchema } from '../ids'
import type { MessagesProblem } from '../messages/messages'
import { type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { isJustNow } from '../twice'
import { LONGEST_OBSERVATION, MOST_OBSERVATIONS, type Observation } from './observation'

export interface ObservationsState {
  /** In the order in which they were made. */
  observations: readonly Observation[]
}

export type ObservationsProblem = { code: 'no-such-observation' } | { code: 'too-many-observations' }

/** What an observation is on: a room or a person. */
const on = z.union([z.object({ roomId: idSchema }), z.object({ participantId: idSchema })])

const events = {
  observed: {
    observationId: idSchema,
    roomId: idSchema.nullable(),
    participantId: idSchema.nullable(),
    text: z.string(),
    from: z.string(),
  },
  'observation-dropped': { observationId: idSchema },
}
export type ObservationsEvent = EventsOf<typeof events>

/** What facilitators note down for themselves: no other page is ever sent any of it, and no mark tells of it. */
export const observations = topic<{
  state: ObservationsState
  needs: PeopleState & RoomsState
  problem: ObservationsProblem
  borrows: DoorProblem | RoomsProblem | MessagesProblem
}>()(
  {
    initial: { observations: [] },
    commands: {
      observe: {
        by: ['facilitator'],
        asks: { on, text: textSchema },
        fills: { observationId: 'fresh-id' },
      },
      'drop-observation': { by: ['facilitator'], asks: { observationId: idSchema } },
    },
    events,
  },
  {
    decide: {
      observe(state, { on, text, observationId }, { name }, now) {
        const roomId = 'roomId' in on ? on.roomId : null
        const participantId = 'participantId' in on ? on.participantId : null
        if (roomId !== null && !roomOf(state, roomId)) return refuse({ code: 'no-such-room' })
        if (participantId !== null && !state.participants.has(participantId))
          return refuse({ code: 'no-such-participant' })
        const problem = textProblem(text, LONGEST_OBSERVATION)
        if (problem) return refuse(problem)
        if (state.observations.some(({ id }) => id === observationId)) return nothing
        const twice = state.observations.some(
          said =>
            isJustNow(said.at, now) &&
            said.roomId === roomId &&
            said.participantId === participantId &&
            said.text === text.trim(),
        )
        if (twice) return nothing
        if (state.observations.length >= MOST_OBSERVATIONS) return refuse({ code: 'too-many-observations' })
        return happens({
          type: 'observed',
          observationId,
          roomId,
          participantId,
          text: text.trim(),
          from: name,
        })
      },
      'drop-observation'(state, { observationId }) {
        return state.observations.some(({ id }) => id === observationId)
          ? happens({ type: 'observation-dropped', observationId })
          : refuse({ code: 'no-such-observation' })
      },
    },
    evolve: {
      observed: ({ observations: before }, { observationId: id, roomId, participantId, text, from }, at) => ({
        observations: [...before, { id, roomId, participantId, text, from, at }],
      }),
      'observation-dropped': ({ observations: before }, { observationId }) => ({
        observations: before.filter(({ id }) => id !== observationId),
      }),
    },
    views: { facilitator: state => ({ observations: state.observations }) },
    words: {
      'no-such-observation': () => 'This observation was dropped already.',
      'too-many-observations': () => `At most ${MOST_OBSERVATIONS} observations are kept of a session.`,
    },
  },
)
