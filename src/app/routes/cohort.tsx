import { cohortForm } from '~/contracts/forms/cohorts'
import { listChoices } from '~/server/choices/choices.server'
import { cohortBeginning, renameCohort } from '~/server/cohorts/cohorts.server'
import { listImports } from '~/server/cohorts/imports.server'
import { runningSessions } from '~/server/cohorts/presence.server'
import { listGroupings } from '~/server/groupings/groupings.server'
import { servicesContext } from '~/server/services.server'
import { CohortPage } from '../features/cohorts/cohort-page'
import type { Route } from './+types/cohort'
import { answering, readForm } from './helpers.server'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.cohort.name ?? 'Cohort'} · Round Table` },
]

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const { cohortId } = params
  const { people, count, presence, columns, id, name } = await answering(cohortBeginning(db, cohortId))
  const importId = new URL(request.url).searchParams.get('import')
  const imported = importId && (await listImports(db, cohortId)).find(each => each.id === importId)
  return {
    cohort: { id, name, presence, columns, people, count },
    imported: imported || null,
    groupings: await listGroupings(db, { cohortId }),
    choices: (await listChoices(db, cohortId)).map(({ id, title, phase }) => ({ id, title, phase })),
    running: await runningSessions(db, cohortId),
  }
}

/** Renames the list; what stands on it is changed by routes of its own. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, cohortForm)
  if (form.status !== 'success') return form.reply()
  await answering(renameCohort(context.get(servicesContext).db, params.cohortId, form.value.name))
  return form.reply()
}

export default function CohortRoute({ loaderData }: Route.ComponentProps) {
  return <CohortPage {...loaderData} />
}
