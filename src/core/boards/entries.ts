import * as Y from 'yjs'
import type { Board, Prompt } from './board'
import { cardsOf, entriesOf, readAnswer, readCard } from './document'

/** A piece of a board that says something else than before: the empty text when it was taken away. */
export interface ChangedEntry {
  promptId: string
  entryId: string
  text: string
}

/** What stands under one prompt: the pieces' texts, and for cards which of the document's maps holds which piece. */
interface Followed {
  texts: Map<string, string>
  cards: Map<Y.Map<unknown>, string | null>
  /** Two cards called themselves the same: then all of them are read each time, as the last one counts. */
  doubled: boolean
}

/**
 * Follows the pieces of a board as its document changes. A card that is written on is read alone, so that an edit costs
 * the same on a full board as on an empty one; only adding and taking away cards goes through their list once.
 */
export class BoardEntries {
  private readonly followed = new Map<string, Followed>()

  constructor(
    private readonly doc: Y.Doc,
    private readonly board: Board,
  ) {
    for (const prompt of board.prompts) {
      const followed: Followed = { texts: new Map(), cards: new Map(), doubled: false }
      this.followed.set(prompt.id, followed)
      if (prompt.kind === 'cards') this.readCards(prompt.id, followed, new Set(), true)
      if (prompt.kind !== 'cards' || followed.doubled) followed.texts = entriesOf(readAnswer(doc, prompt))
    }
  }

  /** The pieces a transaction changed; to be asked once for every one, before the next. */
  changedBy(transaction: Y.Transaction): ChangedEntry[] {
    const touched = touchedParts(transaction)
    return this.board.prompts.flatMap(prompt =>
      this.changedUnder(prompt, touched).map(([entryId, text]) => ({ promptId: prompt.id, entryId, text })),
    )
  }

  private changedUnder(prompt: Prompt, touched: Map<string, Set<unknown>>): [string, string][] {
    const parts = ['cards', 'sheet', 'answer', 'reason'].flatMap(
      kind => touched.get(`${kind}:${prompt.id}`) ?? [],
    )
    const followed = this.followed.get(prompt.id)
    if (parts.length === 0 || !followed) return []
    if (prompt.kind === 'cards' && !followed.doubled) {
      const list = cardsOf(this.doc, prompt.id)
      const cards = new Set(parts.flatMap(part => [...part]))
      const changed = this.readCards(prompt.id, followed, cards, cards.has(list))
      if (!followed.doubled) return changed
    }
    const before = followed.texts
    followed.texts = entriesOf(readAnswer(this.doc, prompt))
    return differences(before, followed.texts)
  }

  /** Reads the cards that were touched, and when the list was, those that are new; forgets those that are gone. */
  private readCards(
    promptId: string,
    followed: Followed,
    touched: ReadonlySet<unknown>,
    listTouched: boolean,
  ): [string, string][] {
    const { texts, cards } = followed
    const before = new Map<string, string | undefined>()
    const say = (id: string, text: string | undefined) => {
      if (!before.has(id)) before.set(id, texts.get(id))
      put(texts, id, text)
    }
    const read = (card: Y.Map<unknown>) => {
      const [now] = readCard(card)
      const id = cards.get(card) ?? null
      if (id !== null && id !== now?.id) say(id, undefined)
      if (now && now.id !== id && texts.has(now.id)) followed.doubled = true
      if (now) say(now.id, now.text)
      cards.set(card, now?.id ?? null)
    }
    const forget = (present: ReadonlySet<unknown>) => {
      for (const [card, id] of cards) {
        if (present.has(card)) continue
        cards.delete(card)
        if (id !== null) say(id, undefined)
      }
    }
    if (listTouched) {
      const present = cardsOf(this.doc, promptId)
        .toArray()
        .filter(card => card instanceof Y.Map)
      const added = present.filter(card => !cards.has(card))
      // More known than there can be: some are gone. Adding one, the usual case, need not look for them.
      if (cards.size + added.length > present.length) forget(new Set(present))
      for (const card of added) read(card)
    }
    for (const card of touched) if (card instanceof Y.Map && cards.has(card)) read(card)
    if (followed.doubled) for (const [id, text] of before) put(texts, id, text)
    return [...before].flatMap(([id, text]): [string, string][] =>
      texts.get(id) === text ? [] : [[id, texts.get(id) ?? '']],
    )
  }
}

function put(texts: Map<string, string>, id: string, text: string | undefined): void {
  if (text === undefined) texts.delete(id)
  else texts.set(id, text)
}

/** What is different now: texts that are new or changed, and the empty text for those that are gone. */
function differences(
  before: ReadonlyMap<string, string>,
  after: ReadonlyMap<string, string>,
): [string, string][] {
  const changed = [...after].filter(([id, text]) => before.get(id) !== text)
  const gone = [...before.keys()].filter(id => !after.has(id)).map((id): [string, string] => [id, ''])
  return [...changed, ...gone]
}

/** Names of the document's root types that a transaction reached into, with what it touched: the root or parts right under it. */
function touchedParts(transaction: Y.Transaction): Map<string, Set<unknown>> {
  const byRoot = new Map<unknown, Set<unknown>>()
  for (const type of transaction.changed.keys()) {
    let part: Y.AbstractType<unknown> = type as Y.AbstractType<unknown>
    let root = part
    while (root.parent) {
      part = root
      root = root.parent as Y.AbstractType<unknown>
    }
    byRoot.set(root, (byRoot.get(root) ?? new Set()).add(part))
  }
  const names = new Map<string, Set<unknown>>()
  for (const [name, type] of transaction.doc.share) {
    const parts = byRoot.get(type)
    if (parts) names.set(name, parts)
  }
  return names
}
