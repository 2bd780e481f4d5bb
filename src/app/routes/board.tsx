import { getBoard } from '~/server/boards/boards.server'
import { servicesContext } from '~/server/services.server'
import { BuilderPage } from '../features/boards/builder/builder-page'
import type { Route } from './+types/board'
import { answering } from './helpers.server'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.board.title ?? 'Board'} · Round Table` },
]

export async function loader({ params, context }: Route.LoaderArgs) {
  return { board: await answering(getBoard(context.get(servicesContext).db, params.boardId)) }
}

export default function BoardRoute({ loaderData: { board } }: Route.ComponentProps) {
  return <BuilderPage key={board.id} board={board} />
}
