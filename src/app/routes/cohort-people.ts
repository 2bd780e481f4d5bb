import { setImmediate } from 'node:timers/promises'
import { getCohort } from '~/server/cohorts/cohorts.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/cohort-people'
import { answering } from './helpers.server'

/** So many people are written at once; in between, everybody else's requests are looked after. */
const AT_ONCE = 250

/** The people of a list from a place on, one JSON text a line: a long list comes in after the page stands. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const { people } = await answering(getCohort(db, params.cohortId))
  const from = Math.max(0, Number(new URL(request.url).searchParams.get('from')) || 0)
  const encoder = new TextEncoder()
  let place = from
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      await setImmediate()
      const slice = people.slice(place, place + AT_ONCE)
      place += AT_ONCE
      if (slice.length === 0) controller.close()
      else controller.enqueue(encoder.encode(slice.map(person => `${JSON.stringify(person)}\n`).join('')))
    },
  })
  return new Response(stream, {
    headers: { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store' },
  })
}
