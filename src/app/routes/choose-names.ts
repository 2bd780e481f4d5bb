import { freeChoiceNames } from '~/server/choices/choice-overview.server'
import { choiceByCode } from '~/server/choices/choices.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/choose-names'
import { answering } from './helpers.server'
import { jsonLines } from './json-lines.server'

/** The names that can still be taken, from a place on, for whoever has the link of a choice that is open. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const choice = await answering(choiceByCode(db, params.code))
  return jsonLines(request, choice.phase === 'open' ? await answering(freeChoiceNames(db, choice)) : [])
}
