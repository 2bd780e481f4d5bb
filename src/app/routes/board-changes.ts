import { boardChange } from '~/contracts/forms/boards'
import { changeBoard } from '~/server/boards/boards.server'
import { accountContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/board-changes'
import { answering, jsonOf } from './helpers.server'

/** What was changed in the builder, as JSON; answered with what the board is now. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const read = boardChange.safeParse(await jsonOf(request))
  if (!read.success) {
    const message = read.error.issues[0]?.message ?? 'This could not be kept as it is.'
    return Response.json({ ok: false, message }, { status: 400 })
  }
  const account = context.get(accountContext)
  const { db } = context.get(servicesContext)
  const board = await answering(changeBoard(db, params.boardId, read.data, account.displayName))
  return Response.json({ ok: true, board })
}
