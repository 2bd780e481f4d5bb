import { plainName } from '../people/shown-name'

/** What a grouping of a cohort must keep. The reason is for facilitators only: no participant ever sees it. */
export type Rule = { id: string; reason: string } & RuleContent

export type RuleContent =
  | { kind: 'apart'; personIds: string[] }
  | { kind: 'together'; personIds: string[] }
  /** In the group of this name; a grouping without one keeps the rule as it is. */
  | { kind: 'placed'; personIds: string[]; groupName: string }
  | { kind: 'lead-in-each' }
  | { kind: 'sizes'; least: number; most: number }

export const RULE_KINDS = ['apart', 'together', 'placed', 'lead-in-each', 'sizes'] as const

/** How much an aim counts: each step is twice the one before. */
export const STRENGTHS = [1, 2, 3] as const
export type Strength = (typeof STRENGTHS)[number]

/** What a grouping should do as well as it can. */
export type Aim = { strength: Strength } & AimContent

export type AimContent =
  /** People who have not worked together, or not for long. */
  | { kind: 'fresh' }
  /** Every group a mixture: of a category many values, of a number the same mean and spread. */
  | { kind: 'mixed'; column: string }
  /** Every group alike in this. */
  | { kind: 'matched'; column: string }
  /** As many as possible where they are. */
  | { kind: 'keep' }

/** Most rules kept with a cohort. */
export const MOST_RULES = 200

/** Which group a rule places people in: the one that reads the same, whatever case and accents. */
export const groupNamed = (names: readonly string[], wanted: string): number =>
  names.findIndex(name => plainName(name) === plainName(wanted))

/** Whether two aims ask the same, however strongly. */
export const sameAim = (one: AimContent, other: AimContent): boolean =>
  one.kind === other.kind && ('column' in one ? one.column : '') === ('column' in other ? other.column : '')
