import { useEffect, useState } from 'react'
import { canOpenWithoutLine, forgetAll, forgetOld, keepPage, ownPageIsKept } from './kept-page'
import { type LateNews, sendLate } from './late'

/** Pages of a whole class are not asked for again all at once: each waits up to so long, in milliseconds. */
const SPREAD_MS = 3_000
/** What a board last heard of is written, before it is asked what was never sent, in milliseconds. */
const SETTLE_MS = 1_500
/** What could not be sent, or kept, is tried again after so long, in milliseconds. */
const AGAIN_MS = 15_000

interface Here {
  sessionId: string
  participantId: string
  /** The copy that is worked on now. */
  copyId: string | null
  line: 'live' | 'lost'
  /** The session has ended. */
  ended: boolean
  /** The place was given back, or taken: nothing of it is kept. */
  left: boolean
}

/** Whether a page opens without a line: it does, it may yet, or never from this address. Undefined until that is known. */
export type OpensWithoutLine = 'yes' | 'not-yet' | 'never' | undefined

export interface KeptHere {
  opensWithoutLine: OpensWithoutLine
  /** What became of what came too late. */
  late: Pick<LateNews, 'kept' | 'refused'>
  putAway: () => void
}

const NO_NEWS: KeptHere['late'] = { kept: 0, refused: [] }

/** Keeps a participant's page in this browser, sends what comes too late, and lets go of all of it afterwards. */
export function useKeptHere({ sessionId, participantId, copyId, line, ended, left }: Here): KeptHere {
  const [opensWithoutLine, setOpens] = useState<OpensWithoutLine>()
  const [late, setLate] = useState(NO_NEWS)
  const isOver = ended || left
  const isKept = opensWithoutLine === 'yes'
  useEffect(() => {
    if (isOver || isKept) return
    let timer: ReturnType<typeof setTimeout> | undefined
    let gone = false
    const keep = async () => {
      await forgetOld()
      const kept = await keepPage(sessionId, participantId)
      if (gone) return
      if (kept) setOpens('yes')
      // What a bad line has broken off goes better the next time.
      else if (canOpenWithoutLine()) timer = setTimeout(run, AGAIN_MS)
    }
    const run = () => void keep().catch(() => undefined)
    const look = async () => {
      const own = await ownPageIsKept(sessionId, participantId)
      if (gone) return
      setOpens(own ? 'yes' : canOpenWithoutLine() ? 'not-yet' : 'never')
      if (!own) timer = setTimeout(run, 500 + Math.random() * SPREAD_MS)
    }
    look().catch(() => undefined)
    return () => {
      gone = true
      clearTimeout(timer)
    }
  }, [isOver, isKept, sessionId, participantId])
  useEffect(() => {
    if (line === 'lost') return
    let timer: ReturnType<typeof setTimeout> | undefined
    let gone = false
    const look = async () => {
      // Whoever gave a name back leaves nothing under it.
      const news = left
        ? { ...NO_NEWS, waits: false }
        : await sendLate(sessionId, participantId, ended ? null : copyId)
      if (news.kept > 0 || news.refused.length > 0)
        setLate(before => ({
          kept: before.kept + news.kept,
          refused: [...before.refused, ...news.refused],
        }))
      if (isOver && !news.waits) {
        await forgetAll(sessionId)
        // Should the session be opened again, it is kept anew.
        setOpens(undefined)
      } else if (news.waits && !gone) timer = setTimeout(run, AGAIN_MS)
    }
    const run = () => void look().catch(() => undefined)
    timer = setTimeout(run, SETTLE_MS)
    return () => {
      gone = true
      clearTimeout(timer)
    }
  }, [sessionId, participantId, copyId, line, ended, left, isOver])
  return { opensWithoutLine, late, putAway: () => setLate(NO_NEWS) }
}
