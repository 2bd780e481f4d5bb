import { redirect } from 'react-router'
import { cohortForm } from '~/contracts/forms/cohorts'
import { createCohort, listCohorts } from '~/server/cohorts/cohorts.server'
import { servicesContext } from '~/server/services.server'
import { CohortsPage } from '../features/cohorts/cohorts-page'
import type { Route } from './+types/cohorts'
import { readForm } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Cohorts · Round Table' }]

export async function loader({ context }: Route.LoaderArgs) {
  return { cohorts: await listCohorts(context.get(servicesContext).db) }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, cohortForm)
  if (form.status !== 'success') return form.reply()
  const id = await createCohort(context.get(servicesContext).db, form.value.name)
  throw redirect(`/cohorts/${id}`)
}

export default function Cohorts({ loaderData, actionData }: Route.ComponentProps) {
  return <CohortsPage cohorts={loaderData.cohorts} lastResult={actionData} />
}
