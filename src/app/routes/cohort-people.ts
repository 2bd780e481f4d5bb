import { parseWithZod } from '@conform-to/zod/v4'
import type { DeedKind } from '~/contracts/deeds'
import { personBefore, personForm } from '~/contracts/forms/cohorts'
import {
  addPerson,
  changePerson,
  getCohort,
  type PersonProblem,
  removePeople,
  restorePeople,
  setTrainedToLead,
} from '~/server/cohorts/cohorts.server'
import { noteDeed } from '~/server/deeds/deeds.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { columnGoneText, kindErrorText } from '../features/cohorts/column-text'
import type { Route } from './+types/cohort-people'
import { answering, formOf, unknownIntent } from './helpers.server'
import { jsonLines } from './json-lines.server'

/** The people of a list from a place on, one JSON text a line: a long list comes in after the page stands. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const { people } = await answering(getCohort(db, params.cohortId))
  return jsonLines(request, people)
}

/** Changes the people of a list: one by their form, or several by their ids. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db } = context.get(servicesContext)
  const { cohortId } = params
  const fields = await formOf(request)
  const personIds = fields.getAll('personId').map(String)
  const note = (kind: DeedKind, count: number) =>
    noteDeed(db, context.get(accountContext), { kind, thing: { kind: 'cohort', id: cohortId }, count })
  switch (fields.get('intent')) {
    case 'save': {
      const form = parseWithZod(fields, { schema: personForm })
      if (form.status !== 'success') return form.reply()
      const [personId] = personIds
      const base = personBefore.parse(fields.get('base'))
      const saved = personId
        ? await answering(changePerson(db, cohortId, personId, form.value, base))
        : await answering(addPerson(db, cohortId, form.value))
      if (saved.ok) await note(personId ? 'person-changed' : 'person-added', 1)
      return saved.ok
        ? form.reply({ resetForm: !personId })
        : form.reply({ fieldErrors: personErrors(saved.problem) })
    }
    case 'trained':
      await setTrainedToLead(db, cohortId, personIds[0] ?? '', fields.get('trained') === 'on')
      return null
    case 'remove':
      await removePeople(db, cohortId, personIds)
      await note('people-removed', personIds.length)
      return null
    case 'restore':
      await restorePeople(db, cohortId, personIds)
      await note('people-put-back', personIds.length)
      return null
    default:
      throw unknownIntent()
  }
}

function personErrors(problem: PersonProblem): Record<string, string[]> {
  switch (problem.code) {
    case 'already-listed':
      return { firstName: [`${problem.name} is already on this list.`] }
    case 'off-the-list':
      return { firstName: ['Somebody else has taken them off the list.'] }
    case 'not-of-kind':
      return { [`values[${problem.index}].value`]: [kindErrorText(problem.kind)] }
    case 'column-gone':
      return {
        [`values[${problem.index}].value`]: [
          `${columnGoneText(problem.name)} Empty this field to save the others.`,
        ],
      }
  }
}
