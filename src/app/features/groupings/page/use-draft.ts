import { isEqual } from 'lodash-es'
import { useEffect, useRef, useState } from 'react'
import { draftKey, type GroupingDraft, readDraft, writeDraft } from './grouping-draft'

/** A change is kept so much later: what is dragged through ten groups is one. In milliseconds. */
const KEEP_AFTER_MS = 400

interface DraftOf {
  cohortId: string
  groupingId: string | null
  /** The version of the kept grouping; null for a new one. */
  version: number | null
  content: GroupingDraft['content']
  /** Whether anything differs from what was opened. */
  changed: boolean
  /** Whether the page began with something of its own: then no draft of before takes its place. */
  begun: boolean
  onTake: (draft: GroupingDraft) => void
}

export interface DraftState {
  /** What is not saved: taken up again from before, being kept as it changes, or made from a version since saved over. */
  state: 'none' | 'taken-up' | 'kept' | 'older' | 'refused'
  at: number | null
  /** Forgets the draft; the page goes back to what was opened by undoing. */
  drop: () => void
  takeUp: () => void
}

/** Groups that are not saved survive a reload, the menu and Back: they are kept in this browser by themselves. */
export function useDraft(draft: DraftOf): DraftState {
  const { cohortId, groupingId, version, content, changed, begun, onTake } = draft
  const key = draftKey(cohortId, groupingId)
  const [state, setState] = useState<DraftState['state']>('none')
  const [at, setAt] = useState<number | null>(null)
  const found = useRef<GroupingDraft | null>(null)
  const take = useRef(onTake)
  useEffect(() => {
    take.current = onTake
  })
  useEffect(() => {
    const before = begun ? null : readDraft(localStorage, key)
    found.current = before
    if (!before) return
    setAt(before.at)
    if (before.version === version) take.current(before)
    setState(before.version === version ? 'taken-up' : 'older')
  }, [key, version, begun])
  useEffect(() => {
    // What was made new has become the grouping that is shown.
    if (groupingId !== null && new URLSearchParams(location.search).has('saved'))
      writeDraft(localStorage, draftKey(cohortId, null), null)
  }, [cohortId, groupingId])
  // A draft just taken up is not in the page yet: only a change that was there and is gone again lets go of it.
  const wasChanged = useRef(false)
  useEffect(() => {
    const isUndone = wasChanged.current && !changed
    wasChanged.current = changed
    if (!isUndone || (state !== 'kept' && state !== 'taken-up')) return
    writeDraft(localStorage, key, null)
    setState('none')
  }, [changed, state, key])
  // Who goes away before a change is kept does not lose it: by another address, or to another page of this one.
  const pending = useRef<(() => void) | null>(null)
  useEffect(() => {
    const keepNow = () => pending.current?.()
    addEventListener('pagehide', keepNow)
    return () => {
      removeEventListener('pagehide', keepNow)
      keepNow()
    }
  }, [])
  const text = JSON.stringify(content)
  useEffect(() => {
    if (!changed) return
    const current = JSON.parse(text) as GroupingDraft['content']
    // Taken up as it was, it is kept already, and can still be dropped.
    if (state === 'taken-up' && isEqual(current, found.current?.content)) return
    const keep = () => {
      pending.current = null
      const now = Date.now()
      const kept = { version, at: now, content: current }
      setState(writeDraft(localStorage, key, kept) ? 'kept' : 'refused')
      setAt(now)
    }
    pending.current = keep
    const timer = setTimeout(keep, KEEP_AFTER_MS)
    return () => {
      clearTimeout(timer)
      pending.current = null
    }
  }, [key, version, text, changed, state])
  return {
    state,
    at,
    drop: () => {
      writeDraft(localStorage, key, null)
      setState('none')
    },
    takeUp: () => {
      if (found.current) take.current(found.current)
      setState('taken-up')
    },
  }
}
