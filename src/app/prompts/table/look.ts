import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const TABLE_LOOK: PromptLook<'table'> = {
  name: 'Table',
  hint: 'Rows to fill in, or one for each person, whom the others ask.',
  space: spaceWhenMet(() => import('./table-space')),
  Answer: whenMet(() => import('./table-answer')),
  settings: { columns: ['Answer'], rows: 'added', lines: [] },
  Settings: whenMet(() => import('./table-settings')),
}
