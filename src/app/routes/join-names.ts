import { freeNamesText, sessionByCode } from '~/server/join/join.server'
import { addressContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/join-names'

/** The names somebody can still choose from, for whoever has the code of a session that is open. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { db, hub, limits } = context.get(servicesContext)
  const found = await sessionByCode(db, limits, params.code, context.get(addressContext))
  if (!found.ok || found.value.phase !== 'open') return Response.json([], { status: 404 })
  return new Response(await freeNamesText(hub, found.value.id), {
    headers: { 'Content-Type': 'application/json' },
  })
}
