import type { GroupingContent, GroupingVersion } from '~/contracts/grouping'
import type { Role } from '~/core/grouping/roles'
import type { Rule } from '~/core/grouping/rules'
import type { PastSession } from '~/core/history/pairs'
import type { Column } from '~/core/people/columns'
import type { Presence } from '~/core/people/presence'

/** What the grouping page knows of somebody. */
export interface GroupedPerson {
  id: string
  firstName: string
  familyName: string
  shownName: string
  trainedToLead: boolean
  columns: Record<string, string>
}

export interface GroupedCohort {
  id: string
  name: string
  people: GroupedPerson[]
  columns: Column[]
  presence: Presence | null
  rules: Rule[]
}

export interface KeptGrouping extends GroupingContent {
  id: string
  version: number
  versions: GroupingVersion[]
}

/** How often everybody has held each role, by person id. */
export type RolesHeld = Record<string, Partial<Record<Role, number>>>

export type { PastSession }
