import { facilitatorRequestSchema } from '~/core/live/topics'
import { askAsFacilitator } from '~/server/live/requests.server'
import { accountContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-commands'
import { answering, jsonOf, outcomeInWords } from './helpers.server'

/** What facilitators ask for in a session, as JSON. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const read = facilitatorRequestSchema.safeParse(await jsonOf(request))
  if (!read.success) return outcomeInWords(null)
  const services = context.get(servicesContext)
  return outcomeInWords(
    await answering(askAsFacilitator(services, context.get(accountContext), params.sessionId, read.data)),
  )
}
