import type { MarkKind } from '~/core/live/marks'
import { DOOR_MARKS } from './door/marks'
import { HELP_MARKS } from './help/marks'
import { HIDDEN_TEXTS_MARKS } from './hidden/marks'
import type { MarkLook } from './mark-look'
import { MATERIAL_MARKS } from './material/marks'
import { MESSAGES_MARKS } from './messages/marks'
import { REPORT_MARKS } from './report/marks'
import { RIGHTS_MARKS } from './rights/marks'
import { ROOMS_MARKS } from './rooms/marks'
import { ROUNDS_MARKS } from './rounds/marks'
import { SIGNALS_MARKS } from './signals/marks'
import { TAKEN_OFF_MARKS } from './taken-off/marks'
import { VISITS_MARKS } from './visits/marks'

/** How every mark looks on a lane, and its word, in the order of the legend: one without does not compile. */
export const MARK_LOOK: Record<MarkKind, MarkLook> = {
  ...ROOMS_MARKS,
  ...DOOR_MARKS,
  ...MESSAGES_MARKS,
  ...MATERIAL_MARKS,
  ...VISITS_MARKS,
  ...HELP_MARKS,
  ...HIDDEN_TEXTS_MARKS,
  ...SIGNALS_MARKS,
  ...ROUNDS_MARKS,
  ...REPORT_MARKS,
  ...RIGHTS_MARKS,
  ...TAKEN_OFF_MARKS,
}

export const MARK_KINDS = Object.keys(MARK_LOOK) as MarkKind[]
