import type { PromptSpaceProps } from '../prompt-space'
import { SpaceMet } from '../space-met'
import { spaceWhenMet } from '../when-met'
import { CardsSpace } from './cards-space'

const HIDDEN_CARDS = spaceWhenMet(() => import('./hidden-cards'))

/** Cards that everybody sees at once, or each their own at first. */
export const CardsOfPrompt = (props: PromptSpaceProps<'cards'>) =>
  props.prompt.settings.seen === 'when-opened' ? (
    <SpaceMet space={HIDDEN_CARDS} {...props} />
  ) : (
    <CardsSpace {...props} />
  )
