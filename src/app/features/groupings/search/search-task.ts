/** What the worker is asked for, and what its last word says. */
import type { WorkerReply, WorkerTask } from '~/contracts/grouping-worker'
import type { RoundList } from '~/core/grouping/edits'
import type { Arrangement } from '~/core/grouping/grouping'
import type { GroupingQuestion } from '~/core/grouping/pose'
import type { RoundsMethod } from '~/core/grouping/rounds/portfolio'

/** Steps of one search: about a second or two. */
const STEPS = 3_000_000
/** Steps of a search over several rounds: some seconds. */
const ROUNDS_STEPS = 12_000_000
/** What groups are asked for. */
export type SearchFor =
  | { kind: 'groups' }
  | { kind: 'rounds'; rounds: number }
  /** One round made whole again, with as few moved as can be; the others stay. */
  | { kind: 'repair'; round: number }

/** The last search's word on its answer. */
export type Outcome =
  | { kind: 'groups'; proved: boolean }
  | { kind: 'rounds'; proved: boolean; leastRepeats: number; method: RoundsMethod }
  | { kind: 'repair'; proved: boolean; moves: { personId: string; from: string; to: string }[] }

export type SearchReply = Extract<WorkerReply, { kind: 'step' | 'rounds-step' | 'repair-step' }>

export const stepsFor = ({ kind }: SearchFor): number => (kind === 'rounds' ? ROUNDS_STEPS : STEPS)

export function outcomeOf(reply: SearchReply, { groups }: GroupingQuestion): Outcome {
  const { proved } = reply
  if (reply.kind === 'step') return { kind: 'groups', proved }
  if (reply.kind === 'rounds-step')
    return { kind: 'rounds', proved, leastRepeats: reply.leastRepeats, method: reply.method }
  const name = (index: number) => groups[index]?.name ?? ''
  const moves = reply.moves.map(({ personId, from, to }) => ({ personId, from: name(from), to: name(to) }))
  return { kind: 'repair', proved, moves }
}

/** What there is to say of an answer besides the groups; null when nothing. */
export function noteOf(reply: WorkerReply): string | null {
  if (reply.kind === 'step' && reply.done && reply.sameAsBefore)
    return 'No other groups that keep as many rules were found: these are the same as before.'
  if (reply.kind === 'drawn' && reply.differs === false)
    return 'There is no other way to group these people in these sizes.'
  return null
}

export function taskFor(
  what: SearchFor,
  question: GroupingQuestion,
  seed: number,
  present: RoundList,
): WorkerTask {
  const steps = stepsFor(what)
  if (what.kind === 'rounds')
    return {
      kind: 'rounds',
      question: plain(question),
      rounds: what.rounds,
      seats: present.map(round => seatsHeld(round, question)),
      seed,
      steps,
    }
  if (what.kind === 'repair') return { kind: 'repair', question: plain(question), seed, steps }
  const { people, groups, rules, aims, held } = question
  const before = groupsBefore(present[0], question)
  if (rules.length + aims.length + held.size === 0) {
    const personIds = people.map(person => person.id)
    return { kind: 'draw', personIds, sizes: groups.map(group => group.size), seed, previous: before }
  }
  return { kind: 'arrange', question: plain(question), seed, steps, before }
}

/** A question as it can be sent. */
export function plain({ people, groups, rules, aims, columns, history, now, held }: GroupingQuestion) {
  return {
    people: people.map(({ id, trainedToLead, columns }) => ({ id, trainedToLead, columns })),
    groups: [...groups],
    rules: [...rules],
    aims: [...aims],
    columns: [...columns],
    history: new Map(history),
    now: new Map(now),
    held: new Set(held),
  }
}

/** Where those who are held are in a round, by the place of their group. */
function seatsHeld({ groups }: Arrangement, question: GroupingQuestion): Map<string, number> {
  return new Map(
    groups
      .slice(0, question.groups.length)
      .flatMap(({ personIds }, index) =>
        personIds.filter(id => question.held.has(id)).map(id => [id, index] as const),
      ),
  )
}

/** The groups that must not come back: only if the same people stand in them. */
function groupsBefore(present: Arrangement | undefined, question: GroupingQuestion): string[][] | undefined {
  const asked = new Set(question.people.map(person => person.id))
  const groups = (present?.groups ?? [])
    .map(group => group.personIds.filter(id => asked.has(id)))
    .filter(ids => ids.length > 0)
  return groups.length > 0 ? groups : undefined
}
