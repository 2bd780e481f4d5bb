import { useEffect, useState } from 'react'

/** The day where this browser is, `2026-11-03`; null until the page has come alive, because the server's day may differ. */
export function useToday(): string | null {
  const [today, setToday] = useState<string | null>(null)
  useEffect(() => setToday(new Intl.DateTimeFormat('sv-SE').format(new Date())), [])
  return today
}
