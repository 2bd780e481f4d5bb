import { facilitatorRequest } from '~/contracts/live'
import { askAsFacilitator } from '~/server/live/requests.server'
import { accountContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-commands'
import { answering, jsonOf } from './helpers.server'

/** What facilitators ask for in a session, as JSON. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { hub } = context.get(servicesContext)
  const read = facilitatorRequest.safeParse(await jsonOf(request))
  if (!read.success) return Response.json({ ok: false, problem: { code: 'not-allowed' } }, { status: 400 })
  const outcome = await answering(
    askAsFacilitator(hub, context.get(accountContext), params.sessionId, read.data),
  )
  return Response.json(outcome)
}
