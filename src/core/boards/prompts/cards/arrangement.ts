/** Follows where the cards under a prompt stand, whatever they say. */
import * as Y from 'yjs'
import { cardsOf, readStanding, type StandingCard } from './document'

/**
 * The cards in the order in which they are shown. What stayed where it was is the same object as before, and while nothing moved
 * the list is too, so that a page draws anew only what moved. Writing on a card costs nothing here; all else O(cards).
 */
export class Arrangement {
  private cards: readonly StandingCard[] = []

  constructor(
    private readonly doc: Y.Doc,
    private readonly promptId: string,
  ) {
    this.read()
  }

  get = (): readonly StandingCard[] => this.cards

  /** `listener` is told when one stands elsewhere, came or went. Gives how to stop. */
  follow = (listener: () => void): (() => void) => {
    const list = cardsOf(this.doc, this.promptId)
    const hear = (events: Y.YEvent<Y.AbstractType<unknown>>[]) => {
      if (events.every(({ target }) => target instanceof Y.Text)) return
      if (this.read()) listener()
    }
    list.observeDeep(hear)
    // Something may have come between reading and listening.
    if (this.read()) listener()
    return () => list.unobserveDeep(hear)
  }

  /** Whether anything is other than it was. */
  private read(): boolean {
    const known = new Map(this.cards.map(card => [card.text, card]))
    const now = readStanding(this.doc, this.promptId).map(card => {
      const before = known.get(card.text)
      return before && isSame(before, card) ? before : card
    })
    if (now.length === this.cards.length && now.every((card, place) => card === this.cards[place]))
      return false
    this.cards = now
    return true
  }
}

const isSame = (one: StandingCard, other: StandingCard): boolean =>
  one.id === other.id && one.column === other.column && one.heap === other.heap
