import { parseWithZod } from '@conform-to/zod/v4'
import { data, redirect } from 'react-router'
import { rehearsalForm } from '~/contracts/forms/rehearsals'
import { accountContext, servicesContext } from '~/server/services.server'
import { forgetRehearsal } from '~/server/sessions/sessions.server'
import { rehearsalProblemText } from '../features/sessions/session-text'
import type { Route } from './+types/session-rehearse'
import { answering, formOf } from './helpers.server'

/** Begins a rehearsal of a planned session, or puts away what the last one showed. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, rehearsals } = context.get(servicesContext)
  const fields = await formOf(request)
  if (fields.get('intent') === 'forget') {
    await answering(forgetRehearsal(db, params.sessionId))
    return { form: undefined, problem: undefined }
  }
  const form = parseWithZod(fields, { schema: rehearsalForm })
  if (form.status !== 'success') return { form: form.reply(), problem: undefined }
  const begun = await answering(rehearsals.begin(context.get(accountContext), params.sessionId, form.value))
  if (begun.ok) throw redirect(`/sessions/${begun.value}/live`)
  return data({ form: undefined, problem: rehearsalProblemText(begun.problem) }, { status: 409 })
}
