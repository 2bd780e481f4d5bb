import { data } from 'react-router'
import { projectorView } from '~/core/live/views'
import { addressesFor } from '~/server/http/addresses.server'
import { joinImage } from '~/server/join/join-image.server'
import { servicesContext } from '~/server/services.server'
import { getSession } from '~/server/sessions/sessions.server'
import { ProjectorPage } from '../features/projector/projector-page'
import type { Route } from './+types/session-projector'
import { answering } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Projector · Round Table' }]

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db, hub, settings } = context.get(servicesContext)
  const { id, joinCode, phase } = await answering(getSession(db, params.sessionId))
  if (phase === 'planned') throw data('The session has not been opened yet.', { status: 404 })
  const address = addressesFor(request.url, settings.publicAddress).main
  return {
    sessionId: id,
    view: projectorView(await hub.state(id)),
    join: {
      code: joinCode,
      address: `${address}/join`.replace(/^https?:\/\//, ''),
      image: await joinImage(`${address}/join/${joinCode}`),
    },
    now: hub.timeOf(id),
  }
}

export const shouldRevalidate = () => false

export default function SessionProjector({ loaderData }: Route.ComponentProps) {
  return <ProjectorPage {...loaderData} />
}
