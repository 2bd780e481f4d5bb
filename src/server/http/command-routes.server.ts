import { type Request, type Response, Router, text as textBody } from 'express'
import { doingSchema } from '~/contracts/doing'
import { facilitatorRequestSchema, type LiveProblem, participantRequestSchema } from '~/core/live/topics'
import { readAccountToken, readPlaceToken } from '../auth/cookies.server'
import { accountOf } from '../auth/sign-ins.server'
import { RoundTableError, statusOf } from '../errors.server'
import { placeOf } from '../join/join.server'
import { askAsFacilitator, askAsParticipant } from '../live/requests.server'
import { done, type Result } from '../result'
import type { Services } from '../services.server'
import { type Answered, outcomeAnswered, readJson, TOO_MUCH_AT_ONCE } from './json.server'
import { sameOrigin } from './origin.server'
import { LARGEST_BODY } from './routes.server'

/**
 * What is asked for in a running session, as JSON. Beside the page router, which takes as long as all the rest that lies between a
 * facilitator's press and the last of a class who hears of it.
 */
export function commandRoutes(services: Services): Router {
  const router = Router()
  const body = textBody({ type: () => true, limit: LARGEST_BODY.small, inflate: false })
  const asked =
    (ask: typeof asFacilitator) =>
    async (request: Request, response: Response): Promise<void> => {
      const { status, said } = await answered(services, request, ask)
      response.status(status).set('Cache-Control', 'no-store').json(said)
    }
  router.post('/sessions/:sessionId/commands', body, asked(asFacilitator))
  router.post('/sessions/:sessionId/doing', body, asked(isAt))
  router.post('/s/:sessionId/commands', body, asked(asParticipant))
  return router
}

async function answered(services: Services, request: Request, ask: typeof asFacilitator): Promise<Answered> {
  if (!sameOrigin(request.headers, services.settings.publicAddress))
    return { status: 403, said: { ok: false, message: 'This was sent from another site.' } }
  try {
    return await ask(services, String(request.params.sessionId), request)
  } catch (error) {
    if (error instanceof RoundTableError)
      return { status: statusOf(error), said: { ok: false, message: error.message } }
    throw error
  }
}

const SIGNED_OUT: Answered = {
  status: 401,
  said: { ok: false, message: 'You are signed out. Sign in again.' },
}

type Outcome = Result<unknown, LiveProblem>

async function asFacilitator(services: Services, sessionId: string, request: Request): Promise<Answered> {
  const account = await accountOf(services.db, await readAccountToken(request.headers.cookie))
  if (!account) return SIGNED_OUT
  if (!services.limits.commands.facilitator.allows(account.id)) return TOO_MUCH_AT_ONCE
  const read = facilitatorRequestSchema.safeParse(readJson(request.body))
  const outcome: Outcome | null = read.success
    ? await askAsFacilitator(services, account, sessionId, read.data)
    : null
  return outcomeAnswered(outcome)
}

/** What a facilitator is at, for the others who lead. */
async function isAt(services: Services, sessionId: string, request: Request): Promise<Answered> {
  const account = await accountOf(services.db, await readAccountToken(request.headers.cookie))
  if (!account) return SIGNED_OUT
  if (!services.limits.commands.facilitator.allows(account.id)) return TOO_MUCH_AT_ONCE
  const read = doingSchema.safeParse(readJson(request.body))
  if (!read.success) return outcomeAnswered(null)
  await services.doings.set(sessionId, account.id, read.data)
  return outcomeAnswered(done(undefined))
}

/** Who asks is known from their cookie alone. */
async function asParticipant(services: Services, sessionId: string, request: Request): Promise<Answered> {
  const place = await placeOf(services.db, sessionId, await readPlaceToken(request.headers.cookie, sessionId))
  if (place && !services.limits.commands.participant.allows(place.participantId)) return TOO_MUCH_AT_ONCE
  const read = participantRequestSchema.safeParse(readJson(request.body))
  const outcome: Outcome | null = read.success
    ? await askAsParticipant(services, sessionId, place?.participantId ?? null, read.data)
    : null
  return outcomeAnswered(outcome)
}
