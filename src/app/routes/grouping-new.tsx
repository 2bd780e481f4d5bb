import { redirect } from 'react-router'
import { chosenGroups, listChoices } from '~/server/choices/choices.server'
import { cohortBeginning } from '~/server/cohorts/cohorts.server'
import { createGrouping, type Grouping, getGrouping } from '~/server/groupings/groupings.server'
import { pastSessions } from '~/server/groupings/history.server'
import { rolesHeld } from '~/server/groupings/roles-held.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { GroupingPage } from '../features/groupings/page/grouping-page'
import type { Route } from './+types/grouping-new'
import { groupingProblem, readGrouping } from './grouping-form.server'
import { answering } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Make groups · Round Table' }]

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const cohort = await answering(cohortBeginning(db, params.cohortId))
  const asked = new URL(request.url).searchParams
  const [likeId, choiceId] = [asked.get('like'), asked.get('choice')]
  const [past, held, choices, like, chosen] = await Promise.all([
    pastSessions(db, params.cohortId),
    rolesHeld(db, params.cohortId),
    listChoices(db, params.cohortId),
    likeId ? answering(getGrouping(db, likeId)) : null,
    choiceId ? answering(chosenGroups(db, choiceId)) : null,
  ])
  return {
    cohort,
    past,
    rolesHeld: held,
    like: like && byRule(like, cohort.columns),
    choiceId,
    chosen,
    choices: choices.flatMap(({ id, title, kind, phase }) =>
      kind === 'question' ? [] : [{ id, title, phase }],
    ),
  }
}

/** What can be taken over for other people: everything but who is where. */
function byRule({ groups, laterRounds, aims, rotation }: Grouping, columns: { name: string }[]) {
  const known = new Set(columns.map(column => column.name))
  return {
    groupNames: groups.map(group => group.name),
    rounds: 1 + laterRounds.length,
    aims: aims.filter(aim => !('column' in aim) || known.has(aim.column)),
    rotation,
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const read = await readGrouping(request)
  if (!read.ok) return read
  const account = context.get(accountContext)
  const made = await createGrouping(context.get(servicesContext).db, account, params.cohortId, read.form)
  if (!made.ok) return groupingProblem(made.problem)
  throw redirect(`/groupings/${made.value}?saved=1`)
}

export default function NewGrouping({ loaderData }: Route.ComponentProps) {
  return <GroupingPage key={loaderData.choiceId} {...loaderData} kept={null} others={[]} />
}
