import type { Rule } from './rules'

type Name = (personId: string) => string

/** `Ana, Bo and Chi` */
export const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`

/** A rule in words, as facilitators read it. */
export function ruleText(rule: Rule, name: Name): string {
  switch (rule.kind) {
    case 'apart':
      return `${listed(rule.personIds.map(name))} apart`
    case 'together':
      return `${listed(rule.personIds.map(name))} together`
    case 'placed':
      return `${listed(rule.personIds.map(name))} in ${rule.groupName}`
    case 'lead-in-each':
      return 'A trained lead in every group'
    case 'sizes':
      return `${rule.least} to ${rule.most} people in every group`
  }
}
