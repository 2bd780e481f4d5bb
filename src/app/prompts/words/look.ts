import { lazy } from 'react'
import { loadAgain } from '../../ui/load-again'
import type { PromptLook } from '../look'
import { WordsSettings } from './words-settings'

export const WORDS_LOOK: PromptLook<'words'> = {
  name: 'Words',
  hint: 'Short answers that grow into a cloud.',
  Space: lazy(() => loadAgain(() => import('./words-space'))),
  Answer: lazy(() => loadAgain(() => import('./words-answer'))),
  Together: lazy(() => loadAgain(() => import('./words-together'))),
  settings: { mostEach: 3 },
  Settings: WordsSettings,
}
