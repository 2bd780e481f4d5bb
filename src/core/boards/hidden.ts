/** What is hidden on a board until it is opened: texts from everybody, cards from all but who wrote them. */
import type { Board, Prompt } from './board'

type HiddenText = Extract<Prompt, { kind: 'hidden-text' }>
type Cards = Extract<Prompt, { kind: 'cards' }>

export const isHiddenText = (prompt: Prompt): prompt is HiddenText => prompt.kind === 'hidden-text'

/** Everybody thinks first: each sees their own cards until they are opened. */
export const areHiddenCards = (prompt: Prompt): prompt is Cards =>
  prompt.kind === 'cards' && prompt.settings.seen === 'when-opened'

export const isHidden = (prompt: Prompt): prompt is HiddenText | Cards =>
  isHiddenText(prompt) || areHiddenCards(prompt)

/** Whether the group itself may open it. */
export const groupMayOpen = (prompt: Prompt): boolean =>
  isHiddenText(prompt) && prompt.settings.opens === 'group'

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
