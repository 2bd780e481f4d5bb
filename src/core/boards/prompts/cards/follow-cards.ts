import * as Y from 'yjs'
import type { ChangedPiece, Follower, Mend } from '../kind'
import { differences, PIECE_ID } from '../pieces'
import { type Card, cardsOf, readCard, readCards } from './document'

/**
 * Follows the cards of one prompt. A card that is written on is read alone, so that an edit costs the same on a full board as
 * on an empty one; only adding and taking away cards goes through their list once.
 */
export class CardsFollower implements Follower {
  private texts = new Map<string, string>()
  /** Which of the document's maps holds which piece; null for one that is taken away or no card. */
  private readonly cards = new Map<Y.Map<unknown>, string | null>()
  /** Two cards called themselves the same: then all of them are read each time, as the last one counts. */
  private doubled = false
  private readonly ids: CardIds

  /** `say` is what a card comes to as a piece: its text, and whatever else of it counts. */
  constructor(
    private readonly doc: Y.Doc,
    private readonly promptId: string,
    private readonly say: (card: Card) => string = card => card.text,
  ) {
    this.ids = new CardIds(cardsOf(doc, promptId).toArray())
    this.read(new Set(), true)
    if (this.doubled) this.texts = this.readAll()
  }

  changed(touched: ReadonlySet<unknown>): ChangedPiece[] {
    const list = cardsOf(this.doc, this.promptId)
    this.ids.see(touched, touched.has(list) ? list.toArray() : null)
    if (!this.doubled) {
      const changed = this.read(touched, touched.has(list))
      if (!this.doubled) return changed
    }
    const before = this.texts
    this.texts = this.readAll()
    return differences(before, this.texts)
  }

  mends(freshId: () => string): Mend[] {
    return this.ids.mends(() => cardsOf(this.doc, this.promptId).toArray(), freshId)
  }

  private readAll(): Map<string, string> {
    return new Map(readCards(this.doc, this.promptId).map(card => [card.id, this.say(card)]))
  }

  /** Reads the cards that were touched, and when the list was, those that are new; forgets those that are gone. */
  private read(touched: ReadonlySet<unknown>, listTouched: boolean): ChangedPiece[] {
    const { texts, cards } = this
    const before = new Map<string, string | undefined>()
    const holders = new Map<string, Y.Map<unknown>>()
    const say = (id: string, text: string | undefined, card: Y.Map<unknown>) => {
      if (!before.has(id)) before.set(id, texts.get(id))
      holders.set(id, card)
      put(texts, id, text)
    }
    const read = (card: Y.Map<unknown>) => {
      const [now] = readCard(card)
      const id = cards.get(card) ?? null
      if (id !== null && id !== now?.id) say(id, undefined, card)
      if (now && now.id !== id && texts.has(now.id)) this.doubled = true
      if (now) say(now.id, this.say(now), card)
      cards.set(card, now?.id ?? null)
    }
    const forget = (present: ReadonlySet<unknown>) => {
      for (const [card, id] of cards) {
        if (present.has(card)) continue
        cards.delete(card)
        if (id !== null) say(id, undefined, card)
      }
    }
    if (listTouched) {
      const present = cardsOf(this.doc, this.promptId)
        .toArray()
        .filter(card => card instanceof Y.Map)
      const added = present.filter(card => !cards.has(card))
      // More known than there can be: some are gone. Adding one, the usual case, need not look for them.
      if (cards.size + added.length > present.length) forget(new Set(present))
      for (const card of added) read(card)
    }
    for (const card of touched) if (card instanceof Y.Map && cards.has(card)) read(card)
    if (this.doubled) for (const [id, text] of before) put(texts, id, text)
    return [...before].flatMap(([id, text]): ChangedPiece[] =>
      texts.get(id) === text ? [] : [{ id, text: texts.get(id) ?? '', part: holders.get(id) }],
    )
  }
}

/**
 * Which card has which id. What others say about a card hangs on its id, so it must be one, be nobody else's, and stay. Cards
 * whose ids are not so are looked for only where something was written.
 */
class CardIds {
  private readonly ofCard = new Map<unknown, string>()
  private readonly holder = new Map<string, unknown>()
  private readonly wrong = new Set<Y.Map<unknown>>()

  /** What is there at first is as it is: earlier versions did not look at ids. */
  constructor(cards: readonly unknown[]) {
    for (const card of cards) if (card instanceof Y.Map) this.hold(card, card.get('id'))
  }

  /** `present` is what the list holds when it was written on; null when only cards were. */
  see(touched: ReadonlySet<unknown>, present: readonly unknown[] | null): void {
    if (present) {
      const there = new Set(present)
      for (const card of this.ofCard.keys()) if (!there.has(card)) this.forget(card)
      for (const card of present) if (card instanceof Y.Map && !this.ofCard.has(card)) this.look(card)
    }
    for (const card of touched) if (card instanceof Y.Map) this.look(card)
  }

  private look(card: Y.Map<unknown>): void {
    const id = card.get('id')
    const own = this.ofCard.get(card)
    if (own !== undefined) {
      if (id !== own) this.wrong.add(card)
      return
    }
    if (typeof id === 'string' && PIECE_ID.test(id) && !this.holder.has(id)) this.hold(card, id)
    else if (card.get('text') instanceof Y.Text) this.wrong.add(card)
  }

  private forget(card: unknown): void {
    const id = this.ofCard.get(card)
    this.ofCard.delete(card)
    if (id !== undefined && this.holder.get(id) === card) this.holder.delete(id)
  }

  /** `present` is asked only when there is something to put right: it reads the whole list, and this is asked after every edit. */
  mends(present: () => readonly unknown[], freshId: () => string): Mend[] {
    if (this.wrong.size === 0) return []
    const there = new Set(present())
    const cards = [...this.wrong].filter(card => there.has(card))
    this.wrong.clear()
    return cards.map(card => {
      const id = this.ofCard.get(card) ?? freshId()
      this.hold(card, id)
      return { piece: card, id }
    })
  }

  private hold(card: unknown, id: unknown): void {
    if (typeof id !== 'string') return
    this.ofCard.set(card, id)
    if (!this.holder.has(id)) this.holder.set(id, card)
  }
}

function put(texts: Map<string, string>, id: string, text: string | undefined): void {
  if (text === undefined) texts.delete(id)
  else texts.set(id, text)
}
