import { parseWithZod } from '@conform-to/zod/v4'
import { columnForm } from '~/contracts/forms/cohorts'
import { addColumn, changeColumn, removeColumn, restoreColumn } from '~/server/cohorts/columns.server'
import { servicesContext } from '~/server/services.server'
import { columnErrors, columnProblemText } from '../features/cohorts/column-text'
import type { Route } from './+types/cohort-columns'
import { answering, formOf, unknownIntent } from './helpers.server'

/** Changes what a list keeps about its people. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db } = context.get(servicesContext)
  const { cohortId } = params
  const fields = await formOf(request)
  const name = fields.get('column')
  switch (fields.get('intent')) {
    case 'save': {
      const form = parseWithZod(fields, { schema: columnForm })
      if (form.status !== 'success') return form.reply()
      const saved = name
        ? await answering(changeColumn(db, cohortId, String(name), form.value))
        : await answering(addColumn(db, cohortId, form.value))
      return saved.ok
        ? form.reply({ resetForm: !name })
        : form.reply({ fieldErrors: columnErrors(saved.problem) })
    }
    case 'remove': {
      const id = await answering(removeColumn(db, cohortId, String(name)))
      return { removed: id && { id, name: String(name) } }
    }
    case 'restore': {
      const restored = await answering(restoreColumn(db, cohortId, String(fields.get('removed'))))
      return { problem: restored.ok ? null : columnProblemText(restored.problem) }
    }
    default:
      throw unknownIntent()
  }
}
