import { giveMaterialForm } from '~/contracts/live-material'
import { accountContext, servicesContext } from '~/server/services.server'
import { giveMaterial, materialToGive } from '~/server/sessions/give-material.server'
import type { Route } from './+types/session-material'
import { answering, jsonOf, outcomeInWords } from './helpers.server'

/** The material that can be given in a session. */
export async function loader({ context }: Route.LoaderArgs) {
  return Response.json({ material: await answering(materialToGive(context.get(servicesContext).db)) })
}

/** Gives some of it to everybody, or to some rooms. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const asked = giveMaterialForm.safeParse(await jsonOf(request))
  if (!asked.success) return outcomeInWords(null)
  const account = context.get(accountContext)
  return outcomeInWords(await answering(giveMaterial(db, hub, account, params.sessionId, asked.data)))
}
