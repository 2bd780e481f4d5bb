import { z } from 'zod'
import { idSchema } from '../ids'
import { type EventsOf, happens, nothing, topic } from '../topic'

/** Somebody who leads the session, now or before. */
export interface AtTheFront {
  accountId: string
  name: string
  /** Their page is open and has a line. */
  here: boolean
  /** When they came, or were last seen to go; in milliseconds since 1970. */
  since: number
}

export interface FacilitatorsState {
  facilitators: AtTheFront[]
}

const events = {
  'facilitator-came': { accountId: idSchema, name: z.string() },
  'facilitator-gone': { accountId: idSchema },
}
export type FacilitatorsEvent = EventsOf<typeof events>

/** Who is at the front: the session goes on by its clock when a line drops, and says so to whoever else leads it. */
export const facilitators = topic<{ state: FacilitatorsState }>()(
  {
    initial: { facilitators: [] },
    commands: {
      'facilitator-comes': { by: ['facilitator'], asks: {}, inside: true, idleAfterEnd: true },
      'facilitator-goes': { by: ['facilitator'], asks: {}, inside: true, idleAfterEnd: true },
    },
    events,
  },
  {
    decide: {
      'facilitator-comes'(state, _command, { accountId, name }) {
        const known = state.facilitators.find(one => one.accountId === accountId)
        return known?.here ? nothing : happens({ type: 'facilitator-came', accountId, name })
      },
      'facilitator-goes'(state, _command, { accountId }) {
        const known = state.facilitators.find(one => one.accountId === accountId)
        return known?.here ? happens({ type: 'facilitator-gone', accountId }) : nothing
      },
    },
    evolve: {
      'facilitator-came': (state, { accountId, name }, at) => ({
        facilitators: [
          ...state.facilitators.filter(one => one.accountId !== accountId),
          { accountId, name, here: true, since: at },
        ],
      }),
      'facilitator-gone': (state, { accountId }, at) => ({
        facilitators: state.facilitators.map(one =>
          one.accountId === accountId ? { ...one, here: false, since: at } : one,
        ),
      }),
    },
    views: { facilitator: state => ({ facilitators: state.facilitators }) },
    words: {},
  },
)
