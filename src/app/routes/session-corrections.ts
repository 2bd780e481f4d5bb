import { passOn } from '~/contracts/corrections'
import { accountContext, servicesContext } from '~/server/services.server'
import { correctionsFor, passOnCorrection } from '~/server/sessions/corrections.server'
import type { Route } from './+types/session-corrections'
import { answering, jsonOf, outcomeInWords } from './helpers.server'

/** What was changed in the library since the boards of a session were made of it. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { db, hub } = context.get(servicesContext)
  return Response.json({ corrections: await answering(correctionsFor(db, hub, params.sessionId)) })
}

/** Passes on one of them. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const asked = passOn.safeParse(await jsonOf(request))
  if (!asked.success) return outcomeInWords(null)
  const account = context.get(accountContext)
  return outcomeInWords(await answering(passOnCorrection(db, hub, account, params.sessionId, asked.data)))
}
