import type { Board } from '../boards/board'
import { KINDS } from '../boards/prompts/kinds'
import { WHOLE_ANSWER } from '../boards/prompts/pieces'

interface Written {
  copyId: string
  promptId: string
  entryId: string
  text: string
  /** Milliseconds since 1970. */
  at: number
}

interface Taken {
  copyId: string
  promptId: string
  pieceId: string
  text: string
  at: number
}

/**
 * The record of who wrote what without what a facilitator has taken off the screens: of a piece all that was written until then, of
 * a text of many lines the line. O(records).
 */
export function withoutTakenOff<One extends Written>(
  written: readonly One[],
  takenOff: readonly Taken[],
  { prompts }: Board,
): One[] {
  if (takenOff.length === 0) return [...written]
  const byLine = new Set(prompts.filter(({ kind }) => 'takeable' in KINDS[kind]).map(({ id }) => id))
  return written.flatMap(one => {
    const taken = takenOff.filter(
      ({ copyId, promptId, pieceId, at }) =>
        copyId === one.copyId && promptId === one.promptId && pieceId === one.entryId && at >= one.at,
    )
    if (taken.length === 0) return [one]
    if (one.entryId !== WHOLE_ANSWER || !byLine.has(one.promptId)) return []
    const lines = one.text.split('\n').filter(line => !taken.some(({ text }) => text === line))
    return [{ ...one, text: lines.join('\n') }]
  })
}
