/** How long one will probably wait, in words; in milliseconds. */
export function waitWords(wait: number): string {
  const minutes = Math.round(wait / 60_000)
  if (minutes < 1) return 'Probably at once.'
  if (minutes === 1) return 'About a minute.'
  return minutes < 90 ? `About ${minutes} minutes.` : `About ${Math.round(minutes / 60)} hours.`
}

/** A time of day where the reader is, with its day when that is another than now. */
export function ClockTime({ at, now }: { at: number; now: number }) {
  return (
    <time dateTime={new Date(at).toISOString()} suppressHydrationWarning>
      {timeWords(at, now)}
    </time>
  )
}

export function timeWords(at: number, now: number): string {
  const isToday = new Date(at).toDateString() === new Date(now).toDateString()
  const day = { weekday: 'short', day: 'numeric', month: 'short' } as const
  return new Intl.DateTimeFormat('en-GB', {
    ...(!isToday && day),
    hour: '2-digit',
    minute: '2-digit',
  }).format(at)
}
