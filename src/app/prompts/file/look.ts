import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const FILE_LOOK: PromptLook<'file'> = {
  name: 'File',
  hint: 'A PDF to read, sound or a video, with remarks at a page or a moment.',
  space: spaceWhenMet(() => import('./file-space')),
  Answer: whenMet(() => import('./file-answer')),
  settings: {},
  Settings: whenMet(() => import('./file-settings')),
}
