import { parseWithZod } from '@conform-to/zod/v4'
import { data, redirect } from 'react-router'
import { parsedJson } from '~/contracts/forms/fields'
import { sessionForm } from '~/contracts/forms/sessions'
import { listBoards } from '~/server/boards/boards.server'
import { listGroupings } from '~/server/groupings/groupings.server'
import { addressesFor } from '~/server/http/addresses.server'
import { openSession } from '~/server/live/requests.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { planWorld } from '~/server/sessions/plan-facts.server'
import { planShown } from '~/server/sessions/plan-shown.server'
import { savePlan } from '~/server/sessions/plans.server'
import { getSession, runningOrderOf } from '~/server/sessions/sessions.server'
import { PlanPage } from '../features/sessions/plan-page'
import { openingProblemText, sessionProblem } from '../features/sessions/session-text'
import type { Route } from './+types/session-plan'
import { answering, formOf } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Plan · Round Table' }]

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db, settings } = context.get(servicesContext)
  const session = await answering(getSession(db, params.sessionId))
  const asked = new URL(request.url).searchParams
  const wanted = asked.get('grouping') ?? session.groupingId ?? undefined
  const round = Number(asked.get('round') ?? (asked.has('grouping') ? 0 : session.groupingRound)) || 0
  const [groupings, boards, plan, base] = await Promise.all([
    listGroupings(db, { alsoId: wanted }),
    listBoards(db, session.boardId ?? undefined),
    answering(planShown(db, session, { groupingId: wanted, round })),
    answering(planShown(db, session)),
  ])
  const { timeZone, roomMinutes, graceSeconds, joinCode, phase, groupingRound } = session
  return {
    phase,
    order: {
      // Saved again, the plan begins anew; what is changed in the order itself keeps its page.
      key: [session.groupingId, groupingRound, session.boardId, roomMinutes, graceSeconds].join(' '),
      sessionId: session.id,
      segments: runningOrderOf(session),
      minutes: session.minutes,
      startsAt: session.startsAt.getTime(),
      timeZone,
      groupingId: session.groupingId,
      world: await planWorld(db, session),
      rehearsed: session.rehearsed,
    },
    joinCode,
    joinAddress: `${addressesFor(request.url, settings.publicAddress).main}/join`,
    groupings,
    boards: boards.map(board => ({ id: board.id, title: board.title })),
    plan,
    base: JSON.stringify(base),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub } = context.get(servicesContext)
  const fields = await formOf(request)
  if (fields.get('intent') === 'open') {
    const opened = await answering(openSession({ db, hub }, context.get(accountContext), params.sessionId))
    if (opened.ok || opened.problem.code === 'already-open')
      throw redirect(`/sessions/${params.sessionId}/live`)
    return { opening: openingProblemText(opened.problem) }
  }
  const form = parseWithZod(fields, { schema: sessionForm })
  if (form.status !== 'success') return { form: form.reply() }
  const base = sessionForm.safeParse(parsedJson(String(fields.get('base') ?? ''))).data ?? null
  const saved = await answering(savePlan(db, params.sessionId, form.value, base))
  if (saved.ok) {
    const plan = await planShown(db, await getSession(db, params.sessionId))
    return { form: undefined, saved: { plan, base: JSON.stringify(plan), others: saved.value.others } }
  }
  return data({ form: form.reply(sessionProblem(saved.problem)) }, { status: 409 })
}

export default function SessionPlan({ loaderData, actionData }: Route.ComponentProps) {
  return <PlanPage {...loaderData} result={actionData} />
}
