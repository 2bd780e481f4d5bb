/** What groupings of a cohort must keep. */
import { eq } from 'drizzle-orm'
import type { RuleForm } from '~/contracts/forms/rules'
import type { RuleProblem } from '~/contracts/grouping'
import { MOST_RULES, type Rule } from '~/core/grouping/rules'
import type { Database } from '../db/database.server'
import { cohorts } from '../db/schema.server'
import { done, type Result, refused } from '../result'
import { newId } from '../tokens.server'
import { getCohort } from './cohorts.server'

/** Adds a rule and gives its id. */
export async function addRule(
  db: Database,
  cohortId: string,
  form: RuleForm,
): Promise<Result<string, RuleProblem>> {
  return db.transaction(async transaction => {
    const cohort = await getCohort(transaction, cohortId)
    if (cohort.rules.length >= MOST_RULES) return refused({ code: 'too-many', most: MOST_RULES })
    const listed = new Set(cohort.people.map(person => person.id))
    if ('personIds' in form && form.personIds.some(id => !listed.has(id)))
      return refused({ code: 'not-of-cohort' })
    if (cohort.rules.some(rule => sameContent(rule, form))) return refused({ code: 'already-there' })
    const id = newId()
    await keep(transaction, cohortId, [...cohort.rules, { ...form, id }])
    return done(id)
  })
}

/** Takes a rule away and gives it, for putting it back; null when it was gone already. */
export async function removeRule(db: Database, cohortId: string, ruleId: string): Promise<Rule | null> {
  return db.transaction(async transaction => {
    const { rules } = await getCohort(transaction, cohortId)
    await keep(
      transaction,
      cohortId,
      rules.filter(rule => rule.id !== ruleId),
    )
    return rules.find(rule => rule.id === ruleId) ?? null
  })
}

/** Puts a rule back under its id, so that groupings that switched it off still do. */
export async function restoreRule(db: Database, cohortId: string, rule: Rule): Promise<void> {
  await db.transaction(async transaction => {
    const { rules } = await getCohort(transaction, cohortId)
    if (rules.some(each => each.id === rule.id) || rules.length >= MOST_RULES) return
    await keep(transaction, cohortId, [...rules, rule])
  })
}

const keep = (db: Database, cohortId: string, rules: Rule[]) =>
  db.update(cohorts).set({ rules }).where(eq(cohorts.id, cohortId))

/** Whether two rules ask the same, whatever their reasons and the order of the people. */
function sameContent(rule: Rule, form: RuleForm): boolean {
  const content = (one: Rule | RuleForm) => [
    one.kind,
    'personIds' in one ? [...one.personIds].sort() : [],
    'groupName' in one ? one.groupName : '',
    'least' in one ? [one.least, one.most] : [],
  ]
  return JSON.stringify(content(rule)) === JSON.stringify(content(form))
}
