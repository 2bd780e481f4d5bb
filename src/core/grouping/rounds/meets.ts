import { pairKey } from '../../history/pairs'
import type { Arrangement } from '../grouping'

/** Two who are together in several of the rounds. */
export interface RepeatedPair {
  pair: [string, string]
  /** In which rounds, from 0. */
  rounds: number[]
}

/** In which rounds every two are together, by pair key, from 0. O(rounds x people x size). */
export function meetingsOfRounds(rounds: readonly Arrangement[]): Map<string, RepeatedPair> {
  const meetings = new Map<string, RepeatedPair>()
  for (const [round, { groups }] of rounds.entries()) {
    for (const { personIds } of groups) {
      for (const [at, a] of personIds.entries()) {
        for (const b of personIds.slice(at + 1)) {
          const known = meetings.get(pairKey(a, b))
          if (known) known.rounds.push(round)
          else meetings.set(pairKey(a, b), { pair: [a, b], rounds: [round] })
        }
      }
    }
  }
  return meetings
}

/** Pairs who are together more than once, most often first. */
export const repeatedPairs = (rounds: readonly Arrangement[]): RepeatedPair[] =>
  [...meetingsOfRounds(rounds).values()]
    .filter(meeting => meeting.rounds.length > 1)
    .sort((one, other) => other.rounds.length - one.rounds.length)

/** Whom one person is with, round by round, and whom of the others never. */
export function whomOneMeets(
  rounds: readonly Arrangement[],
  personId: string,
): { rounds: { groupName: string; withIds: string[] }[]; never: string[] } {
  const everybody = new Set(
    rounds.flatMap(({ groups, unplacedIds }) => [
      ...groups.flatMap(group => group.personIds),
      ...unplacedIds,
    ]),
  )
  everybody.delete(personId)
  const met = rounds.map(({ groups }) => {
    const group = groups.find(({ personIds }) => personIds.includes(personId))
    const withIds = group?.personIds.filter(id => id !== personId) ?? []
    for (const id of withIds) everybody.delete(id)
    return { groupName: group?.name ?? '', withIds }
  })
  return { rounds: met, never: [...everybody] }
}
