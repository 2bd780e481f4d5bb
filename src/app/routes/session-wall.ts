import { readPromptOfAll } from '~/server/live/put-up.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-wall'
import { answering } from './helpers.server'

/** What all rooms have under one prompt, as JSON, as it stands now. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { hub, boards } = context.get(servicesContext)
  return Response.json(await answering(readPromptOfAll(hub, boards, params.sessionId, params.promptId)))
}
