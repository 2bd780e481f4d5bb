/** The same words to the same people within so many milliseconds are said once. */
const TWICE_MS = 10_000

/** Whether something said at `at` is so fresh that the same words said now are the same press, or another's at the same moment. */
export const isJustNow = (at: number, now: number): boolean => now - at < TWICE_MS
