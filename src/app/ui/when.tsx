/** Day and time where the reader is; the server says only the day, in UTC. */
export function When({ at }: { at: Date }) {
  const text = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' }).format(at)
  return (
    <time dateTime={at.toISOString()} suppressHydrationWarning>
      {text}
    </time>
  )
}
