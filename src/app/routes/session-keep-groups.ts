import { keepGroupsForm } from '~/contracts/forms/groupings'
import { keepLiveGroups } from '~/server/groupings/keep-live.server'
import { accountContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-keep-groups'
import { groupingProblem } from './grouping-form.server'
import { answering, jsonOf } from './helpers.server'

/** Keeps the rooms as they are now as a grouping of the session's cohort, under a name, sent as JSON. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const read = keepGroupsForm.safeParse(await jsonOf(request))
  if (!read.success)
    return Response.json({ ok: false, message: read.error.issues[0]?.message ?? '' }, { status: 400 })
  const account = context.get(accountContext)
  const kept = await answering(keepLiveGroups(db, hub, account, params.sessionId, read.data.name))
  if (kept.ok) return Response.json({ ok: true, ...kept.value })
  if (kept.problem.code === 'no-cohort')
    return Response.json({ ok: false, message: 'Attach a cohort first: groupings are kept with one.' })
  return Response.json(groupingProblem(kept.problem))
}
