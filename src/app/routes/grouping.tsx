import { cohortBeginning, listCohorts } from '~/server/cohorts/cohorts.server'
import { getGrouping, groupingVersionsOf, saveGrouping } from '~/server/groupings/groupings.server'
import { pastSessions } from '~/server/groupings/history.server'
import { rolesHeld } from '~/server/groupings/roles-held.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { GroupingPage } from '../features/groupings/page/grouping-page'
import type { Route } from './+types/grouping'
import { groupingProblem, readGrouping } from './grouping-form.server'
import { answering } from './helpers.server'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.kept.name ?? 'Grouping'} · Round Table` },
]

export async function loader({ params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const {
    cohortId,
    savedBy: _by,
    savedAt: _at,
    ...kept
  } = await answering(getGrouping(db, params.groupingId))
  const [cohort, past, held, versions, cohorts] = await Promise.all([
    answering(cohortBeginning(db, cohortId)),
    pastSessions(db, cohortId),
    rolesHeld(db, cohortId),
    groupingVersionsOf(db, kept.id),
    listCohorts(db),
  ])
  const others = cohorts.filter(({ id }) => id !== cohortId).map(({ id, name }) => ({ id, name }))
  return { kept: { ...kept, versions }, cohort, past, rolesHeld: held, others, choices: [], like: null }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const read = await readGrouping(request)
  if (!read.ok) return read
  const account = context.get(accountContext)
  const saved = await answering(
    saveGrouping(context.get(servicesContext).db, account, params.groupingId, read.form),
  )
  if (saved.ok) return { ok: true as const, version: saved.value }
  if (saved.problem.code !== 'changed-meanwhile') return groupingProblem(saved.problem)
  const [theirs] = await groupingVersionsOf(context.get(servicesContext).db, params.groupingId, 1)
  return { ...groupingProblem(saved.problem), theirs }
}

export default function GroupingRoute({ loaderData }: Route.ComponentProps) {
  return <GroupingPage key={loaderData.kept.id} {...loaderData} />
}
