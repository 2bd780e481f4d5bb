import { redirect } from 'react-router'
import { participantView } from '~/core/live/views'
import { readPlaceToken } from '~/server/auth/cookies.server'
import { addressesFor } from '~/server/http/addresses.server'
import { placeOf } from '~/server/join/join.server'
import { servicesContext } from '~/server/services.server'
import { getSession } from '~/server/sessions/sessions.server'
import { PlacePage } from '../features/place/place-page'
import { FilesAt } from '../prompts/drawing/files-at'
import type { Route } from './+types/place'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.view.session.title ?? 'Session'} · Round Table` },
]

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db, hub, settings } = context.get(servicesContext)
  const { sessionId } = params
  const place = await placeOf(db, sessionId, await readPlaceToken(request.headers.get('Cookie'), sessionId))
  const view = place && participantView(await hub.state(sessionId), place.participantId)
  if (!view) throw redirect('/join')
  const { joinCode } = await getSession(db, sessionId)
  const { main } = addressesFor(request.url, settings.publicAddress)
  return {
    sessionId,
    join: { code: joinCode, address: `${main}/join`.replace(/^https?:\/\//, '') },
    view,
    ownLink: `/mine/${place.reviewToken}`,
    now: hub.timeOf(sessionId),
  }
}

/** The event stream keeps the page up to date; it need not be fetched again. */
export const shouldRevalidate = () => false

export default function PlaceRoute({ loaderData }: Route.ComponentProps) {
  return (
    <FilesAt value={`/s/${loaderData.sessionId}/files`}>
      <PlacePage {...loaderData} />
    </FilesAt>
  )
}
