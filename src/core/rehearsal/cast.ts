/** Who plays in a rehearsal. */
import { type RandomStream, shuffled } from '../random/random'
import type { Script } from './script'

export interface Simulated {
  /** Null for somebody who is on no list. */
  personId: string | null
  name: string
  /** After the session was opened, in milliseconds. */
  comesAfter: number
  onPhone: boolean
  temper: Temper
}

export interface Temper {
  writes: 'much' | 'some' | 'nothing'
  late: boolean
  drops: boolean
  asks: boolean
  moves: boolean
}

const SECOND = 1_000
const MINUTE = 60 * SECOND
/** Those who are in time come within a minute and a half, those who are late from then on within seven: common practice, no source. */
const IN_TIME_WITHIN = 90 * SECOND
const LATE_WITHIN = 7 * MINUTE

/**
 * Those who come, in the order in which they do. The shares of the script are kept exactly, as far as people are whole; who is what is
 * drawn. O(people log people).
 */
export function castOf(
  script: Script,
  list: readonly { personId: string; shownName: string }[],
  random: RandomStream,
): Simulated[] {
  const listed = list.map(({ personId, shownName }) => ({
    personId: personId as string | null,
    name: shownName,
  }))
  const taken = new Set(listed.map(({ name }) => name.toLowerCase()))
  const more = Array.from({ length: Math.max(0, script.people - listed.length) }, () => ({
    personId: null,
    name: freshName(taken),
  }))
  const asked = shuffled([...listed, ...more], random).slice(0, script.people)
  const come = asked.slice(part(script.absent, asked.length))
  const draw = (percent: number) => new Set(shuffled(come, random).slice(0, part(percent, come.length)))
  const [late, drop, asks, moves] = [script.late, script.drop, script.asks, script.moves].map(draw)
  const byWriting = shuffled(come, random)
  const silent = part(script.silent, come.length)
  const busy = Math.min(part(script.busy, come.length), come.length - silent)
  const writes = new Map(
    byWriting.map(
      (one, place) => [one, place < silent ? 'nothing' : place < silent + busy ? 'much' : 'some'] as const,
    ),
  )
  return come
    .map(one => {
      const isLate = late?.has(one) ?? false
      return {
        ...one,
        comesAfter: isLate
          ? IN_TIME_WITHIN + random.below(LATE_WITHIN - IN_TIME_WITHIN)
          : random.below(IN_TIME_WITHIN),
        onPhone: random.below(3) > 0,
        temper: {
          writes: writes.get(one) ?? 'some',
          late: isLate,
          drops: drop?.has(one) ?? false,
          asks: asks?.has(one) ?? false,
          moves: moves?.has(one) ?? false,
        },
      }
    })
    .sort((one, other) => one.comesAfter - other.comesAfter)
}

/** Whole people. */
const part = (percent: number, of: number) => Math.round((percent / 100) * of)

/** A name that nobody on the list has. */
function freshName(taken: Set<string>): string {
  for (let number = 1; ; number++) {
    const name = `Guest ${number}`
    if (taken.has(name.toLowerCase())) continue
    taken.add(name.toLowerCase())
    return name
  }
}
