import { useEffect } from 'react'
import type { Doing } from '~/contracts/doing'

/** What changes again at once is not told. */
const AFTER_MS = 400

let doing: Doing = { roomId: null, says: false, makes: false }
/** The session in which somebody else is at the front; null while nobody has to be told. */
let toldIn: string | null = null
let timer: ReturnType<typeof setTimeout> | undefined

/** What is done on this page, for the others at the front. What is lost on the way is told with the next change. */
export function tellDoing(change: Partial<Doing>): void {
  doing = { ...doing, ...change }
  clearTimeout(timer)
  if (toldIn === null) return
  const address = `/sessions/${toldIn}/doing`
  timer = setTimeout(() => {
    fetch(address, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(doing),
    }).catch(() => undefined)
  }, AFTER_MS)
}

/** Tells it as long as there is somebody to be told. */
export function useToldDoing(sessionId: string, othersHere: boolean): void {
  useEffect(() => {
    toldIn = othersHere ? sessionId : null
    tellDoing({})
    return () => {
      toldIn = null
    }
  }, [sessionId, othersHere])
}

/** A broadcast is being written, while there is any of it. */
export function useSays(text: string): void {
  const says = text.trim() !== ''
  useEffect(() => {
    if (says) tellDoing({ says })
    return () => {
      if (says) tellDoing({ says: false })
    }
  }, [says])
}
