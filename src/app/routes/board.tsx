import { redirect } from 'react-router'
import { boardForm } from '~/contracts/forms/boards'
import { getBoard, saveBoard } from '~/server/boards/boards.server'
import { servicesContext } from '~/server/services.server'
import { BoardEditor } from '../features/boards/board-editor'
import type { Route } from './+types/board'
import { answering, readForm } from './helpers.server'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.board.title ?? 'Board'} · Round Table` },
]

export async function loader({ params, context }: Route.LoaderArgs) {
  return { board: await answering(getBoard(context.get(servicesContext).db, params.boardId)) }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, boardForm)
  if (form.status !== 'success') return form.reply()
  await answering(saveBoard(context.get(servicesContext).db, params.boardId, form.value))
  throw redirect(`/boards/${params.boardId}?saved=1`)
}

export default function BoardRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { board } = loaderData
  // What was saved is what the form begins with: it is drawn anew then.
  return <BoardEditor key={`${board.id} ${board.savedAt}`} board={board} lastResult={actionData} />
}
