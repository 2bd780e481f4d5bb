import { keyBy, omit } from 'lodash-es'
import { mergeFields } from '../merging/merge'

/** What a plan says in its form, as far as merging looks into it; all else is taken field by field. */
interface PlanFields {
  groupingId: string
  groupingRound?: number
  /** The rooms of that round of the grouping. */
  rooms: { groupId: string; name: string; byId?: string }[]
  duties?: { accountId: string; does: string }[]
}

/**
 * What two people planned at the same moment, from `base` on; `mine` is the later. Rooms are those of the grouping that comes of it,
 * each merged with what the other called it, or whose it is to look after.
 */
export function mergePlans<Plan extends PlanFields>(base: Plan, mine: Plan, theirs: Plan): Plan {
  const fields = mergeFields<Partial<PlanFields>>(plain(base), plain(mine), plain(theirs)) as Plan
  const isMine = fields.groupingId === mine.groupingId && fields.groupingRound === mine.groupingRound
  const rooms = isMine
    ? mergeBy('groupId', base.rooms, mine.rooms, theirs.rooms)
    : mergeBy('groupId', base.rooms, theirs.rooms, mine.rooms)
  const duties = mine.duties && mergeBy('accountId', base.duties ?? [], mine.duties, theirs.duties ?? [])
  return { ...fields, rooms, ...(duties && { duties }) }
}

const plain = (plan: PlanFields) => omit(plan, 'rooms', 'duties')

/** Those of `mine`, each merged with what the others have under the same key. */
function mergeBy<Key extends string, Item extends Record<Key, string>>(
  key: Key,
  base: readonly Item[],
  mine: readonly Item[],
  theirs: readonly Item[],
): Item[] {
  const [inBase, inTheirs] = [keyBy(base, key), keyBy(theirs, key)]
  return mine.map(item => {
    const other = inTheirs[item[key]]
    return other ? mergeFields<Item>(inBase[item[key]], item, other) : item
  })
}
