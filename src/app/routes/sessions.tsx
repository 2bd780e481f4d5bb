import type { ShouldRevalidateFunctionArgs } from 'react-router'
import { dateFields, shortMoment } from '~/core/schedule/session-time'
import { servicesContext } from '~/server/services.server'
import { listSessions } from '~/server/sessions/sessions.server'
import { SessionsPage } from '../features/sessions/sessions-page'
import type { Route } from './+types/sessions'

export const meta: Route.MetaFunction = () => [{ title: 'Sessions · Round Table' }]

export async function loader({ context }: Route.LoaderArgs) {
  const sessions = await listSessions(context.get(servicesContext).db)
  return {
    sessions: sessions.map(session => ({
      id: session.id,
      title: session.title,
      cohortName: session.cohortName,
      phase: session.phase,
      when: shortMoment(session.startsAt, session.timeZone),
      day: dateFields(session.startsAt, session.timeZone).date,
    })),
  }
}

/** What is narrowed in the address is narrowed on the page. */
export const shouldRevalidate = ({
  currentUrl,
  nextUrl,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs) =>
  currentUrl.pathname === nextUrl.pathname && currentUrl.search !== nextUrl.search
    ? false
    : defaultShouldRevalidate

export default function Sessions({ loaderData }: Route.ComponentProps) {
  return <SessionsPage sessions={loaderData.sessions} />
}
