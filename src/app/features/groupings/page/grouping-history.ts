/** What a page of a grouping begins with, and what is kept of it. */
import { type EditHistory, startHistory } from '~/core/grouping/edits'
import type { Group } from '~/core/grouping/grouping'
import { NO_ROTATION, type Rotation } from '~/core/grouping/rotation'
import type { Aim } from '~/core/grouping/rules'
import type { GroupedCohort, KeptGrouping, PastSession, RolesHeld } from '../groups/grouped-person'
import {
  contentRounds,
  emptyRounds,
  type GroupingSettings,
  roundsFrom,
  settingsFrom,
} from '../rounds/grouping-rounds'
import type { ListedChoice } from '../settings/from-choice'
import type { GroupingDraft } from './grouping-draft'

/** What a new grouping begins with when it is made like one of another cohort: all but the people. */
export interface LikeAnother {
  groupNames: string[]
  rounds: number
  aims: Aim[]
  rotation: Rotation
}

export interface GroupingPageProps {
  cohort: GroupedCohort
  past: PastSession[]
  rolesHeld: RolesHeld
  kept: KeptGrouping | null
  like: LikeAnother | null
  /** What people chose, to begin with. */
  chosen?: Group[] | null
  /** The choices groups can come of; none for a grouping that is there already. */
  choices: ListedChoice[]
  /** Other cohorts, to make the like for. */
  others: { id: string; name: string }[]
}

/** All that is kept of a grouping but its name. */
export function contentOf({ present, settings }: EditHistory<GroupingSettings>): GroupingDraft['content'] {
  const { aims, offIds, held, roles, rotation } = settings
  const [groups = [], ...laterRounds] = contentRounds(present)
  return {
    groups,
    laterRounds,
    aims,
    offRuleIds: [...offIds],
    heldIds: [...held],
    roles: [...roles],
    rotation,
  }
}

/** Who meets again counts from the first session on: then new groups aim at fresh pairs unless it is switched off. */
const usualAims = (past: readonly PastSession[]): Aim[] =>
  past.length > 0 ? [{ kind: 'fresh', strength: 2 }] : []

/** Where the page begins: what is kept, what people chose, the like of another, or empty groups. */
export function firstHistory({
  cohort,
  kept,
  like,
  chosen,
  past,
}: GroupingPageProps): EditHistory<GroupingSettings> {
  const { people } = cohort
  if (kept) return startHistory(roundsFrom(people, kept), settingsFrom(people, kept))
  const rounds = chosen
    ? roundsFrom(people, { groups: chosen, laterRounds: [] })
    : emptyRounds(people, like?.groupNames ?? [])
  const { aims = usualAims(past), rotation = NO_ROTATION } = like ?? {}
  return startHistory(rounds, { aims, offIds: new Set(), held: new Set(), roles: [], rotation })
}
