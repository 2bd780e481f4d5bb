/**
 * What an update to a board would do, before anything of it is done (Yjs, update format version 1). A document never forgets
 * what it has once taken in, and whoever opens it takes all of it in: so this is looked at first.
 */
import * as Y from 'yjs'

export type Look =
  | {
      ok: true
      /** The writers' numbers of the pieces the document does not have yet. */
      writers: number[]
      /** Whether anything is added; otherwise things are only taken away, or nothing is new. */
      adds: boolean
      /** Names of root types that new pieces lie right in: whatever stands in one, some piece named it first. */
      roots: string[]
    }
  | {
      ok: false
      /**
       * `incomplete`: it goes on from something the document does not have. `too-deep`, `too-much`: more than people write.
       * `unreadable`: no update, or one with something in it that no board holds.
       */
      why: 'incomplete' | 'too-deep' | 'too-much' | 'unreadable'
    }

/** Elements within elements, a list in a list counted as two of them. */
export const DEEPEST = 60
/** Pieces that may come at once, and stretches that may be taken away at once. */
const MOST_PIECES = 2_000
/** Stretches named as taken away, most of them long known: who comes back names all there ever were. */
const MOST_STRETCHES = 50_000

/** Root types of a document: a table has one a cell, at most 600. Yjs looks through all of them for each piece it writes out. */
const MOST_ROOTS = 2_000
/** Of them new ones at once. */
const MOST_NEW_ROOTS = 700
/** New keys in maps that are root types: an answer of everybody of the largest room, many times over. */
const MOST_NEW_KEYS = 500

/** What boards hold: text and its marks, the entries of maps, elements, and what is left of what was taken away. */
const CONTENTS = [Y.ContentString, Y.ContentFormat, Y.ContentAny, Y.ContentType, Y.ContentDeleted]

/** Looks at an update for a document. O(size of the update, times the logarithm of the document's). */
export function lookAt(update: Uint8Array, doc: Y.Doc): Look {
  try {
    const { structs, ds } = Y.decodeUpdate(update)
    return new Looking(structs, ds.clients, doc).result()
  } catch {
    return { ok: false, why: 'unreadable' }
  }
}

type Struct = ReturnType<typeof Y.decodeUpdate>['structs'][number]
/** A piece that names the root it lies in: only those without a neighbour do. Types are found when the update is taken in. */
type InRoot = { parent: string }
const isInRoot = (item: Y.Item): item is Y.Item & InRoot => typeof (item.parent as unknown) === 'string'
type Stretches = Map<number, { clock: number; len: number }[]>

class Looking {
  /** All of a writer's pieces in the update, in order. */
  private readonly byWriter = new Map<number, Struct[]>()
  /** How far a writer's pieces go with the update. */
  private readonly ends = new Map<number, number>()

  constructor(
    private readonly structs: readonly Struct[],
    private readonly stretches: Stretches,
    private readonly doc: Y.Doc,
  ) {}

  result(): Look {
    if (!this.follow()) return { ok: false, why: 'incomplete' }
    const fresh = this.structs.filter(struct => this.isNew(struct))
    if (fresh.length > MOST_PIECES || this.hasTooManyStretches()) return { ok: false, why: 'too-much' }
    const items = fresh.filter(struct => struct instanceof Y.Item)
    if (items.some(({ content }) => !CONTENTS.some(kind => content instanceof kind)))
      return { ok: false, why: 'unreadable' }
    const inRoots = items.filter(isInRoot)
    if (this.hasTooManyRoots(inRoots)) return { ok: false, why: 'too-much' }
    if (!items.every(item => this.hasAllItNeeds(item)) || !this.stretchesAreKnown())
      return { ok: false, why: 'incomplete' }
    if (!new Depths(this.doc, this.byWriter).areBelow(DEEPEST, items)) return { ok: false, why: 'too-deep' }
    const writers = [...new Set(fresh.map(({ id }) => id.client))]
    const roots = [...new Set(inRoots.map(({ parent }) => parent))]
    return { ok: true, writers, adds: writers.length > 0, roots }
  }

  /** Every writer's pieces must go on where the document ends, without a gap. */
  private follow(): boolean {
    for (const struct of this.structs) {
      const { client, clock } = struct.id
      const end = this.ends.get(client) ?? this.stateOf(client)
      const until = clock + struct.length
      if (until > end && (clock > end || struct instanceof Y.Skip)) return false
      this.ends.set(client, Math.max(end, until))
      const all = this.byWriter.get(client)
      if (all) all.push(struct)
      else this.byWriter.set(client, [struct])
    }
    return true
  }

  private stateOf = (client: number): number => Y.getState(this.doc.store, client)
  private endOf = (client: number): number => this.ends.get(client) ?? this.stateOf(client)
  private isNew = ({ id, length }: Struct): boolean => id.clock + length > this.stateOf(id.client)
  private isThere = (id: Y.ID): boolean => id.clock < this.endOf(id.client)

  private hasAllItNeeds({ origin, rightOrigin, parent }: Y.Item): boolean {
    return [origin, rightOrigin, parent].every(each => !(each instanceof Y.ID) || this.isThere(each))
  }

  private stretchesAreKnown(): boolean {
    for (const [client, list] of this.stretches)
      for (const { clock, len } of list) if (clock + len > this.endOf(client)) return false
    return true
  }

  private hasTooManyRoots(inRoots: readonly (Y.Item & InRoot)[]): boolean {
    const { share } = this.doc
    const fresh = new Set(inRoots.map(({ parent }) => parent).filter(name => !share.has(name)))
    const keys = inRoots.filter(({ parentSub }) => parentSub !== null).length
    const tooMany = fresh.size > MOST_NEW_ROOTS || keys > MOST_NEW_KEYS
    return tooMany || (fresh.size > 0 && share.size + fresh.size > MOST_ROOTS)
  }

  private hasTooManyStretches(): boolean {
    let all = 0
    let fresh = 0
    for (const [client, list] of this.stretches) {
      all += list.length
      if (all > MOST_STRETCHES) return true
      for (const { clock } of list) {
        if (clock < this.stateOf(client) && !Y.getItem(this.doc.store, Y.createID(client, clock)).deleted)
          fresh++
        if (fresh > MOST_PIECES) return true
      }
    }
    return false
  }
}

/** How deep elements lie in others. Each leads to one other, what it lies in or what it stands beside, so no call calls itself. */
class Depths {
  private readonly known = new Map<Y.Item, number>()

  constructor(
    private readonly doc: Y.Doc,
    private readonly byWriter: ReadonlyMap<number, readonly Struct[]>,
  ) {}

  areBelow(most: number, items: readonly Y.Item[]): boolean {
    return items.every(item => !(item.content instanceof Y.ContentType) || this.of(item) < most)
  }

  private of(item: Y.Item): number {
    const path: { item: Y.Item; within: boolean }[] = []
    let depth = 0
    let at: Y.Item | null = item
    while (at) {
      const known = this.known.get(at)
      if (known !== undefined) {
        depth = known
        break
      }
      // One that leads back to itself is in nothing at all.
      this.known.set(at, Number.POSITIVE_INFINITY)
      const parent: unknown = at.parent
      if (typeof parent === 'string') {
        path.push({ item: at, within: true })
        break
      }
      const beside: Y.ID | null = at.origin ?? at.rightOrigin
      const next: Y.ID | null = parent instanceof Y.ID ? parent : beside
      path.push({ item: at, within: parent instanceof Y.ID })
      at = null
      if (!next) break
      if (next.clock < Y.getState(this.doc.store, next.client)) {
        depth = depthIn(Y.getItem(this.doc.store, next))
        break
      }
      at = this.inUpdate(next)
    }
    for (const { item: each, within } of path.reverse()) {
      if (within) depth += 1
      this.known.set(each, depth)
    }
    return depth
  }

  /** The piece of the update with this id; null when it holds nothing others could lie in. */
  private inUpdate({ client, clock }: Y.ID): Y.Item | null {
    const all = this.byWriter.get(client) ?? []
    let [low, high] = [0, all.length - 1]
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if ((all[middle]?.id.clock ?? 0) <= clock) low = middle
      else high = middle - 1
    }
    const found = all[low]
    return found instanceof Y.Item ? found : null
  }
}

/** How deep a piece of the document lies: 1 right under the root. */
function depthIn(piece: Y.Item | Y.GC): number {
  let depth = 0
  let at: unknown = piece
  while (at instanceof Y.Item && depth <= DEEPEST) {
    depth += 1
    at = (at.parent as Y.AbstractType<unknown> | null)?._item
  }
  return depth
}
