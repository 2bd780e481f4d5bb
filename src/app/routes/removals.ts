import { parseWithZod } from '@conform-to/zod/v4'
import { data } from 'react-router'
import { removalForm, removedList } from '~/contracts/removals'
import { noteDeed } from '~/server/deeds/deeds.server'
import { dependentsOf, listRemoved, putBack, remove } from '~/server/removals/removals.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { dependsText, removalProblemText } from '../removals/removal-text'
import type { Route } from './+types/removals'
import { answering, formOf } from './helpers.server'

/** What was removed of one kind. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const asked = removedList.safeParse({ kind: new URL(request.url).searchParams.get('kind') })
  if (!asked.success) throw data('There is no such list.', { status: 400 })
  return { removed: await listRemoved(context.get(servicesContext).db, asked.data.kind) }
}

/** Says what depends on something, removes it, or puts it back. */
export async function action({ request, context }: Route.ActionArgs) {
  const { db } = context.get(servicesContext)
  const account = context.get(accountContext)
  const form = parseWithZod(await formOf(request), { schema: removalForm })
  if (form.status !== 'success') throw data('This cannot be removed.', { status: 400 })
  const { intent, kind, id } = form.value
  if (intent === 'ask') return { depends: dependsText(kind, await dependentsOf(db, kind, id)) }
  if (intent === 'put-back') {
    await answering(putBack(db, kind, id))
    await noteDeed(db, account, { kind: 'put-back', thing: { kind, id } })
    return { removed: false }
  }
  const removed = await answering(remove(db, account, kind, id))
  if (removed.ok) await noteDeed(db, account, { kind: 'removed', thing: { kind, id } })
  return removed.ok ? { removed: true } : { problem: removalProblemText(removed.problem) }
}
