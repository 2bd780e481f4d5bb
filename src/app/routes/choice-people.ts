import { choosers } from '~/server/choices/choice-overview.server'
import { getChoice } from '~/server/choices/choices.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/choice-people'
import { answering } from './helpers.server'
import { jsonLines } from './json-lines.server'

/** Who is asked, from a place of the list on, with what they chose: a long list comes in after the page stands. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  return jsonLines(request, await answering(choosers(db, await answering(getChoice(db, params.choiceId)))))
}
