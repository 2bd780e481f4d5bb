import { boardVersionsOf } from '~/server/boards/boards.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/board-versions'

/** How a board was left, newest first. */
export async function loader({ params, context }: Route.LoaderArgs) {
  return { versions: await boardVersionsOf(context.get(servicesContext).db, params.boardId) }
}
