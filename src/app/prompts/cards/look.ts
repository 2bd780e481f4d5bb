import type { PromptLook } from '../look'
import { CardsAnswer } from './cards-answer'
import { CardsSpace } from './cards-space'

export const CARDS_LOOK: PromptLook<'cards'> = {
  name: 'Cards',
  hint: 'Many short contributions.',
  Space: CardsSpace,
  Answer: CardsAnswer,
  settings: {},
  Settings: null,
}
