import { placeByReviewToken } from '~/server/join/join.server'
import { ownWork } from '~/server/review/own-work.server'
import { servicesContext } from '~/server/services.server'
import { MinePage } from '../features/join/mine-page'
import { FilesAt } from '../prompts/drawing/files-at'
import type { Route } from './+types/mine'
import { answering } from './helpers.server'

export const meta: Route.MetaFunction = () => [
  { title: 'What we made · Round Table' },
  { name: 'referrer', content: 'no-referrer' },
  { name: 'robots', content: 'noindex' },
]

export async function loader({ params, context }: Route.LoaderArgs) {
  const { db, boards, hub } = context.get(servicesContext)
  const place = await answering(placeByReviewToken(db, params.reviewToken))
  return { work: await answering(ownWork(db, boards, place, hub.timeOf(place.sessionId))) }
}

export default function Mine({ loaderData, params }: Route.ComponentProps) {
  return (
    <FilesAt value={`/mine/${params.reviewToken}/files`}>
      <MinePage work={loaderData.work} />
    </FilesAt>
  )
}
