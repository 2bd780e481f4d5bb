import type { ChoiceOverview } from '~/contracts/choice'
import type { AskedKind, ChoiceTopic } from '~/core/choices/asked'

/** A choice as its page shows it. */
export interface ChoiceView extends ChoiceOverview {
  choice: { title: string; kind: AskedKind; wishes: number; topics: ChoiceTopic[]; phase: 'open' | 'closed' }
  choiceId: string
  link: { address: string; image: string }
}
