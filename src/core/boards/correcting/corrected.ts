/**
 * A board that groups are working on is corrected. What they wrote lies under the ids of prompts, and of lists by the place of a
 * line: so words may change, and things may be added at the end, but nothing that an answer hangs on moves or goes.
 */
import { isEqual } from 'lodash-es'
import { type Board, MOST_PROMPTS, type Prompt } from '../board'

export interface Correction {
  /** What the groups get. */
  board: Board
  /** What changes for them, in words. */
  changes: string[]
  /** What stays as it was, and why, in words. */
  stays: string[]
}

/** Settings that say how an answer is to be read: with another value it would mean something else. */
const FIXED = ['by', 'rows', 'steps', 'over', 'seen']

/** What becomes of a board in use when it is to be as `now` says. Correcting with a board as it is changes nothing. */
export function correctionOf(inUse: Board, now: Board): Correction {
  const changes: string[] = []
  const stays: string[] = []
  if (inUse.title !== now.title) changes.push(`It is called “${now.title}”.`)
  if (!isEqual(inUse.steps, now.steps)) changes.push('The instructions are others.')
  const parts = correctedParts(inUse, now)
  if (!isEqual(inUse.parts ?? [], parts)) changes.push('Parts are others, or open in another way.')
  const known = new Set(parts.map(({ id }) => id))
  const prompts = now.prompts.flatMap(prompt => {
    const before = inUse.prompts.find(({ id }) => id === prompt.id)
    if (before) return [correctedPrompt(before, prompt, changes, stays)]
    changes.push(`“${prompt.text}” is new.`)
    return [prompt]
  })
  for (const [place, before] of inUse.prompts.entries()) {
    if (now.prompts.some(({ id }) => id === before.id)) continue
    stays.push(`“${before.text}” was taken away: it stays, since something may be written under it.`)
    const previous = inUse.prompts.slice(0, place).findLast(({ id }) => prompts.some(each => each.id === id))
    prompts.splice(previous ? prompts.findIndex(({ id }) => id === previous.id) + 1 : 0, 0, before)
  }
  const tooMany = prompts.length - MOST_PROMPTS
  if (tooMany > 0)
    stays.push(`A board has at most ${MOST_PROMPTS} prompts: the last ${tooMany} are left out.`)
  return {
    board: {
      title: now.title,
      steps: now.steps,
      prompts: (tooMany > 0 ? fewer(prompts, inUse, tooMany) : prompts).map(prompt =>
        prompt.part !== undefined && !known.has(prompt.part) ? withoutPart(prompt) : prompt,
      ),
      ...(parts.length > 0 && { parts }),
      ...(inUse.source !== undefined && { source: inUse.source }),
    },
    changes,
    stays,
  }
}

/** Parts in which something stays, stay with it. */
function correctedParts(inUse: Board, now: Board) {
  const gone = inUse.prompts.filter(({ id }) => !now.prompts.some(prompt => prompt.id === id))
  const kept = (inUse.parts ?? []).filter(
    ({ id }) => !now.parts?.some(part => part.id === id) && gone.some(({ part }) => part === id),
  )
  return [...(now.parts ?? []), ...kept]
}

function correctedPrompt(before: Prompt, after: Prompt, changes: string[], stays: string[]): Prompt {
  const named = `“${before.text}”`
  if (before.kind !== after.kind) {
    stays.push(`${named} is of another kind now: it stays as it was.`)
    return { ...before, text: after.text }
  }
  if (before.text !== after.text) changes.push(`${named} reads “${after.text}”.`)
  if (before.part !== after.part) changes.push(`${named} stands in another part.`)
  const why = whyNot(before.settings as Values, after.settings as Values)
  if (why) {
    stays.push(`${named}: ${why}`)
    return { ...after, settings: before.settings } as Prompt
  }
  if (!isEqual(before.settings, after.settings)) changes.push(`What is set about ${named} changed.`)
  return after
}

type Values = Readonly<Record<string, unknown>>

/** Why settings can not take the place of others under which something may be written; null when they can. */
function whyNot(before: Values, after: Values): string | null {
  for (const name of FIXED)
    if (!isEqual(before[name], after[name])) return 'how it is answered can not change any more.'
  for (const [name, lines] of Object.entries(before)) {
    const now = after[name] ?? []
    if (!Array.isArray(lines) || !Array.isArray(now)) continue
    if (now.length < lines.length) return 'what answers hang on can not be taken away.'
    const moved = lines.some((line, place) => now.some((each, at) => at !== place && isEqual(each, line)))
    if (moved) return 'what answers hang on can not change places; it can be added at the end.'
  }
  return null
}

/** Without the last that are new. */
function fewer(prompts: readonly Prompt[], inUse: Board, count: number): Prompt[] {
  const out = new Set(
    prompts.filter(({ id }) => !inUse.prompts.some(prompt => prompt.id === id)).slice(-count),
  )
  return prompts.filter(prompt => !out.has(prompt))
}

const withoutPart = ({ part: _, ...prompt }: Prompt): Prompt => prompt as Prompt
