import { startTransition, useEffect, useRef, useState } from 'react'
import type { GroupingQuestion } from '~/core/grouping/pose'
import { GroupingClient } from '../../../workers/grouping-client'
import { plain } from './search-task'

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
