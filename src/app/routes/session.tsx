import { Outlet } from 'react-router'
import { longMoment } from '~/core/schedule/session-time'
import { servicesContext } from '~/server/services.server'
import { getSession } from '~/server/sessions/sessions.server'
import { SessionHead } from '../features/sessions/session-head'
import type { Route } from './+types/session'
import { answering } from './helpers.server'

export async function loader({ params, context }: Route.LoaderArgs) {
  const { db, rehearsals } = context.get(servicesContext)
  const { id, title, startsAt, timeZone, phase } = await answering(getSession(db, params.sessionId))
  const running = rehearsals.of(id)
  return {
    ...{ id, title, phase, timeZone },
    when: longMoment(startsAt, timeZone),
    rehearsal: running && { ofId: running.ofId, speed: running.pace.speed, itself: running.itself },
  }
}

export default function SessionRoute({ loaderData }: Route.ComponentProps) {
  return (
    <>
      <SessionHead session={loaderData} rehearsal={loaderData.rehearsal} />
      <Outlet />
    </>
  )
}
