import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const PICTURES_LOOK: PromptLook<'pictures'> = {
  name: 'Pictures',
  hint: 'Pictures to remark and draw on.',
  space: spaceWhenMet(() => import('./pictures-space')),
  Answer: whenMet(() => import('./pictures-answer')),
  settings: { pictures: [] },
  Settings: whenMet(() => import('./pictures-settings')),
}
