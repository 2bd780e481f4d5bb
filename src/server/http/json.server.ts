import { parseClean } from '~/core/formats/clean-text'
import { problemText } from '~/core/live/decide'
import type { LiveProblem } from '~/core/live/topics'
import type { Result } from '../result'

/** Room for 500 people in 40 rounds, in characters. */
const MOST_JSON = 1_000_000

/** Reads JSON of bounded size; undefined when it is none. */
export function readJson(text: unknown): unknown {
  if (typeof text !== 'string' || text.length > MOST_JSON) return undefined
  try {
    return parseClean(text)
  } catch {
    return undefined
  }
}

/** An answer as JSON. */
export interface Answered {
  status: number
  said: object
}

/** How a command ended, with words for what was refused; null for what could not be read as one. */
export function outcomeAnswered(outcome: Result<unknown, LiveProblem> | null): Answered {
  if (!outcome) return { status: 400, said: inWords({ code: 'not-allowed' }) }
  return { status: 200, said: outcome.ok ? { ok: true } : inWords(outcome.problem) }
}

/** To somebody who asks faster than people do. */
export const TOO_MUCH_AT_ONCE: Answered = {
  status: 429,
  said: { ok: false, message: 'That was too much at once. Wait a moment, and try again.' },
}

const inWords = (problem: LiveProblem) => ({ ok: false, problem, message: problemText(problem) })
