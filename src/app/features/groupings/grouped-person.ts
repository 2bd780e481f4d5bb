import type { Group } from '~/core/grouping/grouping'
import type { PastSession } from '~/core/grouping/history'
import type { Aim, Rule } from '~/core/grouping/rules'
import type { Column } from '~/core/people/columns'
import type { Presence } from '~/core/people/presence'

/** What the grouping page knows of somebody. */
export interface GroupedPerson {
  id: string
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

export interface KeptGrouping {
  id: string
  name: string
  groups: Group[]
  aims: Aim[]
  offRuleIds: string[]
  heldIds: string[]
  version: number
}

export type { PastSession }
