import { type GroupingForm, groupingForm } from '~/contracts/forms'
import type { GroupingProblem } from '~/server/groupings/groupings.server'
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

export function groupingProblem(problem: GroupingProblem): GroupingRefusal {
  return { ok: false, message: problemText(problem) }
}

function problemText(problem: GroupingProblem): string {
  switch (problem.code) {
    case 'changed-meanwhile':
      return `${problem.savedBy} saved this grouping while you were changing it. Yours is still here: save it under another name, or open theirs in a new tab first.`
    case 'person-twice':
      return 'Somebody stands in two groups.'
    case 'not-of-cohort':
      return 'Somebody in these groups is not of this cohort.'
    case 'no-people':
      return 'Put somebody into a group first.'
  }
}
