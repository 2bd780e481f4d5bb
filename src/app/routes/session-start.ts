import { redirect } from 'react-router'
import { startForm } from '~/contracts/forms/sessions'
import { serverNow } from '~/server/clock.server'
import { openSession } from '~/server/live/requests.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { openOffice } from '~/server/sessions/office.server'
import { createBareSession } from '~/server/sessions/sessions.server'
import type { Route } from './+types/session-start'
import { answering, readForm } from './helpers.server'

/** Opens a session, or office hours, with nothing prepared; where that fails its plan says why. */
export async function action({ request, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const account = context.get(accountContext)
  const form = await readForm(request, startForm)
  const { timeZone, kind } = form.status === 'success' ? form.value : { timeZone: 'UTC', kind: 'session' }
  if (kind === 'office') {
    const { sessionId, opened } = await answering(openOffice({ db, hub }, account, timeZone, serverNow()))
    throw redirect(`/sessions/${sessionId}${opened.ok ? '/live' : ''}`)
  }
  const sessionId = await createBareSession(db, timeZone, serverNow())
  const opened = await answering(openSession({ db, hub }, account, sessionId))
  throw redirect(`/sessions/${sessionId}${opened.ok ? '/live' : ''}`)
}
