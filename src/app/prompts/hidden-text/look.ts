import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const HIDDEN_TEXT_LOOK: PromptLook<'hidden-text'> = {
  name: 'Hidden text',
  hint: 'A hint or a solution, read once it is opened.',
  space: spaceWhenMet(() => import('./hidden-text-space')),
  Answer: whenMet(() => import('./hidden-text-answer')),
  settings: { hidden: '', opens: 'group' },
  Settings: whenMet(() => import('./hidden-text-settings')),
}
