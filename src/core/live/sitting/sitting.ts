import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { type PeopleState, participantList } from '../door/people'
import { idSchema } from '../ids'
import { remember, rememberBoth } from '../remember'
import type { RoomsProblem } from '../rooms/rooms'
import type { RoundState } from '../rounds/round'
import type { RoundsEvent, RoundsProblem } from '../rounds/rounds'
import type { SessionEvent } from '../session/session'
import { happens, nothing, refuse, topic } from '../topic'
import { groupsAsTheySit } from './groups-as-they-sit'

/** Most people one can name as sitting beside them. */
export const MOST_BESIDE_ONE = 8

export interface SittingState {
  /** Whom each has named as beside them, by participant id; null while nobody is asked. */
  sitting: ReadonlyMap<string, readonly string[]> | null
}

export type SittingProblem = { code: 'not-asked' } | { code: 'too-many-beside'; most: number }

const events = {
  'sitting-asked': {},
  'sitting-over': {},
  'beside-named': { participantId: idSchema, besideIds: z.array(idSchema).max(MOST_BESIDE_ONE) },
}

type State = SittingState & DoorState & RoundState

/** Groups as people sit in a real room: each names who is beside them, and who named each other is a group. */
export const sitting = topic<{
  state: SittingState
  needs: DoorState & RoundState
  hears: RoundsEvent | SessionEvent
  problem: SittingProblem
  borrows: DoorProblem | RoundsProblem | RoomsProblem
}>()(
  {
    initial: { sitting: null },
    commands: {
      'ask-sitting': { by: ['facilitator'], asks: {} },
      'end-sitting': { by: ['facilitator'], asks: {} },
      'name-beside': { by: ['participant'], asks: { besideIds: z.array(idSchema).max(100) } },
    },
    events,
  },
  {
    decide: {
      'ask-sitting'(state) {
        if (state.round) return refuse({ code: 'already-out' })
        return state.sitting ? nothing : happens({ type: 'sitting-asked' })
      },
      'end-sitting': state => (state.sitting ? happens({ type: 'sitting-over' }) : nothing),
      'name-beside'(state, { besideIds }, { participantId }) {
        const me = presentOf(state, participantId)
        if (!me) return refuse({ code: 'no-such-participant' })
        if (!me.admitted) return refuse({ code: 'waiting', shownName: me.shownName })
        if (!state.sitting) return refuse({ code: 'not-asked' })
        const named = [...new Set(besideIds)].filter(
          id => id !== participantId && presentOf(state, id)?.admitted,
        )
        if (named.length > MOST_BESIDE_ONE) return refuse({ code: 'too-many-beside', most: MOST_BESIDE_ONE })
        return happens({ type: 'beside-named', participantId, besideIds: named })
      },
    },
    evolve: {
      'sitting-asked': () => ({ sitting: new Map() }),
      'sitting-over': () => ({ sitting: null }),
      'beside-named': (state, { participantId, besideIds }) =>
        state.sitting ? { sitting: new Map(state.sitting).set(participantId, besideIds) } : {},
      'sent-out': () => ({ sitting: null }),
      ended: () => ({ sitting: null }),
    },
    views: {
      facilitator: state => ({
        sitting: state.sitting && sittingNow(state.sitting, state.participants),
      }),
      // The names are the same for all: apart from one's own, they are written once for everybody.
      participant: (state, me) => {
        const asked = state.sitting !== null && me.admitted && !me.released
        return {
          namesHere: asked ? namesHere(state.participants) : null,
          besideMe: asked ? (state.sitting?.get(me.id) ?? NOBODY) : null,
        }
      },
    },
    words: {
      'not-asked': () => 'Nobody is asked who sits beside them now.',
      'too-many-beside': ({ most }) => `Name at most ${most} people who sit beside you.`,
    },
  },
)
const NOBODY: string[] = []

/** Everybody who is let in, for naming who is beside one: sent only while that is asked. */
const namesHere = remember((participants: PeopleState['participants']) =>
  participantList({ participants }).flatMap(({ id, shownName, admitted }) =>
    admitted ? [{ id, shownName }] : [],
  ),
)

/** The groups so far, by participant ids, each with those at its people's devices; and how many have named somebody. */
const sittingNow = rememberBoth(
  (picks: NonNullable<State['sitting']>, participants: PeopleState['participants']) => {
    const here = participantList({ participants }).filter(one => one.admitted)
    const all = new Map(picks)
    // Who has no page sits beside whose device they are at.
    for (const { id, besideId } of here)
      if (besideId !== null) {
        all.set(id, [besideId])
        all.set(besideId, [...(all.get(besideId) ?? []), id])
      }
    return {
      groups: groupsAsTheySit(
        here.map(({ id }) => id),
        all,
      ),
      answered: picks.size,
    }
  },
)
