import { getCohort } from '~/server/cohorts/cohorts.server'
import { getGrouping, saveGrouping } from '~/server/groupings/groupings.server'
import { pastSessions } from '~/server/groupings/history.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { GroupingPage } from '../features/groupings/grouping-page'
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
  return {
    kept,
    cohort: await answering(getCohort(db, cohortId)),
    past: await pastSessions(db, cohortId),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const read = await readGrouping(request)
  if (!read.ok) return read
  const account = context.get(accountContext)
  const saved = await answering(
    saveGrouping(context.get(servicesContext).db, account, params.groupingId, read.form),
  )
  return saved.ok ? { ok: true as const, version: saved.value } : groupingProblem(saved.problem)
}

export default function GroupingRoute({ loaderData }: Route.ComponentProps) {
  return <GroupingPage key={loaderData.kept.id} {...loaderData} />
}
