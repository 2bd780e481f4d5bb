import type { Topic } from './share'

/**
 * What people can be asked by a link: to rank wishes, which are shared out when the choice is closed; to take a place, which
 * whoever comes first gets; or to answer a quick question, by which groups are mixed or matched.
 */
export const ASKED_KINDS = ['wishes', 'first-come', 'question'] as const
export type AskedKind = (typeof ASKED_KINDS)[number]
/** By which people share themselves out over topics. */
export type ChoiceKind = Exclude<AskedKind, 'question'>

/** A topic as people see it. */
export interface ChoiceTopic extends Topic {
  id: string
  name: string
}

/** What somebody chose: topic ids, the dearest first, and when. */
export interface ChoiceAnswer {
  personId: string
  wishes: string[]
  /** Milliseconds since 1970. */
  at: number
}
