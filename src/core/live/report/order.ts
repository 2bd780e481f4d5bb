import { countBy, orderBy } from 'lodash-es'
import { type RandomStream, shuffled } from '../../random/random'
import type { ReporterRule, ReportOrder } from './report'

/** What is known of a room before rooms report. */
export interface RoomToReport {
  id: string
  /** How many pieces of work are on its board. */
  pieces: number
  /** How often it was heard in this session. */
  heard: number
  /** What it answered to a question that each room answered; null for nothing. */
  answer: string | null
}

/**
 * The rooms in the order in which they are to be heard: as planned, by chance, most work first, those with the rarest answer first,
 * or who was heard least first; equals as planned. O(n log n).
 */
export function inOrder(rooms: readonly RoomToReport[], by: ReportOrder, random: RandomStream): string[] {
  const ids = (ordered: readonly RoomToReport[]) => ordered.map(({ id }) => id)
  switch (by) {
    case 'plan':
      return ids(rooms)
    case 'chance':
      return ids(shuffled(rooms, random))
    case 'most':
      return ids(orderBy(rooms, 'pieces', 'desc'))
    case 'unheard':
      return ids(orderBy(rooms, 'heard'))
    case 'rarest': {
      const often = countBy(rooms.flatMap(({ answer }) => answer ?? []))
      return ids(orderBy(rooms, ({ answer }) => (answer === null ? Number.POSITIVE_INFINITY : often[answer])))
    }
  }
}

/** Somebody of a room who could report. */
export interface CouldReport {
  id: string
  shownName: string
  isReporter: boolean
  /** How often they reported in this session, and in earlier ones. */
  now: number
  before: number
}

/**
 * Who of a room reports: who has the role of it, who did so least in this session, or least over all sessions; of equals the first
 * by name. Where nobody has the role, who did so least. Null of nobody.
 */
export function reporterOf(people: readonly CouldReport[], rule: ReporterRule): string | null {
  const known = rule === 'role' ? people.find(({ isReporter }) => isReporter) : undefined
  const times = ({ now, before }: CouldReport) => (rule === 'weeks' ? now + before : now)
  return (known ?? orderBy(people, [times, 'shownName'])[0])?.id ?? null
}
