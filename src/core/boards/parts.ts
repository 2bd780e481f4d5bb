/** Parts of a board: what is done first, and what waits until it is opened. */
import type { Board, Prompt } from './board'
import { isHiddenText } from './hidden'
import type { Part } from './part'

/** The part that opens with the round, whose instructions are the board's own. */
export const FIRST_PART = 'first'

/** A part with what stands in it. */
export interface PartShown {
  id: string
  title: string
  steps: readonly string[]
  minutes: number | null
  prompts: Prompt[]
}

/** All parts in order; prompts of a part there is not stand in the first. */
export function partsOf({ steps, prompts, parts = [] }: Board): PartShown[] {
  const known = new Set(parts.map(({ id }) => id))
  const inPart = (id: string) =>
    prompts.filter(({ part }) => (part !== undefined && known.has(part) ? part : FIRST_PART) === id)
  return [
    { id: FIRST_PART, title: '', steps, minutes: null, prompts: inPart(FIRST_PART) },
    ...parts.map(({ id, title, steps: own, minutes = null }) => ({
      id,
      title,
      steps: own,
      minutes,
      prompts: inPart(id),
    })),
  ]
}

/** What was said of the parts in one room, by their ids. */
export interface PartsSaid {
  opened: readonly string[]
  shut: readonly string[]
  done: readonly string[]
}

export const NOTHING_SAID: PartsSaid = { opened: [], shut: [], done: [] }

/** Which parts after the first are open in a room of which so much was said. What was said counts before how a part opens. */
export function openLaterParts(
  { parts = [] }: Pick<Board, 'parts'>,
  { opened, shut, done }: PartsSaid,
): Part[] {
  return parts.filter(({ id, opens }, index) => {
    if (shut.includes(id)) return false
    if (opened.includes(id) || opens === 'round') return true
    return opens === 'done' && done.includes(parts[index - 1]?.id ?? FIRST_PART)
  })
}

/** A board with only those of its later parts that are open: of the others neither instructions nor prompts. */
export function withOpenParts(board: Board, said: PartsSaid): Board {
  if (!board.parts?.length) return board
  const open = openLaterParts(board, said)
  if (open.length === board.parts.length) return board
  const shut = new Set(board.parts.filter(part => !open.includes(part)).map(({ id }) => id))
  return {
    ...board,
    parts: open,
    prompts: board.prompts.filter(({ part }) => part === undefined || !shut.has(part)),
  }
}

/** Prompts a room can write under now: of parts that are open, and when prompts were picked out, of those. */
export const askedPrompts = (
  board: Board,
  said: PartsSaid | undefined,
  picked: readonly string[] | null,
): Prompt[] =>
  withOpenParts(board, said ?? NOTHING_SAID).prompts.filter(
    prompt => !isHiddenText(prompt) && (picked?.includes(prompt.id) ?? true),
  )
