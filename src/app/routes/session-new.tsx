import { redirect } from 'react-router'
import { sessionForm } from '~/contracts/forms/sessions'
import { listAccounts } from '~/server/auth/accounts.server'
import { listBoards } from '~/server/boards/boards.server'
import { getGrouping, listGroupings, roundOf } from '~/server/groupings/groupings.server'
import { servicesContext } from '~/server/services.server'
import { atTheFront } from '~/server/sessions/plan-shown.server'
import { createSession } from '~/server/sessions/plans.server'
import { PlanForm } from '../features/sessions/plan-form'
import { sessionProblem } from '../features/sessions/session-text'
import { PageHead } from '../ui/layout'
import type { Route } from './+types/session-new'
import { answering, readForm } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Plan a session · Round Table' }]

export async function loader({ request, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const [groupings, boards, accounts] = await Promise.all([
    listGroupings(db),
    listBoards(db),
    listAccounts(db),
  ])
  const wanted = new URL(request.url).searchParams.get('grouping') ?? groupings[0]?.id
  const round = Number(new URL(request.url).searchParams.get('round') ?? 0) || 0
  const rooms = wanted ? roundOf(await answering(getGrouping(db, wanted)), round) : []
  return {
    groupings,
    boards: boards.map(({ id, title }) => ({ id, title })),
    chosen: wanted ?? '',
    round,
    duties: atTheFront(accounts),
    rooms: rooms.map(({ id, name, personIds }) => ({ groupId: id, name, people: personIds.length })),
  }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, sessionForm)
  if (form.status !== 'success') return form.reply()
  const made = await answering(createSession(context.get(servicesContext).db, form.value))
  if (!made.ok) return form.reply(sessionProblem(made.problem))
  throw redirect(`/sessions/${made.value}`)
}

export default function NewSession({ loaderData, actionData }: Route.ComponentProps) {
  const { groupings, boards, chosen, round, duties, rooms } = loaderData
  return (
    <>
      <PageHead title="Plan a session" />
      <PlanForm
        groupings={groupings}
        boards={boards}
        plan={{ groupingId: chosen, groupingRound: round, duties, rooms }}
        lastResult={actionData}
      />
    </>
  )
}
