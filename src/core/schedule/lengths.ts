/** A length of time as a clock shows it: `9:05`, `1:02:03`. Rounded up to whole seconds; never below zero. */
export function clockText(milliseconds: number): string {
  const seconds = Math.max(0, Math.ceil(milliseconds / 1000))
  const two = (value: number) => String(value).padStart(2, '0')
  const minutes = Math.floor(seconds / 60)
  return minutes < 60
    ? `${minutes}:${two(seconds % 60)}`
    : `${Math.floor(minutes / 60)}:${two(minutes % 60)}:${two(seconds % 60)}`
}

/** What is left before the end, as it is said aloud: `5 min left`, `30 s left`. */
export const leftText = (seconds: number): string =>
  seconds < 60 ? `${seconds} s left` : `${Math.round(seconds / 60)} min left`

/** How long something has been so, roughly: `just now`, `40 s`, `3 min`, `2 h`. */
export function roughLength(milliseconds: number): string {
  const seconds = Math.max(0, Math.round(milliseconds / 1000))
  if (seconds < 10) return 'just now'
  if (seconds < 90) return `${seconds} s`
  if (seconds < 90 * 60) return `${Math.round(seconds / 60)} min`
  return `${Math.round(seconds / 3600)} h`
}
