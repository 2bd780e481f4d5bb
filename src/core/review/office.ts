/** Who came to office hours, how long they waited and stayed, for looking back at it. */
import type { SeenBefore, SeenNow } from '../live/office/office-facts'
import type { LiveState } from '../live/topics'

export interface OfficeThen {
  /** In the order in which they came in, `at` in milliseconds since 1970. */
  visits: {
    names: string[]
    about: string
    at: number
    stayedMs: number
    /** The longest wait of them; null where all had taken a time. */
    waitedMs: number | null
  }[]
  /** Means over the visits; null of none. */
  meanStayMs: number | null
  meanWaitMs: number | null
  /** Who was in line at the end. */
  stillInLine: string[]
}

/** Null of a session that is no office hours. Who is there still has stayed until `endedAt`, in milliseconds since 1970. */
export function whoCame({ office, participants }: LiveState, endedAt: number): OfficeThen | null {
  if (!office) return null
  const nameOf = (id: string) => participants.get(id)?.shownName ?? ''
  const all: (SeenBefore | SeenNow)[] = office.now ? [...office.seen, office.now] : office.seen
  const visits = all.map(seen => {
    const { participantIds, about, startedAt, inLineSince } = seen
    const waits = Object.values(inLineSince).map(since => startedAt - since)
    return {
      names: participantIds.map(nameOf),
      about,
      at: startedAt,
      stayedMs: ('endedAt' in seen ? seen.endedAt : endedAt) - startedAt,
      waitedMs: waits.length > 0 ? Math.max(...waits) : null,
    }
  })
  return {
    visits,
    meanStayMs: meanOf(visits.map(({ stayedMs }) => stayedMs)),
    meanWaitMs: meanOf(visits.flatMap(({ waitedMs }) => waitedMs ?? [])),
    stillInLine: office.line.map(({ participantId }) => nameOf(participantId)),
  }
}

const meanOf = (values: readonly number[]) =>
  values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length
