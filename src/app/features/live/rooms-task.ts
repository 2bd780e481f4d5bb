/** What the worker is asked for when groups are made of who is here, and what there is to say of its answer. */
import type { WorkerReply, WorkerTask } from '~/contracts/grouping-worker'
import type { SavedRound } from '~/core/grouping/facts-here'
import { meetAgain } from '~/core/grouping/judge'
import type { Aim } from '~/core/grouping/rules'
import { evenSizes, sizesAround } from '~/core/grouping/sizes'
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

/**
 * Groups of a kept grouping for those who are here: as many as can be of two or more, with as few people moved as can be. Null where
 * nobody is here.
 */
export function repairTask(
  { here, facts, asked }: Pick<Making, 'here' | 'facts' | 'asked'>,
  saved: SavedRound,
  seed: number,
): { task: Extract<WorkerTask, { kind: 'repair' }>; names: string[] } | null {
  if (here.length === 0) return null
  const present = new Set(here.map(person => person.id))
  const sizeOf = (group: SavedRound['groups'][number]) =>
    group.participantIds.filter(id => present.has(id)).length
  const most = Math.max(1, Math.floor(here.length / 2))
  // Groups in which nobody would be but one give their people to the others: the smallest first.
  const kept = new Set(saved.groups.toSorted((one, other) => sizeOf(other) - sizeOf(one)).slice(0, most))
  const groups = saved.groups.filter(group => kept.has(group) && sizeOf(group) > 0)
  const used = groups.length > 0 ? groups : saved.groups.slice(0, 1)
  const sizes = used.map(sizeOf)
  const isWhole = sizes.reduce((sum, size) => sum + size, 0) === here.length && !sizes.includes(1)
  const around = isWhole ? sizes : evenSizes(here.length, used.length)
  const known = new Map(facts?.people.map(person => [person.id, person]))
  const names = used.map(group => group.name)
  return {
    names,
    task: {
      kind: 'repair',
      question: {
        people: here.map(({ id }) => known.get(id) ?? { id, trainedToLead: false, columns: {} }),
        groups: used.map(({ name }, index) => ({ name, size: around[index] ?? 0 })),
        rules: asked.keepRules ? (facts?.rules ?? []) : [],
        aims: [],
        columns: facts?.columns ?? [],
        history: new Map(facts?.history),
        now: new Map(
          used.flatMap((group, index) =>
            group.participantIds.filter(id => present.has(id)).map(id => [id, index] as const),
          ),
        ),
        held: new Set(),
      },
      seed,
      steps: STEPS,
    },
  }
}

/** So many moves are named one by one. */
const MOST_NAMED = 8

/** What was changed of a kept grouping so that it fits who is here. */
export function movesSaid(
  reply: Extract<WorkerReply, { kind: 'repair-step' }>,
  task: { question: { now: ReadonlyMap<string, number> } },
  names: readonly string[],
  nameOf: (id: string) => string,
): string {
  const moved = reply.moves.map(
    ({ personId, from, to }) => `${nameOf(personId)}: ${names[from] ?? ''} → ${names[to] ?? ''}`,
  )
  const placed = reply.groups.flatMap((ids, index) =>
    ids.flatMap(id => (task.question.now.has(id) ? [] : [`${nameOf(id)}: to ${names[index] ?? ''}`])),
  )
  const all = [...moved, ...placed]
  const broken =
    reply.broken === 0
      ? ''
      : reply.broken === 1
        ? 'One rule could not be kept. '
        : `${reply.broken} rules could not be kept. `
  if (all.length === 0) return `${broken}As it was kept: nobody had to move.`
  const rest = all.length > MOST_NAMED ? ` and ${all.length - MOST_NAMED} more` : ''
  return `${broken}${all.slice(0, MOST_NAMED).join('; ')}${rest}.`
}
