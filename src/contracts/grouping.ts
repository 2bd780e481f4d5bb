import type { Group } from '~/core/grouping/grouping'
import type { Role } from '~/core/grouping/roles'
import type { Rotation } from '~/core/grouping/rotation'
import type { Aim } from '~/core/grouping/rules'

/** What a version of a grouping says. */
export interface GroupingContent {
  name: string
  /** The first round. */
  groups: Group[]
  /** The second round and those after it; empty for a grouping of one round. */
  laterRounds: Group[][]
  aims: Aim[]
  /** Rules of the cohort that are switched off. */
  offRuleIds: string[]
  /** Who stays when groups are made again. */
  heldIds: string[]
  /** Roles in each round, by person id; rounds beyond the list have none. */
  roles: Record<string, Role>[]
  rotation: Rotation
}

/** A version as it was saved. */
export interface GroupingVersion {
  version: number
  savedBy: string
  savedAt: Date
  content: GroupingContent
}

/** Why a grouping is not saved. */
export type SaveGroupingProblem =
  | { code: 'changed-meanwhile'; savedBy: string; version: number }
  | { code: 'person-twice' }
  | { code: 'not-of-cohort' }
  | { code: 'no-people' }

/** Why a rule is not added. */
export type RuleProblem =
  | { code: 'too-many'; most: number }
  | { code: 'not-of-cohort' }
  | { code: 'already-there' }
