import { parseWithZod } from '@conform-to/zod/v4'
import { data } from 'react-router'
import {
  cohortForm,
  columnForm,
  keptRule,
  parsedJson,
  personForm,
  presenceDay,
  presenceTick,
  removedColumn,
  ruleForm,
} from '~/contracts/forms'
import { listChoices } from '~/server/choices/choices.server'
import {
  addPerson,
  changePerson,
  getCohort,
  type PersonProblem,
  removePeople,
  renameCohort,
  restorePeople,
  setTrainedToLead,
} from '~/server/cohorts/cohorts.server'
import { addColumn, changeColumn, removeColumn, restoreColumn } from '~/server/cohorts/columns.server'
import { listImports } from '~/server/cohorts/imports.server'
import { presenceFromSession, runningSessions, setPresence } from '~/server/cohorts/presence.server'
import { addRule, removeRule, restoreRule, ruleProblemText } from '~/server/cohorts/rules.server'
import { listGroupings } from '~/server/groupings/groupings.server'
import { servicesContext } from '~/server/services.server'
import { CohortPage } from '../features/cohorts/cohort-page'
import { columnErrors, kindErrorText } from '../features/cohorts/column-text'
import type { Route } from './+types/cohort'
import { answering, formOf } from './helpers.server'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.cohort.name ?? 'Cohort'} · Round Table` },
]

/** So many people come with the page; more are fetched once it stands. */
const FIRST_PEOPLE = 200

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const { cohortId } = params
  const { people, presence, columns, id, name } = await answering(getCohort(db, cohortId))
  const importId = new URL(request.url).searchParams.get('import')
  const imported = importId && (await listImports(db, cohortId)).find(each => each.id === importId)
  return {
    cohort: { id, name, presence, columns, people: people.slice(0, FIRST_PEOPLE), count: people.length },
    imported: imported || null,
    groupings: await listGroupings(db, { cohortId }),
    choices: (await listChoices(db, cohortId)).map(({ id, title, phase }) => ({ id, title, phase })),
    running: await runningSessions(db, cohortId),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const { cohortId } = params
  const fields = await formOf(request)
  const personIds = fields.getAll('personId').map(String)
  switch (fields.get('intent')) {
    case 'rename': {
      const form = parseWithZod(fields, { schema: cohortForm })
      if (form.status !== 'success') return form.reply()
      await answering(renameCohort(db, cohortId, form.value.name))
      return form.reply()
    }
    case 'add':
    case 'change': {
      const form = parseWithZod(fields, { schema: personForm })
      if (form.status !== 'success') return form.reply()
      const [personId] = personIds
      const saved = personId
        ? await answering(changePerson(db, cohortId, personId, form.value))
        : await answering(addPerson(db, cohortId, form.value))
      return saved.ok
        ? form.reply({ resetForm: !personId })
        : form.reply({ fieldErrors: personErrors(saved.problem) })
    }
    case 'trained':
      await setTrainedToLead(db, cohortId, personIds[0] ?? '', fields.get('trained') === 'on')
      return null
    case 'remove':
      await removePeople(db, cohortId, personIds)
      return null
    case 'restore':
      await restorePeople(db, cohortId, personIds)
      return null
    case 'add-column':
    case 'change-column': {
      const form = parseWithZod(fields, { schema: columnForm })
      if (form.status !== 'success') return form.reply()
      const name = fields.get('column')
      const saved = name
        ? await answering(changeColumn(db, cohortId, String(name), form.value))
        : await answering(addColumn(db, cohortId, form.value))
      return saved.ok
        ? form.reply({ resetForm: !name })
        : form.reply({ fieldErrors: columnErrors(saved.problem) })
    }
    case 'remove-column': {
      const removed = await answering(removeColumn(db, cohortId, String(fields.get('column'))))
      return { removed: JSON.stringify(removed) }
    }
    case 'restore-column': {
      const removed = removedColumn.safeParse(fields.get('removed'))
      if (!removed.success) throw data('This page does not know what to do with that.', { status: 400 })
      const restored = await answering(restoreColumn(db, cohortId, removed.data))
      return { restored: restored.ok }
    }
    case 'presence':
    case 'presence-from-session': {
      const day = presenceDay.safeParse(fields.get('day'))
      if (!day.success) throw data('This page does not know which day it is.', { status: 400 })
      const sessionId = fields.get('sessionId')
      await answering(
        sessionId
          ? presenceFromSession(db, hub, cohortId, String(sessionId), day.data)
          : setPresence(db, cohortId, {
              day: day.data,
              personIds,
              tick: presenceTick.safeParse(fields.get('tick')).data,
            }),
      )
      return null
    }
    case 'add-rule': {
      const rule = ruleForm.safeParse(parsedJson(String(fields.get('rule'))))
      if (!rule.success) return { ruleProblem: rule.error.issues[0]?.message ?? 'This is no rule.' }
      const added = await answering(addRule(db, cohortId, rule.data))
      return { ruleProblem: added.ok ? null : ruleProblemText(added.problem) }
    }
    case 'remove-rule':
      return { removedRule: await answering(removeRule(db, cohortId, String(fields.get('ruleId')))) }
    case 'restore-rule': {
      const rule = keptRule.safeParse(parsedJson(String(fields.get('rule'))))
      if (!rule.success) throw data('This page does not know what to do with that.', { status: 400 })
      await answering(restoreRule(db, cohortId, rule.data))
      return null
    }
    default:
      throw data('This page does not know what to do with that.', { status: 400 })
  }
}

const personErrors = (problem: PersonProblem): Record<string, string[]> =>
  problem.code === 'already-listed'
    ? { firstName: [`${problem.name} is already on this list.`] }
    : { [`values[${problem.place}].value`]: [kindErrorText(problem.kind)] }

export default function CohortRoute({ loaderData }: Route.ComponentProps) {
  return <CohortPage {...loaderData} />
}
