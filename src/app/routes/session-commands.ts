import { facilitatorRequestSchema } from '~/core/live/topics'
import { askAsFacilitator } from '~/server/live/requests.server'
import { accountContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-commands'
import { answering, jsonOf, outcomeInWords, tooMuchAtOnce } from './helpers.server'

/** What facilitators ask for in a session, as JSON. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const services = context.get(servicesContext)
  const account = context.get(accountContext)
  if (!services.limits.commands.facilitator.allows(account.id)) return tooMuchAtOnce()
  const read = facilitatorRequestSchema.safeParse(await jsonOf(request))
  if (!read.success) return outcomeInWords(null)
  return outcomeInWords(await answering(askAsFacilitator(services, account, params.sessionId, read.data)))
}
