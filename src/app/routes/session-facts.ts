import { factsOfSession } from '~/server/live/facts-here.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-facts'
import { answering } from './helpers.server'

/** What is known of those who are here, as JSON: rules, columns, and who has met whom. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { db, hub } = context.get(servicesContext)
  return Response.json(await answering(factsOfSession(db, hub, params.sessionId)))
}
