import type { PromptSpaceProps } from '../prompt-space'
import { whenMet } from '../when-met'
import { CardsSpace } from './cards-space'

const HiddenCards = whenMet(() => import('./hidden-cards'))

/** Cards that everybody sees at once, or each their own at first. */
export const CardsOfPrompt = (props: PromptSpaceProps<'cards'>) =>
  props.prompt.settings.seen === 'when-opened' ? <HiddenCards {...props} /> : <CardsSpace {...props} />
