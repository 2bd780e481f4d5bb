import { orderChange } from '~/contracts/forms/sessions'
import { servicesContext } from '~/server/services.server'
import { saveRunningOrder } from '~/server/sessions/plans.server'
import { openingProblemText } from '../features/sessions/session-text'
import type { Route } from './+types/session-order'
import { answering, jsonOf } from './helpers.server'

/** The running order of a session's plan after each change, as JSON; answered with what it is now. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const read = orderChange.safeParse(await jsonOf(request))
  if (!read.success) return refused('This plan could not be read.', 400)
  const { base, ...order } = read.data
  const { db } = context.get(servicesContext)
  const kept = await answering(saveRunningOrder(db, params.sessionId, order, base))
  return kept.ok
    ? Response.json({ ok: true, order: kept.value })
    : refused(openingProblemText(kept.problem), 409)
}

const refused = (message: string, status: number) => Response.json({ ok: false, message }, { status })
