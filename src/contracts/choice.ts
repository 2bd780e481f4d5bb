import type { ChoiceProblem } from '~/core/choices/share'
import type { ChoiceStanding } from '~/core/choices/standing'
/** Why what somebody chose was not taken. */
export type ChoiceRefusal =
  | { code: 'closed' }
  | { code: 'name-taken' }
  | { code: 'no-such-name' }
  | { code: 'no-such-topic' }
  | { code: 'too-many-wishes'; most: number }
  | { code: 'topic-full'; name: string }

/** Somebody of the cohort with what they chose: null when nothing was; `held` when a browser has taken their name. */
export interface Chooser {
  id: string
  shownName: string
  wishes: string[] | null
  held: boolean
}

/** A choice as it stands, for its page. */
export interface ChoiceOverview {
  cohort: { id: string; name: string }
  /** The first of the list, and how many are on it. */
  people: Chooser[]
  count: number
  /** How many chose something. */
  chosen: number
  shared: ({ ok: true } & ChoiceStanding) | { ok: false; problem: ChoiceProblem }
  /** What those are called who are named in `shared`. */
  names: [personId: string, shownName: string][]
}
