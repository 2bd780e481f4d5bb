import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import type { WorkerReply } from '~/contracts/grouping-worker'
import type { Contradiction } from '~/core/grouping/arrange'
import type { HistoryAction } from '~/core/grouping/edits'
import type { Arrangement } from '~/core/grouping/grouping'
import type { GroupingQuestion } from '~/core/grouping/pose'
import { GroupingClient } from '../../workers/grouping-client'

/** Steps of one search: about a second or two. */
const STEPS = 3_000_000
/** Better answers are shown at most this often, in milliseconds: every one moves everybody. */
const SHOW_EVERY_MS = 250

export interface Search {
  busy: boolean
  /** How much of the budget is used, 0 to 1; null when nothing is known of it. */
  progress: number | null
  /** What there is to say of the last search. */
  note: string | null
  /** The last search's word on its answer, while that answer stands. */
  outcome: { arrangement: Arrangement; proved: boolean } | null
  contradiction: Contradiction | null
  search: (question: GroupingQuestion, absentIds: string[]) => void
  stop: () => void
}

/**
 * Makes groups in the worker: a fair draw where nothing is asked but sizes, otherwise a search whose better answers show as
 * they come. Whatever is done by hand meanwhile ends it: what people do is never overwritten by what was computed.
 */
export function useSearch(present: Arrangement, dispatch: (action: HistoryAction) => void): Search {
  const [client] = useState(() => new GroupingClient())
  const [busy, setBusy] = useState(false)
  const [progress, setProgress] = useState<number | null>(null)
  const [note, setNote] = useState<string | null>(null)
  const [outcome, setOutcome] = useState<Search['outcome']>(null)
  const [contradiction, setContradiction] = useState<Contradiction | null>(null)
  /** What the running search last showed; null when none runs. */
  const shown = useRef<Arrangement | null>(null)
  /** Everything searches ever showed: whatever else stands there was done by hand. */
  const ours = useRef(new WeakSet<Arrangement>())
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

  const search = (question: GroupingQuestion, absentIds: string[]) => {
    stop()
    setBusy(true)
    setNote(null)
    setOutcome(null)
    setContradiction(null)
    // Groups keep the id and name of the one they take the place of.
    const before = groupsBefore(present, question)
    const seed = crypto.getRandomValues(new Int32Array(1))[0] ?? 0
    shown.current = present
    ours.current.add(present)
    const ids = question.groups.map((_, place) => present.groups[place]?.id ?? newGroupId())
    let first = true
    const show = (groups: string[][]): Arrangement => {
      const arrangement = named(question, ids, groups, absentIds)
      const from = shown.current
      shown.current = arrangement
      ours.current.add(arrangement)
      const action: HistoryAction =
        first || !from ? { type: 'replace', arrangement } : { type: 'improve', from, arrangement }
      first = false
      // Not at one go: with hundreds of people drawing them all would hold up the page.
      startTransition(() => dispatch(action))
      return arrangement
    }
    let latest: string[][] | null = null
    /** Shows the first answer at once, and of the others the latest now and then. */
    const showSoon = (groups: string[][]) => {
      latest = groups
      if (first) show(groups)
      waiting.current ??= setTimeout(() => {
        waiting.current = undefined
        if (latest && shown.current) show(latest)
      }, SHOW_EVERY_MS)
    }
    const hear = (reply: WorkerReply) => {
      if (!shown.current) return
      if (reply.kind === 'contradiction') setContradiction(reply.contradiction)
      if (reply.kind === 'drawn') {
        show(reply.groups)
        shown.current = null
        setBusy(false)
        if (reply.differs === false) setNote('There is no other way to group these people in these sizes.')
      }
      if (reply.kind === 'step') {
        setProgress(Math.min(1, reply.steps / STEPS))
        if (!reply.done) {
          showSoon(reply.groups)
          return
        }
        clearTimeout(waiting.current)
        waiting.current = undefined
        const arrangement = show(reply.groups)
        shown.current = null
        setBusy(false)
        setProgress(null)
        setOutcome({ arrangement, proved: reply.proved })
      }
    }
    const fail = () => {
      stop()
      setNote('The groups could not be worked out. Reload the page and try again.')
    }
    client.ask(taskFor(question, seed, before), hear, fail)
  }
  return { busy, progress, note, outcome, contradiction, search, stop }
}

function taskFor(question: GroupingQuestion, seed: number, before: string[][] | undefined) {
  const { people, groups, rules, aims, columns, held } = question
  if (rules.length + aims.length + held.size === 0) {
    const personIds = people.map(person => person.id)
    return {
      kind: 'draw' as const,
      personIds,
      sizes: groups.map(group => group.size),
      seed,
      previous: before,
    }
  }
  const plain = {
    people: people.map(({ id, trainedToLead, columns }) => ({ id, trainedToLead, columns })),
    groups: [...groups],
    rules: [...rules],
    aims: [...aims],
    columns: [...columns],
    history: new Map(question.history),
    now: new Map(question.now),
    held: new Set(held),
  }
  return { kind: 'arrange' as const, question: plain, seed, steps: STEPS, before }
}

/** The groups that must not come back: only if the same people stand in them. */
function groupsBefore(present: Arrangement, question: GroupingQuestion): string[][] | undefined {
  const asked = new Set(question.people.map(person => person.id))
  const groups = present.groups
    .map(group => group.personIds.filter(id => asked.has(id)))
    .filter(ids => ids.length > 0)
  return groups.length > 0 ? groups : undefined
}

const newGroupId = () => crypto.randomUUID().slice(0, 18)

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
      const task = taskFor(current, 0, undefined)
      if (task.kind !== 'arrange') return
      stopListening = client.ask(
        { kind: 'judge', question: task.question, groups: latest.current.groups },
        reply =>
          reply.kind === 'judged' &&
          setJudged({ cost: reply.cost, bound: reply.bound, random: reply.random }),
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
