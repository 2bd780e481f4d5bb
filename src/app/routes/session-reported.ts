import { servicesContext } from '~/server/services.server'
import { reportedBefore } from '~/server/sessions/reported.server'
import type { Route } from './+types/session-reported'
import { answering } from './helpers.server'

/** How often those who are here have reported in earlier sessions, as JSON. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { db, hub } = context.get(servicesContext)
  return Response.json({ reported: await answering(reportedBefore(db, hub, params.sessionId)) })
}
