import { randomStream, shuffled } from '../random/random'

/** Why home groups can't have one of every expert group. */
export type JigsawProblem = { code: 'empty-expert-group' } | { code: 'one-expert-group' }

/**
 * Home groups from expert groups: as many as the smallest expert group has people, so that each has at least one of every
 * expert group. Where the counts don't divide, those who are over go to the smallest home, and among equals to the one
 * with fewest of their expert group: sizes differ by at most one. The seed decides who meets whom. O(people x homes).
 */
export function homeGroups(
  expertGroups: readonly (readonly string[])[],
  seed: number,
): { ok: true; homes: string[][] } | { ok: false; problem: JigsawProblem } {
  if (expertGroups.length < 2) return { ok: false, problem: { code: 'one-expert-group' } }
  const count = Math.min(...expertGroups.map(group => group.length))
  if (count === 0) return { ok: false, problem: { code: 'empty-expert-group' } }
  const random = randomStream(seed)
  const dealt = expertGroups.map(group => shuffled(group, random))
  const homes = Array.from({ length: count }, (_, home) => dealt.map(group => group[home] as string))
  for (const group of dealt) {
    const over = group.slice(count)
    const has = homes.map(() => 1)
    for (const person of over) {
      const home = homes.reduce((best, members, at) => {
        const [one, other] = [members.length, homes[best]?.length ?? 0]
        return one < other || (one === other && (has[at] ?? 0) < (has[best] ?? 0)) ? at : best
      }, 0)
      homes[home]?.push(person)
      has[home] = (has[home] ?? 0) + 1
    }
  }
  return { ok: true, homes }
}
