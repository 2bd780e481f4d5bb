import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const CHOICE_LOOK: PromptLook<'choice'> = {
  name: 'Choice',
  hint: 'One of two to six answers, by the group or by each.',
  space: spaceWhenMet(() => import('./choice-space')),
  Answer: whenMet(() => import('./choice-answer')),
  Together: whenMet(() => import('./choices-together')),
  settings: { options: ['Yes', 'No'], by: 'group', reasons: true },
  Settings: whenMet(() => import('./choice-settings')),
}
