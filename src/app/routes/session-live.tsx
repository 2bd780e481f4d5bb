import { data } from 'react-router'
import { facilitatorView } from '~/core/live/views'
import { listCohorts } from '~/server/cohorts/cohorts.server'
import { addressesFor } from '~/server/http/addresses.server'
import { joinImage } from '~/server/join/join-image.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { getSession } from '~/server/sessions/sessions.server'
import { LivePage } from '../features/live/live-page'
import { OfficePage } from '../features/live/office-page'
import type { Route } from './+types/session-live'
import { answering } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Live · Round Table' }]

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db, hub, settings } = context.get(servicesContext)
  const { id, joinCode, phase, timeZone } = await answering(getSession(db, params.sessionId))
  if (phase === 'planned')
    throw data('The session has not been opened yet. Open it from its plan.', { status: 404 })
  const { main, guessed, others } = addressesFor(request.url, settings.publicAddress)
  const joinAddress = `${main}/join/${joinCode}`
  const state = await hub.state(id)
  const isPlanned = state.cohort === null && state.expected.length > 0
  return {
    sessionId: id,
    view: { ...facilitatorView(state), marks: [] },
    joinCode,
    joinAddress,
    reach: { guessed, others },
    joinImage: await joinImage(joinAddress),
    cohorts: isPlanned ? [] : await listCohorts(db),
    accountId: context.get(accountContext).id,
    timeZone,
    now: hub.timeOf(id),
  }
}

/** The event stream keeps the page up to date; it need not be fetched again. */
export const shouldRevalidate = () => false

export default function SessionLive({ loaderData }: Route.ComponentProps) {
  return loaderData.view.office ? <OfficePage {...loaderData} /> : <LivePage {...loaderData} />
}
