import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import type { WorkerReply, WorkerTask } from '~/contracts/grouping-worker'
import type { Contradiction } from '~/core/grouping/arrange'
import type { HistoryAction, RoundList } from '~/core/grouping/edits'
import type { Arrangement } from '~/core/grouping/grouping'
import type { GroupingQuestion } from '~/core/grouping/pose'
import type { RoundsMethod } from '~/core/grouping/rounds/portfolio'
import { GroupingClient } from '../../../workers/grouping-client'

/** Steps of one search: about a second or two. */
const STEPS = 3_000_000
/** Steps of a search over several rounds: some seconds. */
const ROUNDS_STEPS = 12_000_000
/** Better answers are shown at most this often, in milliseconds: every one moves everybody. */
const SHOW_EVERY_MS = 250

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

export interface Search {
  busy: boolean
  /** How much of the budget is used, 0 to 1; null when nothing is known of it. */
  progress: number | null
  /** What there is to say of the last search. */
  note: string | null
  /** Null once its answer no longer stands. */
  outcome: Outcome | null
  contradiction: Contradiction | null
  search: (what: SearchFor, question: GroupingQuestion, absentIds: string[]) => void
  stop: () => void
}

/** What a search does to the rounds. */
type Found = Extract<HistoryAction, { type: 'replace' | 'improve' }>

type SearchReply = Extract<WorkerReply, { kind: 'step' | 'rounds-step' | 'repair-step' }>

/**
 * Makes groups in the worker: a fair draw where nothing is asked but sizes, otherwise a search whose better answers show as
 * they come. Whatever is done by hand meanwhile ends it: what people do is never overwritten by what was computed.
 */
export function useSearch(present: RoundList, dispatch: (action: Found) => void): Search {
  const [client] = useState(() => new GroupingClient())
  const [busy, setBusy] = useState(false)
  const [progress, setProgress] = useState<number | null>(null)
  const [note, setNote] = useState<string | null>(null)
  const [ended, setEnded] = useState<{ rounds: RoundList; outcome: Outcome } | null>(null)
  const [contradiction, setContradiction] = useState<Contradiction | null>(null)
  /** What the running search last showed; null when none runs. */
  const shown = useRef<RoundList | null>(null)
  /** Everything searches ever showed: whatever else stands there was done by hand. */
  const ours = useRef(new WeakSet<RoundList>())
  const waiting = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  useEffect(() => () => client.stop(), [client])

  const stop = useCallback(() => {
    client.stop()
    clearTimeout(waiting.current)
    waiting.current = undefined
    shown.current = null
    setBusy(false)
    setProgress(null)
  }, [client])

  useEffect(() => {
    if (shown.current && !ours.current.has(present)) stop()
  }, [present, stop])

  const search = (what: SearchFor, question: GroupingQuestion, absentIds: string[]) => {
    stop()
    setBusy(true)
    setNote(null)
    setEnded(null)
    setContradiction(null)
    const start = what.kind === 'repair' ? what.round : 0
    // Groups keep the id and name of the one they take the place of.
    const ids = question.groups.map((_, place) => present[start]?.groups[place]?.id ?? newGroupId())
    const seed = crypto.getRandomValues(new Int32Array(1))[0] ?? 0
    shown.current = present
    ours.current.add(present)
    let first = true
    const show = (answers: string[][][]): RoundList => {
      const made = answers.map(groups => named(question, ids, groups, absentIds))
      const rounds = what.kind === 'repair' ? present.with(what.round, made[0] as Arrangement) : made
      const from = shown.current
      shown.current = rounds
      ours.current.add(rounds)
      const action: Found = first || !from ? { type: 'replace', rounds } : { type: 'improve', from, rounds }
      first = false
      dispatch(action)
      return rounds
    }
    let latest: SearchReply | null = null
    const showStep = (reply: SearchReply): RoundList => {
      setProgress(Math.min(1, reply.steps / stepsFor(what)))
      return show(reply.kind === 'rounds-step' ? reply.rounds : [reply.groups])
    }
    /** Shows the first answer at once, and of the others the latest now and then. */
    const showSoon = (reply: SearchReply) => {
      latest = reply
      if (first) showStep(reply)
      waiting.current ??= setTimeout(() => {
        waiting.current = undefined
        if (latest && shown.current) startTransition(() => void showStep(latest as SearchReply))
      }, SHOW_EVERY_MS)
    }
    const hearStep = (reply: SearchReply) => {
      if (!reply.done) {
        showSoon(reply)
        return
      }
      clearTimeout(waiting.current)
      waiting.current = undefined
      const rounds = showStep(reply)
      shown.current = null
      setBusy(false)
      setProgress(null)
      setEnded({ rounds, outcome: outcomeOf(reply, question) })
      if (reply.kind === 'step' && reply.sameAsBefore)
        setNote('No other groups that keep as many rules were found: these are the same as before.')
    }
    const take = (reply: WorkerReply) => {
      if (reply.kind === 'contradiction') setContradiction(reply.contradiction)
      else if (reply.kind === 'drawn') {
        show([reply.groups])
        shown.current = null
        setBusy(false)
        if (reply.differs === false) setNote('There is no other way to group these people in these sizes.')
      } else if (reply.kind !== 'judged') hearStep(reply)
    }
    const hear = (reply: WorkerReply) => {
      // Not at one go: with hundreds of people drawing them all would hold up the page.
      if (shown.current) startTransition(() => take(reply))
    }
    const fail = () => {
      stop()
      setNote('The groups could not be worked out. Reload the page and try again.')
    }
    client.ask(taskFor(what, question, seed, present), hear, fail)
  }
  return {
    busy,
    progress,
    note,
    outcome: ended?.rounds === present ? ended.outcome : null,
    contradiction,
    search,
    stop,
  }
}

const stepsFor = ({ kind }: SearchFor): number => (kind === 'rounds' ? ROUNDS_STEPS : STEPS)

function outcomeOf(reply: SearchReply, { groups }: GroupingQuestion): Outcome {
  const { proved } = reply
  if (reply.kind === 'step') return { kind: 'groups', proved }
  if (reply.kind === 'rounds-step')
    return { kind: 'rounds', proved, leastRepeats: reply.leastRepeats, method: reply.method }
  const name = (place: number) => groups[place]?.name ?? ''
  const moves = reply.moves.map(({ personId, from, to }) => ({ personId, from: name(from), to: name(to) }))
  return { kind: 'repair', proved, moves }
}

function taskFor(what: SearchFor, question: GroupingQuestion, seed: number, present: RoundList): WorkerTask {
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
function plain({ people, groups, rules, aims, columns, history, now, held }: GroupingQuestion) {
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
      .flatMap(({ personIds }, place) =>
        personIds.filter(id => question.held.has(id)).map(id => [id, place] as const),
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

export const newGroupId = () => crypto.randomUUID().slice(0, 18)

function named(
  question: GroupingQuestion,
  ids: string[],
  groups: string[][],
  absentIds: string[],
): Arrangement {
  return {
    groups: groups.map((personIds, place) => ({
      id: ids[place] ?? '',
      name: question.groups[place]?.name ?? '',
      personIds,
    })),
    unplacedIds: absentIds,
  }
}

/** Names of so many groups: those there are, then numbers that are free. */
export function groupNames(present: Arrangement, count: number): string[] {
  const names = present.groups.slice(0, count).map(group => group.name)
  for (let number = 1; names.length < count; number++) {
    if (!names.includes(`Group ${number}`)) names.push(`Group ${number}`)
  }
  return names
}

/** What the groups as they stand cost, and what random ones would; asked anew whenever they change. */
export interface Judged {
  cost: number
  bound: number
  random: number[]
}

const JUDGE_AFTER_MS = 250

export function useJudged(question: GroupingQuestion | null, groups: string[][]): Judged | null {
  const [client] = useState(() => new GroupingClient())
  const [judged, setJudged] = useState<Judged | null>(null)
  useEffect(() => () => client.stop(), [client])
  const asked = JSON.stringify([question && { ...question, history: [], now: [], held: [] }, groups])
  const latest = useRef({ question, groups })
  latest.current = { question, groups }
  useEffect(() => {
    setJudged(null)
    const current = latest.current.question
    // The text stands for question and groups: it changes exactly when what is asked does.
    if (!current || asked === '') return
    let stopListening = () => {}
    const timer = setTimeout(() => {
      stopListening = client.ask(
        { kind: 'judge', question: plain(current), groups: latest.current.groups },
        reply =>
          reply.kind === 'judged' &&
          startTransition(() => setJudged({ cost: reply.cost, bound: reply.bound, random: reply.random })),
        () => setJudged(null),
      )
    }, JUDGE_AFTER_MS)
    return () => {
      clearTimeout(timer)
      stopListening()
    }
  }, [asked, client])
  return judged
}
