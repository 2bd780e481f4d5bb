import { participantRequest } from '~/contracts/live'
import { readPlaceToken } from '~/server/auth/cookies.server'
import { placeOf } from '~/server/join/join.server'
import { askAsParticipant } from '~/server/live/requests.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/place-commands'
import { jsonOf } from './helpers.server'

/** What participants ask for in a session, as JSON. Who asks is known from their cookie alone. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const { sessionId } = params
  const read = participantRequest.safeParse(await jsonOf(request))
  if (!read.success) return Response.json({ ok: false, problem: { code: 'not-allowed' } }, { status: 400 })
  const place = await placeOf(db, sessionId, await readPlaceToken(request.headers.get('Cookie'), sessionId))
  const outcome = await askAsParticipant(db, hub, sessionId, place?.participantId ?? null, read.data)
  return Response.json(outcome)
}
