import { getCohort } from '~/server/cohorts/cohorts.server'
import { pastSessions } from '~/server/groupings/history.server'
import { servicesContext } from '~/server/services.server'
import { MetPage } from '../features/cohorts/met-page'
import type { Route } from './+types/cohort-met'
import { answering } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Who has met whom · Round Table' }]

export async function loader({ params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const { id, name, people } = await answering(getCohort(db, params.cohortId))
  return {
    cohort: { id, name, people: people.map(person => ({ id: person.id, shownName: person.shownName })) },
    past: await pastSessions(db, params.cohortId, null),
  }
}

export default function CohortMet({ loaderData }: Route.ComponentProps) {
  return <MetPage {...loaderData} />
}
