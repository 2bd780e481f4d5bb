import { isEqual, omit } from 'lodash-es'
import { z } from 'zod'
import type { FacilitatorsState } from '../facilitators/facilitators'
import { idSchema } from '../ids'
import { MOST_ROOMS } from '../rooms/room'
import type { SessionEvent } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { DUTIES, type DutiesState, dutyOf } from './duty'

export type DutiesProblem = { code: 'not-your-duty' } | { code: 'nobody-at-the-front' }

const duty = { does: z.enum(DUTIES), rooms: z.array(idSchema).max(MOST_ROOMS).nullable() }

const events = { 'duty-given': { accountId: idSchema, ...duty } }
export type DutiesEvent = EventsOf<typeof events>

/**
 * Who of those at the front does what. It is an agreement between people who could all do everything, and nobody is shut out by it:
 * whoever has less takes everything again by one move.
 */
export const duties = topic<{
  state: DutiesState
  needs: FacilitatorsState
  hears: SessionEvent
  problem: DutiesProblem
}>()(
  {
    initial: { duties: {} },
    commands: {
      'give-duty': { by: ['facilitator'], asks: { accountId: idSchema, ...duty } },
      /** The whole session is another's to lead; whoever gave it looks on. */
      'hand-over': { by: ['facilitator'], asks: { accountId: idSchema } },
      'take-everything': { by: ['facilitator'], asks: {} },
    },
    events,
  },
  {
    decide: {
      'give-duty'(state, { accountId, does, rooms }) {
        if (!isAtTheFront(state, accountId)) return refuse({ code: 'nobody-at-the-front' })
        const given = { does, rooms: rooms === null || rooms.length === 0 ? null : [...new Set(rooms)] }
        if (isEqual(given, dutyOf(state, accountId))) return nothing
        return happens({ type: 'duty-given', accountId, ...given })
      },
      'hand-over'(state, { accountId: toId }, { accountId }) {
        if (toId === accountId || !isAtTheFront(state, toId)) return refuse({ code: 'nobody-at-the-front' })
        return happens(
          { type: 'duty-given', accountId: toId, does: 'all', rooms: null },
          { type: 'duty-given', accountId, does: 'watch', rooms: null },
        )
      },
      'take-everything'(state, _command, { accountId }) {
        if (!(accountId in state.duties)) return nothing
        return happens({ type: 'duty-given', accountId, does: 'all', rooms: null })
      },
    },
    evolve: {
      opened: (_state, { plan }) => ({
        duties: Object.fromEntries(
          (plan.duties ?? []).map(({ accountId, does, rooms }) => [accountId, { does, rooms }]),
        ),
      }),
      'duty-given': ({ duties: before }, { accountId, does, rooms }) => ({
        duties:
          does === 'all' && rooms === null
            ? omit(before, accountId)
            : { ...before, [accountId]: { does, rooms } },
      }),
    },
    views: { facilitator: ({ duties: given }) => ({ duties: given }) },
    words: {
      'not-your-duty': () =>
        'Somebody else at the front does this now. Take everything again at the top of Live, if it is yours to do.',
      'nobody-at-the-front': () => 'They have not opened this session.',
    },
  },
)

const isAtTheFront = ({ facilitators }: FacilitatorsState, accountId: string) =>
  facilitators.some(one => one.accountId === accountId)
