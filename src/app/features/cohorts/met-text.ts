import type { PairMet } from '~/core/history/met'

/** A calendar day is the same wherever it is read. */
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })

/** How two people have met, in words. */
export function metText({ times, minutes, lastDay }: PairMet): string {
  if (lastDay === null) return 'never'
  return `${times === 1 ? 'once' : `${times} times`}, ${Math.round(minutes)} min, last ${day.format(new Date(`${lastDay}T00:00Z`))}`
}
