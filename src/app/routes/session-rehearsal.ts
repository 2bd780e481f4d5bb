import { redirect } from 'react-router'
import { rehearsalChange } from '~/contracts/forms/rehearsals'
import { participantList } from '~/core/live/door/people'
import { roomOf } from '~/core/live/rooms/room'
import { writePlaceToken } from '~/server/auth/cookies.server'
import { notFound } from '~/server/errors.server'
import { servicesContext } from '~/server/services.server'
import { isReachedSecurely } from '~/server/settings.server'
import type { Route } from './+types/session-rehearsal'
import { answering, readForm, unknownIntent } from './helpers.server'

/** Who plays in a rehearsal, for whoever wants to see their page. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { hub, rehearsals } = context.get(servicesContext)
  // It may just have ended, and its page be asking once more.
  if (!rehearsals.of(params.sessionId)) return { people: [] }
  const state = await hub.state(params.sessionId)
  return {
    people: participantList(state).flatMap(({ id, shownName, roomId }) =>
      rehearsals.tokenOf(params.sessionId, id) === null
        ? []
        : [{ id, shownName, room: roomOf(state, roomId)?.name ?? null }],
    ),
  }
}

/** Changes how a rehearsal goes on, ends it, or opens the page of somebody who plays in it. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { rehearsals, settings } = context.get(servicesContext)
  const { sessionId } = params
  const form = await readForm(request, rehearsalChange)
  if (form.status !== 'success') throw unknownIntent()
  const change = form.value
  return answering(
    (async () => {
      if (change.intent === 'speed') await rehearsals.setSpeed(sessionId, change.speed)
      else if (change.intent === 'itself') await rehearsals.goOnByItself(sessionId, change.on === 'yes')
      else if (change.intent === 'end') {
        const running = rehearsals.of(sessionId)
        await rehearsals.end(sessionId)
        return redirect(`/sessions/${running?.ofId ?? ''}`)
      } else {
        const token = rehearsals.tokenOf(sessionId, change.participantId)
        if (token === null) throw notFound('session')
        return redirect(`/s/${sessionId}`, {
          headers: { 'Set-Cookie': await writePlaceToken(token, sessionId, isReachedSecurely(settings)) },
        })
      }
      return null
    })(),
  )
}
