import { reviewSession } from '~/server/review/review.server'
import { servicesContext } from '~/server/services.server'
import { markReviewed } from '~/server/sessions/sessions.server'
import { ReviewPage } from '../features/review/review-page'
import type { Route } from './+types/session-review'
import { answering, formOf } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Review · Round Table' }]

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db, boards, hub } = context.get(servicesContext)
  const asked = Number(new URL(request.url).searchParams.get('prompt') ?? 1)
  // Only what is shown is read: the rooms' answers to one prompt.
  const review = await answering(
    reviewSession(db, boards, params.sessionId, hub.timeOf(params.sessionId), ({ prompts }) =>
      prompts.filter((_prompt, index) => index === asked - 1),
    ),
  )
  return { review }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const reviewed = (await formOf(request)).get('reviewed') === 'yes'
  await markReviewed(context.get(servicesContext).db, params.sessionId, reviewed ? new Date() : null)
  return null
}

export default function SessionReviewRoute({ loaderData }: Route.ComponentProps) {
  return <ReviewPage review={loaderData.review} />
}
