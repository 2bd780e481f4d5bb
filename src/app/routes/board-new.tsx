import { redirect } from 'react-router'
import { boardForm } from '~/contracts/forms/boards'
import { starterNamed } from '~/core/boards/starters'
import { createBoard } from '~/server/boards/boards.server'
import { servicesContext } from '~/server/services.server'
import { BoardEditor } from '../features/boards/board-editor'
import type { Route } from './+types/board-new'
import { readForm } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Make a board · Round Table' }]

export function loader({ request }: Route.LoaderArgs) {
  return { from: starterNamed(new URL(request.url).searchParams.get('from'))?.board ?? null }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, boardForm)
  if (form.status !== 'success') return form.reply()
  const id = await createBoard(context.get(servicesContext).db, form.value)
  // Made on the way to a plan, it leads back there.
  const plan = new URL(request.url).searchParams.get('plan')
  throw redirect(
    plan === null ? `/boards/${id}?saved=1` : `/sessions/new?grouping=${encodeURIComponent(plan)}`,
  )
}

export default function NewBoard({ loaderData: { from }, actionData }: Route.ComponentProps) {
  // Another starter is another form.
  return <BoardEditor key={from?.title} from={from} lastResult={actionData} />
}
