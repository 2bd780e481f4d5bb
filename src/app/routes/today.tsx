import { shortMoment } from '~/core/schedule/session-time'
import { listCohorts } from '~/server/cohorts/cohorts.server'
import { servicesContext } from '~/server/services.server'
import { listSessions } from '~/server/sessions/sessions.server'
import { TodayPage } from '../features/today/today-page'
import type { Route } from './+types/today'

export const meta: Route.MetaFunction = () => [{ title: 'Today · Round Table' }]

export async function loader({ context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const [sessions, cohorts] = await Promise.all([listSessions(db, 'unfinished'), listCohorts(db)])
  const shown = sessions.map(({ id, title, startsAt, timeZone, phase, cohortName, reviewedAt }) => ({
    id,
    title,
    cohortName,
    when: shortMoment(startsAt, timeZone),
    startsAt: startsAt.getTime(),
    phase,
    reviewed: reviewedAt !== null,
  }))
  return { sessions: shown, hasCohorts: cohorts.length > 0 }
}

export default function Today({ loaderData }: Route.ComponentProps) {
  return <TodayPage {...loaderData} />
}
