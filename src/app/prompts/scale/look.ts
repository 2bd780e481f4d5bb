import { lazy } from 'react'
import { loadAgain } from '../../ui/load-again'
import type { PromptLook } from '../look'
import { ScaleAnswer, ScalesTogether } from './scale-answer'
import { ScaleSettings } from './scale-settings'

export const SCALE_LOOK: PromptLook<'scale'> = {
  name: 'Scale',
  hint: 'Everybody takes a place between two ends.',
  Space: lazy(() => loadAgain(() => import('./scale-space'))),
  Answer: ScaleAnswer,
  Together: ScalesTogether,
  settings: { low: 'Not at all', high: 'Fully', steps: 5, reasons: true },
  Settings: ScaleSettings,
}
