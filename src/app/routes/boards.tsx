import { listBoards } from '~/server/boards/boards.server'
import { servicesContext } from '~/server/services.server'
import { BoardsPage } from '../features/boards/boards-page'
import type { Route } from './+types/boards'

export const meta: Route.MetaFunction = () => [{ title: 'Boards · Round Table' }]

export async function loader({ context }: Route.LoaderArgs) {
  return { boards: await listBoards(context.get(servicesContext).db) }
}

export default function Boards({ loaderData }: Route.ComponentProps) {
  return <BoardsPage boards={loaderData.boards} />
}
