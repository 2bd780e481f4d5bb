/** What the worker is asked for when groups are made of who is here, and what there is to say of its answer. */
import type { WorkerReply, WorkerTask } from '~/contracts/grouping-worker'
import { meetAgain } from '~/core/grouping/judge'
import type { Aim } from '~/core/grouping/rules'
import { sizesAround } from '~/core/grouping/sizes'
import type { LanePerson } from '~/core/live/door/shown'
import type { Column } from '~/core/people/columns'
import type { KnownHere } from './use-facts-here'

/** Steps of one search: the facilitator waits for it with a class in front of them. */
const STEPS = 1_000_000

/** What is asked of the groups besides their sizes. */
export interface Asked {
  fresh: boolean
  keepRules: boolean
  /** As `columnWishes` names it; empty for none. */
  column: string
}

/** What may be asked by a column: a mixture in every group, or people who are alike. */
export const columnWishes = (columns: readonly Column[]): { value: string; text: string }[] =>
  columns.flatMap(({ name }) => [
    { value: `mixed ${name}`, text: `mixed by ${name}` },
    { value: `matched ${name}`, text: `alike in ${name}` },
  ])

/** Of whom groups are made, and what is asked of them. */
export interface Making {
  here: readonly LanePerson[]
  groups: readonly { name: string; people: readonly LanePerson[] }[]
  facts: KnownHere | null
  held: ReadonlySet<string>
  asked: Asked
}

/** The worker's question: a fair draw where nothing is asked but sizes. */
export function roomsTask(
  { here, groups, facts, held, asked }: Making,
  sizes: readonly number[],
  seed: number,
): WorkerTask {
  const ids = here.map(person => person.id)
  const present = groups.map(group => group.people.map(person => person.id))
  const previous = present.filter(members => members.length > 0)
  const aims: Aim[] = []
  if (asked.fresh && facts && facts.history.size > 0) aims.push({ kind: 'fresh', strength: 2 })
  const [kind, ...name] = asked.column.split(' ')
  if (kind === 'mixed' || kind === 'matched') aims.push({ kind, column: name.join(' '), strength: 2 })
  const rules = asked.keepRules ? (facts?.rules ?? []) : []
  const stay = new Set(present.slice(0, sizes.length).flatMap(members => members.filter(id => held.has(id))))
  if (aims.length + rules.length + stay.size === 0)
    return { kind: 'draw', personIds: ids, sizes: [...sizes], seed, previous }
  const known = new Map(facts?.people.map(person => [person.id, person]))
  // Who is held stays where they are, also where that makes a group larger than was asked.
  const names = roomNames(groups, sizes.length)
  const heldIn = sizes.map((_, index) => present[index]?.filter(id => stay.has(id)).length ?? 0)
  return {
    kind: 'arrange',
    question: {
      people: ids.map(id => known.get(id) ?? { id, trainedToLead: false, columns: {} }),
      groups: sizesAround(sizes, heldIn).map((size, index) => ({ name: names[index] ?? '', size })),
      rules,
      aims,
      columns: facts?.columns ?? [],
      history: new Map(facts?.history),
      now: new Map(present.flatMap((members, index) => members.map(id => [id, index] as const))),
      held: stay,
    },
    seed,
    steps: STEPS,
    before: previous,
  }
}

/** What there is to say of groups that were made; null when nothing. */
export function saidOf(
  reply: Extract<WorkerReply, { kind: 'drawn' | 'step' }>,
  facts: KnownHere | null,
  asked: Asked,
): string | null {
  const said: string[] = []
  if (reply.kind === 'step' && reply.broken > 0)
    said.push(reply.broken === 1 ? 'One rule could not be kept.' : `${reply.broken} rules could not be kept.`)
  if (reply.kind === 'step' && reply.sameAsBefore)
    said.push('No other groups that keep as many rules were found: these are the same as before.')
  if (reply.kind === 'drawn' && reply.differs === false)
    said.push('There is no other way to group these people in these sizes.')
  if (asked.fresh && facts && facts.history.size > 0) {
    const groups = reply.groups.map((personIds, index) => ({ id: String(index), name: '', personIds }))
    const again = meetAgain(groups, facts.history).length
    said.push(
      again === 0
        ? 'Nobody is with anybody they have worked with.'
        : again === 1
          ? 'One pair has worked together before.'
          : `${again} pairs have worked together before.`,
    )
  }
  return said.length > 0 ? said.join(' ') : null
}

/** Names for so many groups: those that stand there keep theirs, and no two are the same. */
export function roomNames(groups: Making['groups'], count: number): string[] {
  const found = groups.slice(0, count).map(group => group.name)
  for (let number = 1; found.length < count; number++) {
    const name = `Group ${number}`
    if (!found.some(other => other.toLowerCase() === name.toLowerCase())) found.push(name)
  }
  return found
}
