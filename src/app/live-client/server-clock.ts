import { useSyncExternalStore } from 'react'
import { type Pace, timeAt } from '~/core/rehearsal/pace'
import { clockOffset } from '~/core/schedule/clock-offset'

/**
 * The server's time as this browser knows it. Clocks of phones are wrong by seconds or minutes, so countdowns use
 * the server's: its time comes with the event stream, and is then measured by a question and its answer, the error
 * of which is at most half of the time between them. In a rehearsal time goes faster than the server's clock.
 */
let offset = 0
let measured = false
let pace: Pace | null = null
let now = 0
let timer: ReturnType<typeof setInterval> | undefined
const listeners = new Set<() => void>()

/** What is heard is late by as much as the line takes; by more than this, in milliseconds, the clock here was set since. */
const SET_SINCE_MS = 2_000

/**
 * Takes the server's time as just heard, and how time runs in this session. A measurement that follows is more exact, and stays until
 * what is heard no longer fits it: the clock of a device that slept may have been put right.
 */
export function keepServerTime(serverNow: number, sessionPace: Pace | null = null): void {
  const isOther = pace !== sessionPace
  pace = sessionPace
  if (isOther && listeners.size > 0) tick()
  const heard = serverNow - Date.now()
  if (measured && Math.abs(heard - offset) < SET_SINCE_MS) return
  offset = heard
  measure().catch(() => undefined)
}

/** The time in the session now, as far as it is known here: the server's, but in a rehearsal. */
export const serverTime = (): number => timeAt(pace, Date.now() + offset)

/** How many times as fast as the clock it goes. */
export const serverSpeed = (): number => pace?.speed ?? 1

async function measure(): Promise<void> {
  measured = true
  let best = Number.POSITIVE_INFINITY
  for (let question = 0; question < 3; question++) {
    const asked = Date.now()
    const response = await fetch('/clock', { cache: 'no-store' })
    const answer = (await response.json()) as { now: number }
    const measure = clockOffset(asked, answer.now, Date.now())
    if (measure.delay >= best) continue
    best = measure.delay
    offset = measure.offset
  }
  tick()
}

function tick(): void {
  now = serverTime()
  for (const listener of listeners) listener()
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  if (listeners.size === 1) {
    timer = setInterval(tick, 250)
    tick()
  }
  return () => {
    listeners.delete(listener)
    if (listeners.size === 0) clearInterval(timer)
  }
}

/**
 * The server's time in milliseconds; on the first rendering the time the page was made. A component is drawn again only
 * when the time has moved on by `everyMs`: ask for it where time is shown, and only as finely as it is. What counts down asks for it
 * as it is: by the whole second two minutes would begin with 2:01.
 */
export function useServerNow(pageMadeAt: number, everyMs = 250): number {
  return useSyncExternalStore(
    subscribe,
    () => (now ? now - (now % everyMs) : pageMadeAt),
    () => pageMadeAt,
  )
}

/** Tells the server's time now and whenever it has moved on by `everyMs`. Returns how to stop. */
export function onServerTime(everyMs: number, tell: (now: number) => void): () => void {
  let told = Number.NEGATIVE_INFINITY
  const listener = () => {
    if (now - told < everyMs) return
    told = now
    tell(now)
  }
  const stop = subscribe(listener)
  listener()
  return stop
}
