import type { RuleProblem } from '~/contracts/grouping'
import type { Contradiction } from '~/core/grouping/arrange'
import { listed } from '~/core/grouping/rule-text'
import type { Aim, AimContent } from '~/core/grouping/rules'

type Name = (personId: string) => string

export const aimText = (aim: AimContent): string => {
  switch (aim.kind) {
    case 'fresh':
      return 'Fresh pairs'
    case 'keep':
      return 'Keep people where they are (not over several rounds)'
    case 'mixed':
      return `${aim.column}: mixed`
    case 'matched':
      return `${aim.column}: alike`
  }
}

export const STRENGTH_WORDS: Record<Aim['strength'] | 0, string> = {
  0: 'off',
  1: 'a little',
  2: 'clearly',
  3: 'strongly',
}

/** Why rules can't all hold, in words. */
export function contradictionText(found: Contradiction, name: Name): string {
  const { apart, together, placed, leads, sizes } = found
  const groups = sizes.length === 1 ? 'there is one group' : `there are ${sizes.length} groups`
  const onlyApart = together.length + placed.length === 0 && leads === null
  const people = [...new Set(apart.flat())]
  if (onlyApart && apart.length > 0 && apart.length === (people.length * (people.length - 1)) / 2) {
    return `${listed(people.map(name))} are apart from each other, but ${groups}.`
  }
  const facts = [
    ...apart.map(([a, b]) => `${name(a)} and ${name(b)} are apart`),
    ...chains(together).map(set => `${listed(set.map(name))} are together`),
    ...placed.map(({ personId, groupName }) => `${name(personId)} is in ${groupName}`),
  ]
  const [least, most] = [Math.min(...sizes), Math.max(...sizes)]
  const inSizes = `${groups}, of ${least === most ? most : `${least} to ${most}`}`
  if (leads !== null) {
    const trained = `${leads === 0 ? 'nobody is' : leads === 1 ? 'only one person is' : `${leads} people are`} trained to lead`
    if (facts.length === 0) return `Every group is to have a trained lead, but ${groups} and ${trained}.`
    facts.push(`every group has a trained lead, and ${trained}`)
  }
  if (facts.length === 0) return `The sizes asked for do not fit: ${inSizes}.`
  const words = `These cannot all hold: ${listed(facts)}; ${inSizes}.`
  return found.smallest
    ? words
    : `${words} Some of them may have no part in it: there are too many to find out which.`
}

/** Pairs who are together, joined to sets. */
function chains(pairs: readonly [string, string][]): string[][] {
  const sets: Set<string>[] = []
  for (const pair of pairs) {
    const touching = sets.filter(set => pair.some(id => set.has(id)))
    const joined = new Set([...touching.flatMap(set => [...set]), ...pair])
    for (const set of touching) sets.splice(sets.indexOf(set), 1)
    sets.push(joined)
  }
  return sets.map(set => [...set])
}

/** A calendar day is the same wherever it is read: `2026-11-03` as `3 November 2026`. */
export const dayText = (day: string): string =>
  new Date(`${day}T00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  })

/** `3 Nov` */
export const shortDayText = (day: string): string =>
  new Date(`${day}T00:00Z`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })

/** Why a rule was not added, in words. */
export function ruleProblemText(problem: RuleProblem): string {
  switch (problem.code) {
    case 'too-many':
      return `A cohort has at most ${problem.most} rules.`
    case 'not-of-cohort':
      return 'Somebody in this rule is no longer on the list.'
    case 'already-there':
      return 'There is such a rule already.'
  }
}
