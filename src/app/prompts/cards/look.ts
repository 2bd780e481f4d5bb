import type { PromptLook } from '../look'
import { whenMet } from '../when-met'
import { CardsOfPrompt } from './cards-of-prompt'

export const CARDS_LOOK: PromptLook<'cards'> = {
  name: 'Cards',
  hint: 'Many short contributions, in columns if you like.',
  Space: CardsOfPrompt,
  Answer: whenMet(() => import('./cards-answer')),
  settings: {},
  Settings: whenMet(() => import('./cards-settings')),
}
