import type { Board } from '../../boards/board'
import { remember } from '../remember'
import { type EventsOf, happens, topic } from '../topic'
import { type OpeningPlan, openingPlanSchema } from './opening'

export interface SessionState {
  phase: 'planned' | 'open' | 'ended'
  title: string
  openedAt: number | null
  endedAt: number | null
  board: Board
}

/** What only depends on how far a session is; each has words, which every topic may use. */
export type SessionProblem =
  | { code: 'not-allowed' }
  | { code: 'not-open' }
  | { code: 'already-open' }
  | { code: 'ended' }

const events = { opened: { plan: openingPlanSchema }, ended: {} }
export type SessionEvent = EventsOf<typeof events>

const headOf = remember(({ title, phase, openedAt, endedAt }: SessionState) => ({
  title,
  phase,
  openedAt,
  endedAt,
}))
const shortHeadOf = remember(({ title, phase }: SessionState) => ({ title, phase }))
const taskOf = remember(({ title, steps }: Board) => ({ title, steps }))

/** A session as a whole: opened with its plan, and ended. */
export const session = topic<{ state: SessionState; problem: SessionProblem }>()(
  {
    initial: {
      phase: 'planned',
      title: '',
      openedAt: null,
      endedAt: null,
      board: { title: '', steps: [], prompts: [] },
    },
    commands: {
      open: { by: ['facilitator'], asks: { plan: openingPlanSchema }, phase: 'planned', inside: true },
      end: { by: ['facilitator'], asks: {} },
    },
    events,
  },
  {
    decide: {
      open: (_state, { plan }) => happens({ type: 'opened', plan }),
      end: () => happens({ type: 'ended' }),
    },
    evolve: {
      opened: (_state, { plan: { title, board } }, at) => ({ title, board, phase: 'open', openedAt: at }),
      ended: (_state, _event, at) => ({ phase: 'ended', endedAt: at }),
    },
    views: {
      facilitator: state => ({ session: headOf(state), board: state.board }),
      participant: state => ({ session: shortHeadOf(state) }),
      projector: state => ({ session: shortHeadOf(state), task: taskOf(state.board) }),
    },
    words: {
      'not-allowed': () => 'This is not yours to do.',
      'not-open': () => 'The session has not been opened yet.',
      'already-open': () => 'The session is already open.',
      ended: () => 'The session has ended.',
    },
    upcast: {
      1: {
        opened: payload => ({ ...payload, plan: { ...(payload.plan as object), groupingVersion: null } }),
      },
      2: { opened: payload => ({ ...payload, plan: withSettings(payload.plan as OpeningPlan) }) },
    },
  },
)

/** Prompts had no settings before: they get those of an empty form. */
const withSettings = (plan: OpeningPlan) => ({
  ...plan,
  board: { ...plan.board, prompts: plan.board.prompts.map(prompt => ({ ...prompt, settings: {} })) },
})
