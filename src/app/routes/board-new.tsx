import { data, redirect } from 'react-router'
import { newBoardForm } from '~/contracts/forms/boards'
import type { Board } from '~/core/boards/board'
import { starterNamed } from '~/core/boards/starters'
import { createBoard } from '~/server/boards/boards.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { NewBoardPage } from '../features/boards/new-board-page'
import type { Route } from './+types/board-new'
import { readForm } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Make a board · Round Table' }]

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, newBoardForm)
  if (form.status !== 'success') return form.reply()
  const board = boardOf(form.value)
  if (!board) throw data('There is no such starter.', { status: 404 })
  const account = context.get(accountContext)
  const id = await createBoard(context.get(servicesContext).db, board, account.displayName)
  // Made on the way to a plan, it leads back there.
  const plan = new URL(request.url).searchParams.get('plan')
  throw redirect(`/boards/${id}${plan === null ? '' : `?plan=${encodeURIComponent(plan)}`}`)
}

interface NewBoard {
  title: string
  starter?: string | undefined
  board?: Board | undefined
}

function boardOf({ title, starter, board }: NewBoard): Board | undefined {
  if (starter !== undefined) return starterNamed(starter)?.board
  return board ?? { title, steps: [], prompts: [], parts: [] }
}

export default function NewBoardRoute({ actionData }: Route.ComponentProps) {
  return <NewBoardPage lastResult={actionData} />
}
