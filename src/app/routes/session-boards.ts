import { giveBoard } from '~/contracts/corrections'
import { accountContext, servicesContext } from '~/server/services.server'
import { boardsToGive, giveBoardTo } from '~/server/sessions/corrections.server'
import type { Route } from './+types/session-boards'
import { answering, jsonOf, outcomeInWords } from './helpers.server'

/** The boards that rooms of a session can get. */
export async function loader({ context }: Route.LoaderArgs) {
  return Response.json({ boards: await answering(boardsToGive(context.get(servicesContext).db)) })
}

/** Gives one of them to a room, or to all. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const asked = giveBoard.safeParse(await jsonOf(request))
  if (!asked.success) return outcomeInWords(null)
  const account = context.get(accountContext)
  return outcomeInWords(await answering(giveBoardTo(db, hub, account, params.sessionId, asked.data)))
}
