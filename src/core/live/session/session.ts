import { z } from 'zod'
import type { Board } from '../../boards/board'
import { remember } from '../remember'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { type OpeningPlan, openingPlanSchema } from './opening'

/** Longest title of a session, in characters. */
export const LONGEST_TITLE = 100

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

const events = { opened: { plan: openingPlanSchema }, renamed: { title: z.string() }, ended: {} }
export type SessionEvent = EventsOf<typeof events>

const headOf = remember(({ title, phase, openedAt, endedAt }: SessionState) => ({
  title,
  phase,
  openedAt,
  endedAt,
}))
const shortHeadOf = remember(({ title, phase }: SessionState) => ({ title, phase }))
const taskOf = remember(({ title, steps }: Board) => ({ title, steps }))

/** A session as a whole: opened with its plan, named, and ended. */
export const session = topic<{ state: SessionState; problem: SessionProblem; borrows: TextProblem }>()(
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
      'rename-session': { by: ['facilitator'], asks: { title: textSchema } },
      end: { by: ['facilitator'], asks: {} },
    },
    events,
  },
  {
    decide: {
      open: (_state, { plan }) => happens({ type: 'opened', plan }),
      'rename-session'(state, { title }) {
        const problem = textProblem(title, LONGEST_TITLE)
        if (problem) return refuse(problem)
        return state.title === title.trim() ? nothing : happens({ type: 'renamed', title: title.trim() })
      },
      end: () => happens({ type: 'ended' }),
    },
    evolve: {
      opened: (_state, { plan: { title, board } }, at) => ({ title, board, phase: 'open', openedAt: at }),
      renamed: (_state, { title }) => ({ title }),
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
