import { takenOffRequest } from '~/contracts/taken-off'
import { accountContext, servicesContext } from '~/server/services.server'
import { giveBackPiece, takeOffPiece } from '~/server/sessions/taken-off.server'
import type { Route } from './+types/session-taken-off'
import { answering, jsonOf, outcomeInWords } from './helpers.server'

/** Takes something off a room's board, or gives it back. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { hub, boards } = context.get(servicesContext)
  const asked = takenOffRequest.safeParse(await jsonOf(request))
  if (!asked.success) return outcomeInWords(null)
  const account = context.get(accountContext)
  const act =
    'takenId' in asked.data
      ? giveBackPiece({ hub, boards }, account, params.sessionId, asked.data.takenId)
      : takeOffPiece({ hub, boards }, account, params.sessionId, asked.data)
  return outcomeInWords(await answering(act))
}
