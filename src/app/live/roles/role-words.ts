import type { Role, RoleRule } from '~/core/grouping/roles'

/** What somebody with a role does. */
export const ROLE_DOES: Record<Role, string> = {
  lead: 'leads',
  scribe: 'writes',
  reporter: 'reports',
  timekeeper: 'keeps time',
}
/** The same, said to them. */
export const YOU_DO: Record<Role, string> = {
  lead: 'You lead.',
  scribe: 'You write.',
  reporter: 'You report.',
  timekeeper: 'You keep time.',
}
export const RULE_WORDS: Record<RoleRule, string> = {
  alphabet: 'by first names',
  turn: 'by turns',
  random: 'at random',
}
