import { z } from 'zod'
import type { Board } from '../../boards/board'
import { remember } from '../remember'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { type OpeningPlan, openingPlanSchema } from './opening'

/** A session can be opened again within so long after its end, in milliseconds. */
export const REOPENED_WITHIN_MS = 24 * 60 * 60 * 1000

/** Longest title of a session, in characters. */
export const LONGEST_TITLE = 100

export interface SessionState {
  phase: 'planned' | 'open' | 'ended'
  title: string
  openedAt: number | null
  endedAt: number | null
  /** What rooms can work on; the first is the session's own. */
  boards: Board[]
  /** It is tried out with simulated participants: nothing of it is kept. */
  isRehearsal: boolean
}

/** What only depends on how far a session is; each has words, which every topic may use. */
export type SessionProblem =
  | { code: 'not-allowed' }
  | { code: 'not-open' }
  | { code: 'already-open' }
  | { code: 'ended' }
  | { code: 'ended-long-ago' }

const events = {
  opened: { plan: openingPlanSchema },
  renamed: { title: z.string() },
  ended: {},
  /** Ended by mistake: it goes on as it was. */
  reopened: {},
}
export type SessionEvent = EventsOf<typeof events>

const headOf = remember(({ title, phase, openedAt, endedAt, isRehearsal }: SessionState) => ({
  title,
  phase,
  openedAt,
  endedAt,
  ...(isRehearsal && { isRehearsal }),
}))
const shortHeadOf = remember(({ title, phase, isRehearsal }: SessionState) => ({
  title,
  phase,
  ...(isRehearsal && { isRehearsal }),
}))

/** A session as a whole: opened with its plan, named, and ended. */
export const session = topic<{ state: SessionState; problem: SessionProblem; borrows: TextProblem }>()(
  {
    initial: {
      phase: 'planned',
      title: '',
      openedAt: null,
      endedAt: null,
      boards: [],
      isRehearsal: false,
    },
    commands: {
      open: { by: ['facilitator'], asks: { plan: openingPlanSchema }, phase: 'planned', inside: true },
      'rename-session': { by: ['facilitator'], asks: { title: textSchema } },
      end: { by: ['facilitator'], asks: {} },
      'reopen-session': { by: ['facilitator'], asks: {}, phase: 'ended' },
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
      'reopen-session': ({ endedAt }, _command, _actor, now) =>
        now - (endedAt ?? 0) <= REOPENED_WITHIN_MS
          ? happens({ type: 'reopened' })
          : refuse({ code: 'ended-long-ago' }),
    },
    evolve: {
      opened: (_state, { plan: { title, board, moreBoards = [], rehearsal = false } }, at) => ({
        title,
        isRehearsal: rehearsal,
        boards: [board, ...moreBoards],
        phase: 'open',
        openedAt: at,
      }),
      renamed: (_state, { title }) => ({ title }),
      ended: (_state, _event, at) => ({ phase: 'ended', endedAt: at }),
      reopened: () => ({ phase: 'open', endedAt: null }),
    },
    views: {
      facilitator: state => ({ session: headOf(state), boards: state.boards }),
      participant: state => ({ session: shortHeadOf(state) }),
      projector: state => ({ session: shortHeadOf(state) }),
    },
    words: {
      'not-allowed': () => 'This is not yours to do.',
      'not-open': () => 'The session has not been opened yet.',
      'already-open': () => 'The session is already open.',
      ended: () => 'The session has ended.',
      'ended-long-ago': () =>
        'A session is opened again within a day of its end. What was made in it stays in the review.',
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
