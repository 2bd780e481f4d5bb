import { participantRequestSchema } from '~/core/live/topics'
import { readPlaceToken } from '~/server/auth/cookies.server'
import { placeOf } from '~/server/join/join.server'
import { askAsParticipant } from '~/server/live/requests.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/place-commands'
import { jsonOf, outcomeInWords, tooMuchAtOnce } from './helpers.server'

/** What participants ask for in a session, as JSON. Who asks is known from their cookie alone. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const services = context.get(servicesContext)
  const { sessionId } = params
  const token = await readPlaceToken(request.headers.get('Cookie'), sessionId)
  const place = await placeOf(services.db, sessionId, token)
  if (place && !services.limits.commands.participant.allows(place.participantId)) return tooMuchAtOnce()
  const read = participantRequestSchema.safeParse(await jsonOf(request))
  if (!read.success) return outcomeInWords(null)
  return outcomeInWords(await askAsParticipant(services, sessionId, place?.participantId ?? null, read.data))
}
