import type { PromptLook } from '../look'
import { CardsAnswer } from './cards-answer'
import { CardsSettings } from './cards-settings'
import { CardsSpace } from './cards-space'

export const CARDS_LOOK: PromptLook<'cards'> = {
  name: 'Cards',
  hint: 'Many short contributions, in columns if you like.',
  Space: CardsSpace,
  Answer: CardsAnswer,
  settings: {},
  Settings: CardsSettings,
}
