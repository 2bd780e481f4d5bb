import type { RequestHandler } from 'express'
import onHeaders from 'on-headers'

/** So many requests are under way at a time, unless they take long. */
const AT_A_TIME = 3
/** After so long without an answer, in milliseconds, a request makes room: an upload or a slow line keeps nobody waiting. */
const MAKES_ROOM_AFTER_MS = 200

/**
 * Begins requests in order, one a turn of the event loop and a few at a time. A class that joins asks hundreds of things in the
 * same moment; all under way at once, each turn would be as long as what has come for any of them, and sockets and event streams
 * would wait for it.
 */
export function fewAtATime(makesRoomAfterMs = MAKES_ROOM_AFTER_MS): RequestHandler {
  const waiting: (() => void)[] = []
  let underWay = 0
  let isToBegin = false
  const begin = () => {
    isToBegin = false
    const next = waiting.shift()
    if (!next) return
    underWay++
    next()
    goOn()
  }
  const goOn = () => {
    if (isToBegin || waiting.length === 0 || underWay >= AT_A_TIME) return
    isToBegin = true
    setImmediate(begin)
  }
  return (_request, response, next) => {
    waiting.push(() => {
      let isUnderWay = true
      const answered = () => {
        if (!isUnderWay) return
        isUnderWay = false
        clearTimeout(timer)
        underWay--
        goOn()
      }
      const timer = setTimeout(answered, makesRoomAfterMs)
      timer.unref()
      onHeaders(response, answered)
      response.once('close', answered)
      next()
    })
    goOn()
  }
}
