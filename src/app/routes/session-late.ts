import { putInForm } from '~/contracts/late'
import { type PutInProblem, putInLate } from '~/server/boards/late.server'
import { accountContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-late'
import { jsonOf } from './helpers.server'

const WHY: Record<PutInProblem['code'], string> = {
  'not-late': 'This did not come late, or not on a board of this session.',
  'no-room': 'The board is so full that it does not go in. Take something off it first.',
  'cannot-stand': 'It can not stand on the board as that is now: it is kept here, beside it.',
}

/** Puts a late contribution on its board. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, boards } = context.get(servicesContext)
  const asked = putInForm.safeParse(await jsonOf(request))
  const put = asked.success
    ? await putInLate(db, boards, context.get(accountContext).displayName, params.sessionId, asked.data)
    : ({ ok: false, problem: { code: 'not-late' } } as const)
  if (put.ok) return Response.json({ ok: true })
  return Response.json({ ok: false, message: WHY[put.problem.code] }, { status: 409 })
}
