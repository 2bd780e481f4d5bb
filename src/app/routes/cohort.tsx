import { parseWithZod } from '@conform-to/zod/v4'
import { data } from 'react-router'
import { cohortForm, personForm } from '~/contracts/forms'
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
import { listGroupings } from '~/server/groupings/groupings.server'
import { servicesContext } from '~/server/services.server'
import { CohortPage } from '../features/cohorts/cohort-page'
import type { Route } from './+types/cohort'
import { answering, formOf } from './helpers.server'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.cohort.name ?? 'Cohort'} · Round Table` },
]

export async function loader({ params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const cohort = await answering(getCohort(db, params.cohortId))
  return { cohort, groupings: await listGroupings(db, params.cohortId) }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { db } = context.get(servicesContext)
  const { cohortId } = params
  const fields = await formOf(request)
  const personIds = fields.getAll('personId').map(String)
  switch (fields.get('intent')) {
    case 'rename': {
      const form = parseWithZod(fields, { schema: cohortForm })
      if (form.status !== 'success') return form.reply()
      await answering(renameCohort(db, cohortId, form.value.name))
      return form.reply({ resetForm: true })
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
        ? form.reply({ resetForm: true })
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
    default:
      throw data('This page does not know what to do with that.', { status: 400 })
  }
}

const personErrors = (problem: PersonProblem) => ({ firstName: [`${problem.name} is already on this list.`] })

export default function CohortRoute({ loaderData }: Route.ComponentProps) {
  return <CohortPage cohort={loaderData.cohort} groupings={loaderData.groupings} />
}
