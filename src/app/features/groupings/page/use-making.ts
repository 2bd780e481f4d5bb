import type { Arrangement } from '~/core/grouping/grouping'
import type { GroupingQuestion } from '~/core/grouping/pose'
import { evenSizes, sizesAround } from '~/core/grouping/sizes'
import { groupNames } from '../search/group-names'
import type { Search } from '../search/use-search'

interface Making {
  present: Arrangement
  round: number
  search: Search
  /** Those who are to be in groups, and those of the present groups who are not here. */
  pool: GroupingQuestion['people']
  absent: ReadonlySet<string>
  held: GroupingQuestion['held']
  asked: Pick<GroupingQuestion, 'rules' | 'aims' | 'columns' | 'history'>
  onMake: () => void
}

/** Making groups anew, and making a round whole again, from what stands there and what is asked. */
export function useMaking({ present, round, search, pool, absent, held, asked, onMake }: Making) {
  const questionFor = (groups: { name: string; size: number }[]): GroupingQuestion => ({
    people: pool,
    groups,
    ...asked,
    now: new Map(present.groups.flatMap((group, index) => group.personIds.map(id => [id, index] as const))),
    held,
  })
  const make = (sizes: number[], count: number) => {
    const names = groupNames(present, sizes.length)
    onMake()
    // Who is held stays where they are, also where that makes a group larger than was planned.
    const heldIn = names.map(
      (_, index) =>
        present.groups[index]?.personIds.filter(id => held.has(id) && !absent.has(id)).length ?? 0,
    )
    const around = sizesAround(sizes, heldIn)
    const groups = around.map((size, index) => ({ name: names[index] ?? '', size }))
    const what = count === 1 ? { kind: 'groups' as const } : { kind: 'rounds' as const, rounds: count }
    search.search(what, questionFor(groups), [...absent])
  }
  const repair = () => {
    const here = present.groups.map(group => group.personIds.filter(id => !absent.has(id)).length)
    const even = evenSizes(pool.length, present.groups.length)
    // Sizes that were made by hand stay as they are when nobody has come or gone.
    const sizes = here.reduce((sum, size) => sum + size, 0) === pool.length && !here.includes(1) ? here : even
    const groups = present.groups.map((group, index) => ({ name: group.name, size: sizes[index] ?? 0 }))
    search.search({ kind: 'repair', round }, questionFor(groups), [...absent])
  }
  return { questionFor, make, repair }
}
