/** How many groups are wanted, said either way: a number of groups, or about how many people in each. */
export type SizeWish = { by: 'groups'; groups: number } | { by: 'people'; people: number }

/** Why no sizes can be given. */
export type SizeProblem =
  | { code: 'too-few-people'; people: number }
  | { code: 'not-a-count'; wish: SizeWish }
  | { code: 'group-of-one'; people: number; mostGroups: number }

export type SizeResult = { ok: true; sizes: number[] } | { ok: false; problem: SizeProblem }

/** The smallest group there is: one person alone is never a group. */
export const SMALLEST_GROUP = 2

/**
 * Gives the group sizes for a number of people, largest first; sizes differ by at most one.
 *
 * "About three each" takes the number of groups that brings the sizes closest to three and, between two
 * equally close, the fewer groups (four people are easier to keep talking than two).
 * A number of groups that would leave somebody alone is refused with the most groups there can be.
 */
export function groupSizes(people: number, wish: SizeWish): SizeResult {
  const wanted = wish.by === 'groups' ? wish.groups : wish.people
  if (!Number.isInteger(wanted) || wanted < 1) return { ok: false, problem: { code: 'not-a-count', wish } }
  if (people < SMALLEST_GROUP) return { ok: false, problem: { code: 'too-few-people', people } }
  const mostGroups = Math.floor(people / SMALLEST_GROUP)
  if (wish.by === 'groups') {
    if (wish.groups > mostGroups) return { ok: false, problem: { code: 'group-of-one', people, mostGroups } }
    return { ok: true, sizes: evenSizes(people, wish.groups) }
  }
  if (wish.people < SMALLEST_GROUP)
    return { ok: false, problem: { code: 'group-of-one', people, mostGroups } }
  return { ok: true, sizes: evenSizes(people, groupsForSize(people, wish.people, mostGroups)) }
}

/** `people` shared out over `groups` as evenly as possible, largest first. Both at least 1, groups <= people. */
export function evenSizes(people: number, groups: number): number[] {
  const smaller = Math.floor(people / groups)
  const larger = people % groups
  return Array.from({ length: groups }, (_, group) => (group < larger ? smaller + 1 : smaller))
}

function groupsForSize(people: number, size: number, mostGroups: number): number {
  const fewer = Math.min(Math.max(1, Math.floor(people / size)), mostGroups)
  const more = Math.min(fewer + 1, mostGroups)
  const distance = (groups: number) => Math.abs(people / groups - size)
  return distance(more) < distance(fewer) ? more : fewer
}

/**
 * Planned sizes made to fit around people who stay: a group in which more are held than were planned becomes as large as
 * that, and the others give up as many between them, the largest first, none below what is held there or two. When that
 * is not possible the sizes stay as planned. O(people x groups).
 */
export function sizesAround(planned: readonly number[], held: readonly number[]): number[] {
  const sizes = planned.map((size, index) => Math.max(size, held[index] ?? 0))
  const total = planned.reduce((sum, size) => sum + size, 0)
  for (let over = sizes.reduce((sum, size) => sum + size, 0) - total; over > 0; over--) {
    const spare = sizes.map((size, index) => size > Math.max(SMALLEST_GROUP, held[index] ?? 0))
    const largest = sizes.reduce(
      (best, size, index) => (spare[index] && (best < 0 || size > (sizes[best] ?? 0)) ? index : best),
      -1,
    )
    if (largest < 0) return [...planned]
    sizes[largest] = (sizes[largest] ?? 0) - 1
  }
  return sizes
}
