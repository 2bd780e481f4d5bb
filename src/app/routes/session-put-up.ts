import { readPutUp } from '~/server/live/put-up.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-put-up'
import { answering } from './helpers.server'

/** What is put up on the projector, as JSON, as it stands now. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { hub, boards } = context.get(servicesContext)
  return Response.json(await answering(readPutUp(hub, boards, params.sessionId)))
}
