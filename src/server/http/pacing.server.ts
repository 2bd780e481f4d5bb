import { performance } from 'node:perf_hooks'
import type { Request, RequestHandler } from 'express'
import onHeaders from 'on-headers'

/** So many requests are under way at a time, unless they take long; each begins in a turn of its own. */
const AT_A_TIME = 3
/** What a class says takes little each, and all that is said while the disk writes is written together next. */
const SAID_AT_A_TIME = 12
const SAID_IN_A_TURN = 3
/** After so long without an answer, in milliseconds, a request makes room: an upload or a slow line keeps nobody waiting. */
const MAKES_ROOM_AFTER_MS = 200
/** From so many that wait on, those who come in are a class that joins at once. */
const A_CLASS = 8
/** Between two of a class the thread is free for so many times as long as it was busy since the last began. */
const FREE_FOR_BUSY = 6
/** But no longer than this, in milliseconds: a busy server lets a class in all the same. */
const LONGEST_REST_MS = 9

interface Pace {
  atATime?: number
  /** So many may begin in one turn of the event loop. */
  inATurn?: number
  makesRoomAfterMs?: number
  /** Does something later, and gives what calls that off. */
  after?: (ms: number, act: () => void) => () => void
  /** How long the next is kept although there is room, in milliseconds; told how many wait, and asked once for each. */
  rest?: (waiting: number) => number
}

/**
 * Begins requests in order, one or a few a turn of the event loop and a few at a time. A class that joins asks hundreds of things in the
 * same moment; all under way at once, each turn would be as long as what has come for any of them, and sockets and event streams
 * would wait for it.
 */
export function fewAtATime({
  atATime = AT_A_TIME,
  inATurn = 1,
  makesRoomAfterMs = MAKES_ROOM_AFTER_MS,
  after = byTimer,
  rest = () => 0,
}: Pace = {}): RequestHandler {
  const waiting: (() => void)[] = []
  let underWay = 0
  let isToBegin = false
  const begin = () => {
    isToBegin = false
    for (const next of waiting.splice(0, Math.min(inATurn, atATime - underWay))) {
      underWay++
      next()
    }
    goOn()
  }
  const goOn = () => {
    if (isToBegin || waiting.length === 0 || underWay >= atATime) return
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
 * Requests in three lines of their own: those who come in, with rests when a whole class does; what those who are in say, as when a
 * class answers a question; and facilitators, whom neither keeps waiting. In the rests boards and event streams have the thread to
 * themselves: an edit keeps its delay while a class joins.
 */
export function inThreeLines(pace: Pick<Pace, 'makesRoomAfterMs'> = {}): RequestHandler {
  const lines: Record<Line, RequestHandler> = {
    'comes-in': fewAtATime({ ...pace, rest: restsForAClass() }),
    'is-in': fewAtATime({ ...pace, atATime: SAID_AT_A_TIME, inATurn: SAID_IN_A_TURN }),
    leads: fewAtATime(pace),
  }
  return (request, response, next) => lines[lineOf(request)](request, response, next)
}

type Line = 'comes-in' | 'is-in' | 'leads'

/** Names and place at the door, a participant's page, and every event stream come in; what is sent from a place is of somebody who is in. */
export function lineOf({ method, path }: Pick<Request, 'method' | 'path'>): Line {
  if (path.startsWith('/join') || (method === 'GET' && /^\/(s|events)\//.test(path))) return 'comes-in'
  return path.startsWith('/s/') ? 'is-in' : 'leads'
}

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
