/** Texts of a board that are hidden until somebody opens them. */
import type { Board, Prompt } from './board'

type HiddenText = Extract<Prompt, { kind: 'hidden-text' }>

export const isHiddenText = (prompt: Prompt): prompt is HiddenText => prompt.kind === 'hidden-text'

/** A board without the texts that are not open yet: of those only what they are called. `opened` are ids of prompts. */
export function withHiddenShut(board: Board, opened: readonly string[]): Board {
  const isShut = (prompt: Prompt): prompt is HiddenText =>
    isHiddenText(prompt) && !opened.includes(prompt.id) && prompt.settings.hidden !== ''
  if (!board.prompts.some(isShut)) return board
  return {
    ...board,
    prompts: board.prompts.map(prompt =>
      isShut(prompt) ? { ...prompt, settings: { ...prompt.settings, hidden: '' } } : prompt,
    ),
  }
}
