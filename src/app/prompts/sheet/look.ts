import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'
import { SheetAnswer } from './sheet-answer'

export const SHEET_LOOK: PromptLook<'sheet'> = {
  name: 'Sheet',
  hint: 'One long answer that several write at once.',
  // The text editor is by far the largest part of a board; it is fetched when the first sheet is met.
  space: spaceWhenMet(() => import('./sheet-space')),
  Answer: SheetAnswer,
  settings: {},
  Settings: whenMet(() => import('./sheet-settings')),
}
