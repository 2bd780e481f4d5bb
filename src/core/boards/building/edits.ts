/** What can be done to a board while it is made. Each gives another board; one that changes nothing gives the same. */
import type { Board, Part, Prompt } from '../board'
import { FIRST_PART, partsOf } from '../parts'

/** The part a prompt stands in: the first when it names none, or one there is not. */
export const partOf = (board: Board, { part }: Prompt): string =>
  part !== undefined && (board.parts ?? []).some(({ id }) => id === part) ? part : FIRST_PART

/** A prompt in a part; the first is not named. */
const inPart = (prompt: Prompt, part: string): Prompt => {
  const { part: _before, ...rest } = prompt
  return (part === FIRST_PART ? rest : { ...rest, part }) as Prompt
}

/** All prompts as they are shown, part by part. */
const inOrder = (board: Board): Prompt[] => partsOf(board).flatMap(({ prompts }) => prompts)

/** Puts a prompt, new or moved, into a part: before another one of it, or at its end. */
export function putPrompt(board: Board, prompt: Prompt, part: string, before?: string): Board {
  if (before === prompt.id) return board
  const others = inOrder(board).filter(({ id }) => id !== prompt.id)
  const put = inPart(prompt, part)
  const at = others.findIndex(({ id }) => id === before)
  if (at >= 0) return { ...board, prompts: others.toSpliced(at, 0, put) }
  const last = others.findLastIndex(each => partOf(board, each) === part)
  return { ...board, prompts: last < 0 ? [...others, put] : others.toSpliced(last + 1, 0, put) }
}

/** Moves a prompt one place up (-1) or down (1), over the edge of a part into the one beside it. */
export function movePrompt(board: Board, id: string, by: -1 | 1): Board {
  const parts = partsOf(board)
  const place = parts.findIndex(({ prompts }) => prompts.some(each => each.id === id))
  const here = parts[place]?.prompts ?? []
  const at = here.findIndex(each => each.id === id)
  const [prompt, neighbour, part] = [here[at], here[at + by], parts[place]]
  if (!prompt || !part) return board
  if (neighbour) return putPrompt(board, prompt, part.id, by < 0 ? neighbour.id : here[at + 2]?.id)
  const beside = parts[place + by]
  return beside ? putPrompt(board, prompt, beside.id, by < 0 ? undefined : beside.prompts[0]?.id) : board
}

/** Puts another prompt in the place of the one with its id. */
export const setPrompt = (board: Board, prompt: Prompt): Board => ({
  ...board,
  prompts: board.prompts.map(each => (each.id === prompt.id ? prompt : each)),
})

export const removePrompt = (board: Board, id: string): Board => ({
  ...board,
  prompts: board.prompts.filter(each => each.id !== id),
})

/** A second one right after a prompt. */
export function duplicatePrompt(board: Board, id: string, newId: string): Board {
  const prompt = board.prompts.find(each => each.id === id)
  if (!prompt) return board
  const part = partOf(board, prompt)
  const here = inOrder(board)
  const next = here[here.indexOf(prompt) + 1]
  const before = next && partOf(board, next) === part ? next.id : undefined
  return putPrompt(board, structuredClone({ ...prompt, id: newId }), part, before)
}

export const addPart = (board: Board, part: Part): Board => ({
  ...board,
  parts: [...(board.parts ?? []), part],
})

export const setPart = (board: Board, part: Part): Board => ({
  ...board,
  parts: (board.parts ?? []).map(each => (each.id === part.id ? part : each)),
})

/** Moves a later part, with what stands in it, one place up or down; the first stays where it is. */
export function movePart(board: Board, id: string, by: -1 | 1): Board {
  const parts = board.parts ?? []
  const at = parts.findIndex(each => each.id === id)
  const [part, neighbour] = [parts[at], parts[at + by]]
  return part && neighbour ? { ...board, parts: parts.with(at, neighbour).with(at + by, part) } : board
}

/** Puts a later part in the place of another, which moves up or down by one; nothing goes before the first. */
export function placePart(board: Board, id: string, at: string): Board {
  const parts = board.parts ?? []
  const [from, to] = [id, at].map(each => parts.findIndex(part => part.id === each))
  const part = parts[from ?? -1]
  if (!part || from === undefined || to === undefined || from === to) return board
  return { ...board, parts: parts.toSpliced(from, 1).toSpliced(Math.max(0, to), 0, part) }
}

/** Takes a part away; what it asks goes to the end of the part before. */
export function removePart(board: Board, id: string): Board {
  const shown = partsOf(board)
  const at = shown.findIndex(part => part.id === id)
  const before = shown[at - 1]
  if (!before) return board
  const moved = new Set(shown[at]?.prompts.map(prompt => prompt.id))
  return {
    ...board,
    prompts: inOrder(board).map(prompt => (moved.has(prompt.id) ? inPart(prompt, before.id) : prompt)),
    parts: (board.parts ?? []).filter(part => part.id !== id),
  }
}

/** A second one right after a part, with all it asks. What refers to a prompt of the part refers to the copy. */
export function duplicatePart(board: Board, id: string, freshId: () => string): Board {
  const parts = board.parts ?? []
  const at = parts.findIndex(part => part.id === id)
  const part = parts[at]
  if (!part) return board
  const copy = { ...structuredClone(part), id: freshId() }
  const here = inOrder(board).filter(prompt => partOf(board, prompt) === id)
  const newIds = new Map(here.map(prompt => [prompt.id, freshId()]))
  const copies = here.map(prompt =>
    inPart(withReferences({ ...structuredClone(prompt), id: newIds.get(prompt.id) ?? '' }, newIds), copy.id),
  )
  return { ...board, prompts: [...inOrder(board), ...copies], parts: parts.toSpliced(at + 1, 0, copy) }
}

/** A prompt whose settings name other prompts by their new ids. */
export function withReferences(prompt: Prompt, newIds: ReadonlyMap<string, string>): Prompt {
  if (prompt.kind !== 'points') return prompt
  const { over } = prompt.settings
  const newId = over === undefined ? undefined : newIds.get(over)
  return newId === undefined ? prompt : { ...prompt, settings: { ...prompt.settings, over: newId } }
}
