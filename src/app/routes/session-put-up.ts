import { putUpMaterialForm } from '~/contracts/live-material'
import { readPutUp } from '~/server/live/put-up.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { putUpMaterial } from '~/server/sessions/give-material.server'
import type { Route } from './+types/session-put-up'
import { answering, jsonOf, outcomeInWords } from './helpers.server'

/** The work that is put up on the projector, as JSON, as it stands now. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { hub, boards } = context.get(servicesContext)
  return Response.json(await answering(readPutUp(hub, boards, params.sessionId)))
}

/** Puts up something of the library. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const asked = putUpMaterialForm.safeParse(await jsonOf(request))
  if (!asked.success) return outcomeInWords(null)
  const account = context.get(accountContext)
  return outcomeInWords(await answering(putUpMaterial(db, hub, account, params.sessionId, asked.data)))
}
