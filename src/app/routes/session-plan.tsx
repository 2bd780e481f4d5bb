import { parseWithZod } from '@conform-to/zod/v4'
import { data, redirect } from 'react-router'
import { sessionForm } from '~/contracts/forms/sessions'
import { dateFields } from '~/core/schedule/session-time'
import { listBoards } from '~/server/boards/boards.server'
import { groupingAt, listGroupings, roundOf } from '~/server/groupings/groupings.server'
import { addressesFor } from '~/server/http/addresses.server'
import { openSession } from '~/server/live/requests.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { planWorld } from '~/server/sessions/plan-facts.server'
import { getSession, runningOrderOf, savePlan } from '~/server/sessions/sessions.server'
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
  const [groupings, boards, grouping] = await Promise.all([
    listGroupings(db, { alsoId: wanted }),
    listBoards(db, session.boardId ?? undefined),
    // What an open or ended session used stays as it was, whatever was saved since.
    wanted === undefined
      ? null
      : answering(groupingAt(db, wanted, session.phase === 'planned' ? null : session.groupingVersion)),
  ])
  const { title, timeZone, boardId, roomMinutes, graceSeconds, waitingList, callWay } = session
  const { joinCode, phase, groupingRound } = session
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
    plan: {
      title,
      ...dateFields(session.startsAt, timeZone),
      timeZone,
      groupingId: grouping?.id ?? '',
      groupingRound: round,
      hasOrder: session.runningOrder.length > 0,
      boardId: boardId ?? undefined,
      roomMinutes,
      graceSeconds,
      waitingList,
      callWay,
      rooms: (grouping ? roundOf(grouping, round) : []).map(({ id, name, personIds }) => {
        return { groupId: id, name: session.roomNames[id] ?? name, people: personIds.length }
      }),
    },
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
  const saved = await answering(savePlan(db, params.sessionId, form.value))
  if (saved.ok) return { form: undefined, saved: true }
  return data({ form: form.reply(sessionProblem(saved.problem)) }, { status: 409 })
}

export default function SessionPlan({ loaderData, actionData }: Route.ComponentProps) {
  return <PlanPage {...loaderData} result={actionData} />
}
