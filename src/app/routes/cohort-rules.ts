import { parsedJson } from '~/contracts/forms/fields'
import { keptRule, ruleForm } from '~/contracts/forms/rules'
import { addRule, removeRule, restoreRule } from '~/server/cohorts/rules.server'
import { servicesContext } from '~/server/services.server'
import { ruleProblemText } from '../features/groupings/settings/rule-text'
import type { Route } from './+types/cohort-rules'
import { answering, formOf, unknownIntent } from './helpers.server'

/** Changes the rules of a list: who has to be together or apart. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db } = context.get(servicesContext)
  const { cohortId } = params
  const fields = await formOf(request)
  switch (fields.get('intent')) {
    case 'add': {
      const rule = ruleForm.safeParse(parsedJson(String(fields.get('rule'))))
      if (!rule.success) return { ruleProblem: rule.error.issues[0]?.message ?? 'This is no rule.' }
      const added = await answering(addRule(db, cohortId, rule.data))
      return { ruleProblem: added.ok ? null : ruleProblemText(added.problem) }
    }
    case 'remove':
      return { removedRule: await answering(removeRule(db, cohortId, String(fields.get('ruleId')))) }
    case 'restore': {
      const rule = keptRule.safeParse(parsedJson(String(fields.get('rule'))))
      if (!rule.success) throw unknownIntent()
      await answering(restoreRule(db, cohortId, rule.data))
      return null
    }
    default:
      throw unknownIntent()
  }
}
