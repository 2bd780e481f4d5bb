import type { FacilitatorView } from '../views'
import { SIGNALS, type Signal } from './signal'

type Shown = FacilitatorView['signals']

/** How many show each signal, of all or of some; signals nobody shows are left out. */
export function signalCounts(shown: Shown, ids: readonly string[] = Object.keys(shown)): [Signal, number][] {
  return SIGNALS.flatMap(signal => {
    const count = ids.filter(id => shown[id]?.signal === signal).length
    return count > 0 ? [[signal, count] as [Signal, number]] : []
  })
}

/** The ids of those who want to speak, in the order in which they showed it. */
export const handsUp = (shown: Shown): string[] =>
  Object.entries(shown)
    .filter(([, { signal }]) => signal === 'hand')
    .sort(([, one], [, other]) => one.at - other.at)
    .map(([id]) => id)

/** What rooms say of the time together. */
export interface TimeProposal {
  /** So many rooms said anything; so many of them are done, and so many need more. */
  said: number
  done: number
  more: number
  /** So many minutes are enough for three quarters of the rooms that said something; 0 for none. */
  minutes: number
}

/** Enough for so many of the rooms that said something: waiting for the last would keep all others. */
const ENOUGH_FOR = 0.75

/** What the clock could be given, from what rooms said; null when none said anything. */
export function timeProposal(said: FacilitatorView['minutesSaid']): TimeProposal | null {
  const minutes = Object.values(said).toSorted((one, other) => one - other)
  if (minutes.length === 0) return null
  const enough = minutes[Math.ceil(ENOUGH_FOR * minutes.length) - 1] ?? 0
  const done = minutes.filter(each => each === 0).length
  return { said: minutes.length, done, more: minutes.length - done, minutes: enough }
}
