import { data, redirect } from 'react-router'
import { takePlaceForm } from '~/contracts/forms/join'
import { readDoorToken, readPlaceToken, writePlaceToken } from '~/server/auth/cookies.server'
import {
  type CodeProblem,
  claimName,
  freeNames,
  type Place,
  placeOf,
  sessionByCode,
  takePlace,
} from '~/server/join/join.server'
import { onePress } from '~/server/join/one-press.server'
import type { LiveHub } from '~/server/live/hub.server'
import { addressContext, servicesContext } from '~/server/services.server'
import { isReachedSecurely } from '~/server/settings.server'
import { JoinPage } from '../features/join/join-page'
import { codeProblemText, takePlaceProblemText } from '../features/join/join-text'
import type { Route } from './+types/join'
import { atTheDoor, readForm } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Join · Round Table' }]

type Step =
  | { step: 'code'; typed: string; problem: string | null }
  | { step: 'wait'; title: string }
  | { step: 'over'; title: string }
  | {
      step: 'name'
      title: string
      code: string
      hasList: boolean
      names: { personId: string; shownName: string }[] | null
    }

/** So many names are written into the page. */
const FEW_NAMES = 40

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db, hub, limits, settings } = context.get(servicesContext)
  const typed = params.code ?? new URL(request.url).searchParams.get('code') ?? ''
  if (typed === '') return { step: 'code', typed, problem: null } satisfies Step
  const found = await sessionByCode(db, limits, typed, context.get(addressContext))
  if (!found.ok)
    return data(
      { step: 'code', typed, problem: codeProblemText(found.problem) } satisfies Step,
      statusOf(found.problem),
    )
  const { id, title, phase, joinCode } = found.value
  const place = await placeOf(db, id, await readPlaceToken(request.headers.get('Cookie'), id))
  if (place && (await isHeld(hub, place))) throw redirect(`/s/${id}`)
  if (params.code === undefined) throw redirect(`/join/${joinCode}`)
  if (phase === 'planned') return { step: 'wait', title } satisfies Step
  if (phase === 'ended') return { step: 'over', title } satisfies Step
  const names = await freeNames(hub, id)
  // A long list is fetched by the page: written into every page, it would hold up a whole class at the door.
  const step = {
    step: 'name',
    title,
    code: joinCode,
    hasList: (await hub.state(id)).expected.length > 0,
    names: names.length > FEW_NAMES ? null : names,
  } satisfies Step
  return data(step, { headers: await atTheDoor(request, settings) })
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, hub, limits, settings } = context.get(servicesContext)
  const found = await sessionByCode(db, limits, params.code ?? '', context.get(addressContext))
  if (!found.ok) return data({ typed: '', problem: codeProblemText(found.problem) }, statusOf(found.problem))
  const sessionId = found.value.id
  const form = await readForm(request, takePlaceForm)
  const typed = String(form.payload.shownName ?? '')
  if (form.status !== 'success')
    return data(
      {
        typed,
        problem: Object.values(form.error ?? {})
          .flat()
          .join(' '),
      },
      400,
    )
  if (form.payload.intent === 'claim') {
    const claimed = await claimName(hub, sessionId, typed)
    return claimed.ok
      ? { typed, problem: '', asked: true }
      : data({ typed, problem: takePlaceProblemText(claimed.problem) }, 409)
  }
  const place = await placeOf(db, sessionId, await readPlaceToken(request.headers.get('Cookie'), sessionId))
  // One browser, one place: who comes through the door twice is led to theirs.
  if (place && (await isHeld(hub, place))) throw redirect(`/s/${sessionId}`)
  const take = () => takePlace(db, hub, sessionId, form.value, place?.participantId)
  const { personId, shownName } = form.value
  const door = place ? null : await readDoorToken(request.headers.get('Cookie'))
  const taken = await onePress(door, `${sessionId} ${personId ?? shownName}`, take)
  if (!taken.ok) {
    const { code } = taken.problem
    return data({ typed, problem: takePlaceProblemText(taken.problem), taken: code === 'name-taken' }, 409)
  }
  const cookie = await writePlaceToken(taken.value.token, sessionId, isReachedSecurely(settings))
  throw redirect(`/s/${sessionId}`, { headers: { 'Set-Cookie': cookie } })
}

async function isHeld(hub: LiveHub, { sessionId, participantId }: Place): Promise<boolean> {
  const held = (await hub.state(sessionId)).participants.get(participantId)
  return held !== undefined && !held.released
}

const statusOf = (problem: CodeProblem) => (problem.code === 'unknown-code' ? 404 : 429)

export default function Join({ loaderData, actionData }: Route.ComponentProps) {
  return <JoinPage {...loaderData} refusal={actionData} />
}
