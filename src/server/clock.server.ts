/** The server's time. Everything that is dated, or falls due, asks here, so that tests can walk through an evening in seconds. */

let aheadMs = 0

/** Milliseconds since 1970. */
export const serverNow = (): number => Date.now() + aheadMs

/** Moves the clock forward. Only what a test asks for may do this; see `TEST_CLOCK` in `server.js`. */
export function moveClock(milliseconds: number): void {
  aheadMs += milliseconds
}
