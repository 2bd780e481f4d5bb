import type { AskedKind, ChoiceTopic } from '~/core/choices/asked'
import type { ChoiceProblem } from '~/core/choices/share'

/** A choice as its page shows it. */
export interface ChoiceView {
  choice: { title: string; kind: AskedKind; wishes: number; topics: ChoiceTopic[]; phase: 'open' | 'closed' }
  cohort: { id: string; name: string }
  choiceId: string
  link: { address: string; image: string }
  people: { id: string; shownName: string; wishes: string[] | null; held: boolean }[]
  shared:
    | {
        ok: true
        groups: { topicId: string; people: { id: string; rank: number | null }[] }[]
        unplacedIds: string[]
      }
    | { ok: false; problem: ChoiceProblem }
}

/** Ids of everybody who chose something. */
export const whoChose = (people: ChoiceView['people']): Set<string> =>
  new Set(people.filter(({ wishes }) => wishes !== null && wishes.length > 0).map(({ id }) => id))
