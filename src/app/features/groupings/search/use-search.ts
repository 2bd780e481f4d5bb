import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import type { WorkerReply } from '~/contracts/grouping-worker'
import type { Contradiction } from '~/core/grouping/arrange'
import type { HistoryAction, RoundList } from '~/core/grouping/edits'
import type { Arrangement } from '~/core/grouping/grouping'
import type { GroupingQuestion } from '~/core/grouping/pose'
import { newSeed } from '../../../ui/by-chance'
import { GroupingClient } from '../../../workers/grouping-client'
import { named, newGroupId } from './group-names'
import {
  noteOf,
  type Outcome,
  outcomeOf,
  type SearchFor,
  type SearchReply,
  stepsFor,
  taskFor,
} from './search-task'

/** Better answers are shown at most this often, in milliseconds: every one moves everybody. */
const SHOW_EVERY_MS = 250

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
    const ids = question.groups.map((_, index) => present[start]?.groups[index]?.id ?? newGroupId())
    const seed = newSeed()
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
      setNote(noteOf(reply))
    }
    const take = (reply: WorkerReply) => {
      if (reply.kind === 'contradiction') setContradiction(reply.contradiction)
      else if (reply.kind === 'drawn') {
        show([reply.groups])
        shown.current = null
        setBusy(false)
        setNote(noteOf(reply))
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
