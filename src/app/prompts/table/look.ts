import { lazy } from 'react'
import { loadAgain } from '../../ui/load-again'
import type { PromptLook } from '../look'
import { TableAnswer } from './table-answer'
import { TableSettings } from './table-settings'

export const TABLE_LOOK: PromptLook<'table'> = {
  name: 'Table',
  hint: 'Rows to fill in, or one for each person, whom the others ask.',
  Space: lazy(() => loadAgain(() => import('./table-space'))),
  Answer: TableAnswer,
  settings: { columns: ['Answer'], rows: 'added', lines: [] },
  Settings: TableSettings,
}
