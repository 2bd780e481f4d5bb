import { choiceByCode, placesLeftIn } from '~/server/choices/choices.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/choose-places'
import { answering } from './helpers.server'

/** How many places each topic has left: all that a page asks for again every few seconds. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const choice = await answering(choiceByCode(db, params.code))
  return { phase: choice.phase, left: [...(await placesLeftIn(db, choice))] }
}
