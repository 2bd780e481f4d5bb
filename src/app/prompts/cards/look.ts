import type { PromptLook } from '../look'
import { atHand, whenMet } from '../when-met'
import { CardsOfPrompt } from './cards-of-prompt'

export const CARDS_LOOK: PromptLook<'cards'> = {
  name: 'Cards',
  hint: 'Many short contributions, in columns if you like.',
  space: atHand(CardsOfPrompt),
  Answer: whenMet(() => import('./cards-answer')),
  settings: {},
  Settings: whenMet(() => import('./cards-settings')),
}
