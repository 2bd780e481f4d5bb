import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const SCALE_LOOK: PromptLook<'scale'> = {
  name: 'Scale',
  hint: 'Everybody takes a place between two ends.',
  space: spaceWhenMet(() => import('./scale-space')),
  Answer: whenMet(() => import('./scale-answer')),
  Together: whenMet(() => import('./scales-together')),
  settings: { low: 'Not at all', high: 'Fully', steps: 5, reasons: true },
  Settings: whenMet(() => import('./scale-settings')),
}
