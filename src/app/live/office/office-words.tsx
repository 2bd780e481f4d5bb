/** How long one will probably wait, in words; in milliseconds. */
export function waitWords(wait: number): string {
  const minutes = Math.round(wait / 60_000)
  if (minutes < 1) return 'Probably at once.'
  if (minutes === 1) return 'About a minute.'
  return minutes < 90 ? `About ${minutes} minutes.` : `About ${Math.round(minutes / 60)} hours.`
}

/** A time of day where the reader is. */
export function ClockTime({ at }: { at: number }) {
  const day = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short' })
  return (
    <time dateTime={new Date(at).toISOString()} suppressHydrationWarning>
      {day.format(at)}
    </time>
  )
}
