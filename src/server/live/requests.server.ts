import type { FacilitatorRequest, ParticipantRequest } from '~/contracts/live'
import type { LiveProblem, ParticipantCommand } from '~/core/live/commands'
import type { Account } from '../auth/accounts.server'
import { hasWritten } from '../boards/board-storage.server'
import type { Database } from '../db/database.server'
import { type Result, refused } from '../result'
import { prepareOpening, type SessionProblem } from '../sessions/sessions.server'
import { newId } from '../tokens.server'
import type { LiveHub } from './hub.server'

type Outcome = Result<{ seq: number }, LiveProblem>

/** Opens a session with its plan as it is now: from here on people can join. */
export async function openSession(
  db: Database,
  hub: LiveHub,
  account: Account,
  sessionId: string,
): Promise<Result<{ seq: number }, LiveProblem | SessionProblem>> {
  const plan = await prepareOpening(db, sessionId)
  if (!plan.ok) return plan
  return hub.command(sessionId, facilitator(account), { type: 'open', plan: plan.value })
}

/** Does what a facilitator asks, giving new messages their ids. Throws not-found for an unknown session. */
export function askAsFacilitator(
  hub: LiveHub,
  account: Account,
  sessionId: string,
  request: FacilitatorRequest,
): Promise<Outcome> {
  const command =
    request.type === 'broadcast' || request.type === 'note' ? { ...request, messageId: newId() } : request
  return hub.command(sessionId, facilitator(account), command)
}

/** Does what a participant asks; `participantId` comes from their cookie. */
export async function askAsParticipant(
  db: Database,
  hub: LiveHub,
  sessionId: string,
  participantId: string | null,
  request: ParticipantRequest,
): Promise<Outcome> {
  if (!participantId) return refused({ code: 'not-allowed' })
  const command = await participantCommand(db, participantId, request)
  return hub.command(sessionId, { kind: 'participant', participantId }, command)
}

async function participantCommand(
  db: Database,
  participantId: string,
  request: ParticipantRequest,
): Promise<ParticipantCommand> {
  if (request.type === 'call-help') return { ...request, helpId: newId() }
  if (request.type === 'not-me') {
    return { ...request, doubtId: newId(), wrote: await hasWritten(db, participantId) }
  }
  return request
}

const facilitator = (account: Account) =>
  ({ kind: 'facilitator', accountId: account.id, name: account.displayName }) as const
