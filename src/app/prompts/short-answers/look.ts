import { lazy } from 'react'
import { loadAgain } from '../../ui/load-again'
import type { PromptLook } from '../look'
import { TextLines } from '../text-lines'
import { ShortAnswersSettings } from './short-answers-settings'

export const SHORT_ANSWERS_LOOK: PromptLook<'short-answers'> = {
  name: 'Short answers',
  hint: 'Fields with labels, for words or numbers.',
  Space: lazy(() => loadAgain(() => import('./short-answers-space'))),
  Answer: TextLines,
  settings: { fields: [] },
  Settings: ShortAnswersSettings,
}
