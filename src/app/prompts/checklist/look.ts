import { lazy } from 'react'
import { loadAgain } from '../../ui/load-again'
import type { PromptLook } from '../look'
import { ChecklistAnswer } from './checklist-answer'
import { ChecklistSettings } from './checklist-settings'

export const CHECKLIST_LOOK: PromptLook<'checklist'> = {
  name: 'Checklist',
  hint: 'Lines to tick, each of which can be somebody’s.',
  Space: lazy(() => loadAgain(() => import('./checklist-space'))),
  Answer: ChecklistAnswer,
  settings: { lines: [], add: true },
  Settings: ChecklistSettings,
}
