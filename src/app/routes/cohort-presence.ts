import { data } from 'react-router'
import { presenceDay, presenceTick } from '~/contracts/forms/cohorts'
import { presenceFromSession, setPresence } from '~/server/cohorts/presence.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/cohort-presence'
import { answering, formOf } from './helpers.server'

/** Who of a list is here on a day: as ticked, or as a running session has it. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const { cohortId } = params
  const fields = await formOf(request)
  const day = presenceDay.safeParse(fields.get('day'))
  if (!day.success) throw data('This page does not know which day it is.', { status: 400 })
  const sessionId = fields.get('sessionId')
  if (sessionId) {
    const taken = await answering(presenceFromSession(db, hub, cohortId, String(sessionId), day.data))
    return taken ? null : { problem: 'This session is over: who was in it is seen in its review.' }
  }
  const tick = presenceTick.safeParse(fields.get('tick')).data
  const mine = { day: day.data, personIds: fields.getAll('personId').map(String), tick }
  const ticked = fields.get('ticked')
  await answering(setPresence(db, cohortId, mine, ticked === null ? undefined : String(ticked).split(' ')))
  return null
}
