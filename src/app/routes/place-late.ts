import { type LateAnswer, lateForm } from '~/contracts/late'
import { readPlaceToken } from '~/server/auth/cookies.server'
import { keepLate } from '~/server/boards/late.server'
import { placeOf } from '~/server/join/join.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/place-late'
import { jsonOf, tooMuchAtOnce } from './helpers.server'

/** Takes in what somebody wrote without a line, when the board is not theirs to write on any more. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub, boards, limits } = context.get(servicesContext)
  const { sessionId } = params
  const answer = (said: LateAnswer, status = 200) => Response.json(said, { status })
  const place = await placeOf(db, sessionId, await readPlaceToken(request.headers.get('Cookie'), sessionId))
  if (!place) return answer({ ok: false, why: 'no-place', message: 'You have no place in this session.' })
  const { participantId } = place
  if (!limits.commands.participant.allows(participantId)) return tooMuchAtOnce()
  const sent = lateForm.safeParse(await jsonOf(request))
  if (!sent.success)
    return answer({ ok: false, why: 'refused', message: 'This is nothing that a board could hold.' }, 400)
  const { copyId, promptId } = sent.data
  const update = Buffer.from(sent.data.update, 'base64')
  const state = await hub.state(sessionId)
  const said = await keepLate(db, boards, state, { participantId, copyId, promptId, update })
  if (said.ok && said.kept) boards.cameLate(sessionId, copyId, participantId)
  return answer(said)
}
