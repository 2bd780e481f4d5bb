/** Follows where the cards under a prompt stand, whatever they say. */
import * as Y from 'yjs'
import { cardsOf, inOrder, isRemoved, placeOf, type StandingCard, standingIn } from './document'

/** What one of the document's maps was read as. */
interface Read {
  card: StandingCard | undefined
  isRemoved: boolean
  at: string | null
}

/**
 * The cards in the order in which they are shown, and those that were taken away. What stayed where it was is the same object as
 * before, so that a page draws anew only what moved. Writing on a card costs nothing here; what else is touched is read alone,
 * and the list is gone through once.
 */
export class Arrangement {
  private cards: readonly StandingCard[] = []
  private removed: readonly StandingCard[] = []
  private known = new Map<unknown, Read>()
  private readonly listeners = new Set<() => void>()
  private readonly list: Y.Array<Y.Map<unknown>>

  constructor(doc: Y.Doc, promptId: string) {
    this.list = cardsOf(doc, promptId)
    this.read()
  }

  get = (): readonly StandingCard[] => this.cards

  getRemoved = (): readonly StandingCard[] => this.removed

  /** `listener` is told when a card stands elsewhere, came or went. Gives how to stop. */
  follow = (listener: () => void): (() => void) => {
    if (this.listeners.size === 0) {
      this.list.observeDeep(this.hear)
      // Something may have come while nobody listened.
      this.read(new Set(this.known.keys()))
    }
    this.listeners.add(listener)
    listener()
    return () => {
      this.listeners.delete(listener)
      if (this.listeners.size === 0) this.list.unobserveDeep(this.hear)
    }
  }

  private hear = (events: Y.YEvent<Y.AbstractType<unknown>>[]): void => {
    const touched = new Set<unknown>(events.map(({ target }) => target))
    if ([...touched].every(target => target instanceof Y.Text)) return
    this.read(touched)
    for (const listener of this.listeners) listener()
  }

  private read(touched: ReadonlySet<unknown> = new Set()): void {
    const maps = this.list.toArray()
    const before = this.known
    this.known = new Map(
      maps.map(map => {
        const known = before.get(map)
        return [map, known && !touched.has(map) ? known : readOne(map, known)]
      }),
    )
    const cardsOfThose = (removed: boolean) => (map: unknown) => {
      const read = this.known.get(map)
      return read?.card && read.isRemoved === removed ? read.card : []
    }
    const ordered = inOrder(maps, map => this.known.get(map)?.at ?? null)
    this.cards = sameList(this.cards, ordered.flatMap(cardsOfThose(false)))
    this.removed = sameList(this.removed, maps.flatMap(cardsOfThose(true)))
  }
}

function readOne(map: unknown, before: Read | undefined): Read {
  const [card] = standingIn(map)
  const isSame =
    card &&
    before?.card?.text === card.text &&
    before.card.id === card.id &&
    before.card.column === card.column &&
    before.card.heap === card.heap
  return { card: isSame ? before.card : card, isRemoved: isRemoved(map), at: placeOf(map) }
}

/** The list as it was, when it holds the same. */
const sameList = <Item>(before: readonly Item[], now: readonly Item[]): readonly Item[] =>
  before.length === now.length && now.every((item, place) => item === before[place]) ? before : now
