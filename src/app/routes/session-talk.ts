import { accountContext, servicesContext } from '~/server/services.server'
import { roomTalk } from '~/server/sessions/talk.server'
import type { Route } from './+types/session-talk'
import { answering } from './helpers.server'

/** What a facilitator may read of a room's talk. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { hub } = context.get(servicesContext)
  const { id } = context.get(accountContext)
  return Response.json({ lines: await answering(roomTalk(hub, id, params.sessionId, params.roomId)) })
}
