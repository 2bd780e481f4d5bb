import { lazy } from 'react'
import { loadAgain } from '../../ui/load-again'
import type { PromptLook } from '../look'
import { ChoiceAnswer, ChoicesTogether } from './choice-answer'
import { ChoiceSettings } from './choice-settings'

export const CHOICE_LOOK: PromptLook<'choice'> = {
  name: 'Choice',
  hint: 'One of two to six answers, by the group or by each.',
  Space: lazy(() => loadAgain(() => import('./choice-space'))),
  Answer: ChoiceAnswer,
  Together: ChoicesTogether,
  settings: { options: ['Yes', 'No'], by: 'group', reasons: true },
  Settings: ChoiceSettings,
}
