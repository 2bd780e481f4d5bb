import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const SHORT_ANSWERS_LOOK: PromptLook<'short-answers'> = {
  name: 'Short answers',
  hint: 'Fields with labels, for words or numbers.',
  space: spaceWhenMet(() => import('./short-answers-space')),
  Answer: whenMet(() => import('./short-answers-answer')),
  settings: { fields: [] },
  Settings: whenMet(() => import('./short-answers-settings')),
}
