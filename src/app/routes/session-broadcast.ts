import { broadcastMaterialForm } from '~/contracts/live-material'
import { accountContext, servicesContext } from '~/server/services.server'
import { broadcastMaterial } from '~/server/sessions/give-material.server'
import type { Route } from './+types/session-broadcast'
import { answering, jsonOf, outcomeInWords } from './helpers.server'

/** A broadcast with something of the library; all others are commands. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const asked = broadcastMaterialForm.safeParse(await jsonOf(request))
  if (!asked.success) return outcomeInWords(null)
  const account = context.get(accountContext)
  return outcomeInWords(await answering(broadcastMaterial(db, hub, account, params.sessionId, asked.data)))
}
