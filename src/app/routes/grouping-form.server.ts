import { type GroupingForm, groupingForm } from '~/contracts/forms/groupings'
import type { SaveGroupingProblem } from '~/contracts/grouping'
import { groupingProblemText } from '../features/groupings/page/grouping-text'
import { jsonOf } from './helpers.server'

export interface GroupingRefusal {
  ok: false
  message: string
}

/** Reads a grouping as the page sends it. */
export async function readGrouping(
  request: Request,
): Promise<{ ok: true; form: GroupingForm } | GroupingRefusal> {
  const read = groupingForm.safeParse(await jsonOf(request))
  if (read.success) return { ok: true, form: read.data }
  return { ok: false, message: read.error.issues[0]?.message ?? 'This could not be saved as it is.' }
}

export function groupingProblem(problem: SaveGroupingProblem): GroupingRefusal {
  return { ok: false, message: groupingProblemText(problem) }
}
