/**
 * The server's time. Everything that is dated, or falls due, asks here, so that tests can walk through an evening in seconds.
 * While the server runs it goes on evenly from when it started: a clock of the machine that is set back or forward meanwhile
 * makes no round longer or shorter.
 */

const startedAt = Date.now() - performance.now()
let aheadMs = 0

/** Milliseconds since 1970, whole ones. */
export const serverNow = (): number => Math.floor(startedAt + performance.now()) + aheadMs

/** Moves the clock forward. Only what a test asks for may do this; see `TEST_CLOCK` in `server.js`. */
export function moveClock(milliseconds: number): void {
  aheadMs += milliseconds
}
