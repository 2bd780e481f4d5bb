import { redirect } from 'react-router'
import { choiceForm } from '~/contracts/forms/choices'
import { openChoice } from '~/server/choices/choices.server'
import { getCohort } from '~/server/cohorts/cohorts.server'
import { servicesContext } from '~/server/services.server'
import { ChoiceEditor, type ChoiceFormFaults } from '../features/choices/choice-editor'
import type { Route } from './+types/choice-new'
import { answering, jsonOf } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Open a choice · Round Table' }]

export async function loader({ params, context }: Route.LoaderArgs) {
  const { id, name, people } = await answering(getCohort(context.get(servicesContext).db, params.cohortId))
  return { cohort: { id, name, people: people.length } }
}

export async function action({ request, params, context }: Route.ActionArgs): Promise<ChoiceFormFaults> {
  const read = choiceForm.safeParse(await jsonOf(request))
  if (!read.success) {
    return { faults: read.error.issues.map(({ path, message }) => ({ path: path.join('.'), message })) }
  }
  const id = await answering(openChoice(context.get(servicesContext).db, params.cohortId, read.data))
  throw redirect(`/choices/${id}`)
}

export default function NewChoice({ loaderData }: Route.ComponentProps) {
  return <ChoiceEditor cohort={loaderData.cohort} />
}
