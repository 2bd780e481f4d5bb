import type { PromptLook } from '../look'
import { whenMet } from '../when-met'
import { CardsSpace } from './cards-space'

export const CARDS_LOOK: PromptLook<'cards'> = {
  name: 'Cards',
  hint: 'Many short contributions, in columns if you like.',
  Space: CardsSpace,
  Answer: whenMet(() => import('./cards-answer')),
  settings: {},
  Settings: whenMet(() => import('./cards-settings')),
}
