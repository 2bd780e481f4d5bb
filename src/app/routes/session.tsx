import { Outlet } from 'react-router'
import { longMoment } from '~/core/schedule/session-time'
import { servicesContext } from '~/server/services.server'
import { getSession } from '~/server/sessions/sessions.server'
import { SessionHead } from '../features/sessions/session-head'
import type { Route } from './+types/session'
import { answering } from './helpers.server'

export async function loader({ params, context }: Route.LoaderArgs) {
  const { id, title, startsAt, timeZone, phase } = await answering(
    getSession(context.get(servicesContext).db, params.sessionId),
  )
  return { id, title, phase, timeZone, when: longMoment(startsAt, timeZone) }
}

export default function SessionRoute({ loaderData }: Route.ComponentProps) {
  return (
    <>
      <SessionHead session={loaderData} />
      <Outlet />
    </>
  )
}
