import { redirect } from 'react-router'
import { getCohort } from '~/server/cohorts/cohorts.server'
import { createGrouping } from '~/server/groupings/groupings.server'
import { pastSessions } from '~/server/groupings/history.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { GroupingPage } from '../features/groupings/grouping-page'
import type { Route } from './+types/grouping-new'
import { groupingProblem, readGrouping } from './grouping-form.server'
import { answering } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Make groups · Round Table' }]

export async function loader({ params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const cohort = await answering(getCohort(db, params.cohortId))
  return { cohort, past: await pastSessions(db, params.cohortId) }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const read = await readGrouping(request)
  if (!read.ok) return read
  const account = context.get(accountContext)
  const made = await createGrouping(context.get(servicesContext).db, account, params.cohortId, read.form)
  if (!made.ok) return groupingProblem(made.problem)
  throw redirect(`/groupings/${made.value}?saved=1`)
}

export default function NewGrouping({ loaderData }: Route.ComponentProps) {
  return <GroupingPage {...loaderData} kept={null} />
}
