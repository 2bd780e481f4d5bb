import { performance } from 'node:perf_hooks'
import type { Request, RequestHandler } from 'express'
import onHeaders from 'on-headers'

/** So many requests are under way at a time, unless they take long. */
const AT_A_TIME = 3
/** After so long without an answer, in milliseconds, a request makes room: an upload or a slow line keeps nobody waiting. */
const MAKES_ROOM_AFTER_MS = 200
/** From so many that wait on, those who come in are a class that joins at once. */
const A_CLASS = 8
/** Between two of a class the thread is free for so many times as long as it was busy since the last began. */
const FREE_FOR_BUSY = 6
/** But no longer than this, in milliseconds: a busy server lets a class in all the same. */
const LONGEST_REST_MS = 9

interface Pace {
  makesRoomAfterMs?: number
  /** Does something later, and gives what calls that off. */
  after?: (ms: number, act: () => void) => () => void
  /** How long the next is kept although there is room, in milliseconds; told how many wait, and asked once for each. */
  rest?: (waiting: number) => number
}

/**
 * Begins requests in order, one a turn of the event loop and a few at a time. A class that joins asks hundreds of things in the
 * same moment; all under way at once, each turn would be as long as what has come for any of them, and sockets and event streams
 * would wait for it.
 */
export function fewAtATime({
  makesRoomAfterMs = MAKES_ROOM_AFTER_MS,
  after = byTimer,
  rest = () => 0,
}: Pace = {}): RequestHandler {
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
    const restMs = rest(waiting.length)
    if (restMs < 1) setImmediate(begin)
    else setTimeout(begin, restMs)
  }
  return (_request, response, next) => {
    waiting.push(() => {
      let isUnderWay = true
      const answered = () => {
        if (!isUnderWay) return
        isUnderWay = false
        callOff()
        underWay--
        goOn()
      }
      const callOff = after(makesRoomAfterMs, answered)
      onHeaders(response, answered)
      response.once('close', answered)
      next()
    })
    goOn()
  }
}

/** Keeps no server alive that has nothing else to do. */
const byTimer: NonNullable<Pace['after']> = (ms, act) => {
  const timer = setTimeout(act, ms)
  timer.unref()
  return () => clearTimeout(timer)
}

/**
 * Requests in two lines of their own: those who come in, with rests when a whole class does, and everybody else, who is kept by
 * nobody at the door. In the rests boards and event streams have the thread to themselves: an edit keeps its delay while a class joins.
 */
export function inTwoLines(): RequestHandler {
  const others = fewAtATime()
  const comingIn = fewAtATime({ rest: restsForAClass() })
  return (request, response, next) => (comesIn(request) ? comingIn : others)(request, response, next)
}

/** Names and place at the door, a participant's page, and every event stream. */
export const comesIn = ({ method, path }: Pick<Request, 'method' | 'path'>): boolean =>
  path.startsWith('/join') || (method === 'GET' && /^\/(s|events)\//.test(path))

/** How long to rest before the next, in milliseconds, by how long the thread was busy and free since the last began. */
export const restsForAClass =
  (used = usedSinceAsked()) =>
  (waiting: number): number => {
    const { active, idle } = used()
    return waiting < A_CLASS ? 0 : Math.min(LONGEST_REST_MS, Math.max(0, active * FREE_FOR_BUSY - idle))
  }

/** What the thread did since this was asked before, in milliseconds. */
function usedSinceAsked(): () => { active: number; idle: number } {
  let before = performance.eventLoopUtilization()
  return () => {
    const now = performance.eventLoopUtilization()
    const used = performance.eventLoopUtilization(now, before)
    before = now
    return used
  }
}
