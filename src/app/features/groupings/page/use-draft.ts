import { isEqual } from 'lodash-es'
import { useEffect, useRef, useState } from 'react'
import { draftKey, draftsOf, earlierKey, type GroupingDraft, writeDraft } from './grouping-draft'

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
  /** What is not saved: taken up again from before, or being kept as it changes. */
  state: 'none' | 'taken-up' | 'kept' | 'refused'
  at: number | null
  /** Forgets the draft; the page goes back to what was opened by undoing. */
  drop: () => void
  /** When one was left that was made from a version since saved over; it waits beside what is made now. */
  earlierAt: number | null
  takeUpEarlier: () => void
  dropEarlier: () => void
}

/** Groups that are not saved survive a reload, the menu and Back: they are kept in this browser by themselves. */
export function useDraft(draft: DraftOf): DraftState {
  const { cohortId, groupingId, version, content, changed, begun, onTake } = draft
  const key = draftKey(cohortId, groupingId)
  const [state, setState] = useState<DraftState['state']>('none')
  const [at, setAt] = useState<number | null>(null)
  const found = useRef<GroupingDraft | null>(null)
  const [earlier, setEarlier] = useState<GroupingDraft | null>(null)
  const text = JSON.stringify(content)
  const latest = useRef({ onTake, text })
  const shown = useRef({ key: '', version, text: '' })
  useEffect(() => {
    latest.current = { onTake, text }
  })
  useEffect(() => {
    if (begun) return
    const { onTake, text } = latest.current
    // What is shown is that version now, and the same as before: it was saved.
    const { current: was } = shown
    if (was.key === key && was.version !== version && was.text === text) {
      writeDraft(localStorage, key, null)
      return setState('none')
    }
    const before = draftsOf(localStorage, key, { version, content: JSON.parse(text) })
    setEarlier(before.earlier)
    found.current = before.here
    if (!before.here) return setState('none')
    setAt(before.here.at)
    onTake(before.here)
    setState('taken-up')
  }, [key, version, begun])
  useEffect(() => {
    shown.current = { key, version, text }
  }, [key, version, text])
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
    earlierAt: earlier?.at ?? null,
    takeUpEarlier: () => {
      if (!earlier) return
      onTake(earlier)
      found.current = earlier
      // It goes on from the version that is shown: saved, it takes that one's place, which stays among the versions.
      if (writeDraft(localStorage, key, { ...earlier, version }))
        writeDraft(localStorage, earlierKey(key), null)
      setAt(earlier.at)
      setEarlier(null)
      setState('taken-up')
    },
    dropEarlier: () => {
      writeDraft(localStorage, earlierKey(key), null)
      setEarlier(null)
    },
  }
}
