import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const WORDS_LOOK: PromptLook<'words'> = {
  name: 'Words',
  hint: 'Short answers that grow into a cloud.',
  space: spaceWhenMet(() => import('./words-space')),
  Answer: whenMet(() => import('./words-answer')),
  Together: whenMet(() => import('./words-together')),
  settings: { mostEach: 3 },
  Settings: whenMet(() => import('./words-settings')),
}
