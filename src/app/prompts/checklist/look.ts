import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const CHECKLIST_LOOK: PromptLook<'checklist'> = {
  name: 'Checklist',
  hint: 'Lines to tick, each of which can be somebody’s.',
  space: spaceWhenMet(() => import('./checklist-space')),
  Answer: whenMet(() => import('./checklist-answer')),
  settings: { lines: [], add: true },
  Settings: whenMet(() => import('./checklist-settings')),
}
