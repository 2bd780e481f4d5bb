import { phraseForm } from '~/contracts/phrases'
import { accountContext, servicesContext } from '~/server/services.server'
import { changePhrases, phrasesOf } from '~/server/sessions/phrases.server'
import type { Route } from './+types/phrases'
import { answering, jsonOf } from './helpers.server'

/** What one says often, in one's own words. */
export async function loader({ context }: Route.LoaderArgs) {
  const phrases = await answering(phrasesOf(context.get(servicesContext).db, context.get(accountContext).id))
  return Response.json({ phrases })
}

/** Keeps one more of them, or drops one. */
export async function action({ request, context }: Route.ActionArgs) {
  const asked = phraseForm.safeParse(await jsonOf(request))
  if (!asked.success) return Response.json({ ok: false, message: 'This can not be kept.' }, { status: 400 })
  const { db } = context.get(servicesContext)
  const problem = await answering(changePhrases(db, context.get(accountContext).id, asked.data))
  return Response.json(problem === null ? { ok: true } : { ok: false, message: problem })
}
