/**
 * What two people did at the same moment to what both began from is done to it: by piece and by field, the later where both
 * changed the same field. `mine` is the later. Nothing either of them added or changed is lost with what the other took away.
 */
import { isEqual } from 'lodash-es'

/** Whether two say the same once they have travelled as JSON: what is undefined is not there. */
export const isSame = (one: object, other: object): boolean =>
  isEqual(one, other) || isEqual(JSON.parse(JSON.stringify(one)), JSON.parse(JSON.stringify(other)))

/** What is neither list nor record: the later, unless only the other changed it. */
export const later = <Value>(base: Value, mine: Value, theirs: Value): Value =>
  isEqual(base, mine) ? theirs : mine

/** Field by field. */
export function mergeFields<Item extends object>(base: Item | undefined, mine: Item, theirs: Item): Item {
  const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])] as (keyof Item)[]
  return Object.fromEntries(
    keys
      .map(key => [key, later(base?.[key], mine[key], theirs[key])])
      .filter(([, value]) => value !== undefined),
  ) as Item
}

/** Piece by piece, by their ids, each merged in its way where both have it. */
export function mergeLists<Item extends { id: string }>(
  base: readonly Item[],
  mine: readonly Item[],
  theirs: readonly Item[],
  merge: (base: Item | undefined, mine: Item, theirs: Item) => Item,
): Item[] {
  const [inBase, inMine, inTheirs] = [base, mine, theirs].map(
    list => new Map(list.map(each => [each.id, each])),
  )
  const keep = (id: string): Item | null => {
    const [before, ours, others] = [inBase?.get(id), inMine?.get(id), inTheirs?.get(id)]
    if (ours && others) return merge(before, ours, others)
    const left = ours ?? others ?? null
    // One took it away: it goes, unless the other changed or added it.
    return before && isEqual(before, left) ? null : left
  }
  return mergeOrder(ids(base), ids(mine), ids(theirs)).flatMap(id => keep(id) ?? [])
}

const ids = (list: readonly { id: string }[]): string[] => list.map(({ id }) => id)

/** All that stand in either list, in the order of whoever changed it; what only the other has comes after what it stood behind. */
function mergeOrder(base: readonly string[], mine: readonly string[], theirs: readonly string[]): string[] {
  const [lead, follow] = isMoved(base, mine) ? [mine, theirs] : [theirs, mine]
  const order = [...lead]
  for (const [index, id] of follow.entries()) {
    if (order.includes(id)) continue
    const before = follow.slice(0, index).findLast(each => order.includes(each))
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id)
  }
  return order
}

/** Whether any of what was there stands in another order. */
const isMoved = (base: readonly string[], now: readonly string[]): boolean =>
  !isEqual(
    base.filter(id => now.includes(id)),
    now.filter(id => base.includes(id)),
  )
