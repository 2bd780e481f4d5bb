import type { Prompt } from '../boards/board'
import { type Answer, restoredAnswer } from '../boards/prompts/kinds'

/** What somebody did to a piece of a board: what it said then, the empty text when it was taken away. */
interface Said {
  promptId: string
  entryId: string
  text: string
  /** Milliseconds since 1970. */
  at: number
}

/**
 * What stood under a prompt at a moment, from what was contributed until then. Of what was written in the half minute around
 * that moment only what was on record before it; of long texts, as much as is kept with a contribution. O(contributions).
 */
export function asItStood(prompt: Prompt, contributions: readonly Said[], at: number): Answer {
  const pieces = new Map<string, string>()
  const until = contributions.filter(one => one.promptId === prompt.id && one.at <= at)
  for (const { entryId, text } of until.toSorted((one, other) => one.at - other.at)) pieces.set(entryId, text)
  return restoredAnswer(prompt, pieces)
}
