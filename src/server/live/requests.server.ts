import { MOST_PARTICIPANTS } from '~/core/live/door/people'
import { MOST_ROOMS } from '~/core/live/rooms/room'
import type { OpeningPlan } from '~/core/live/session/opening'
import type { Fills } from '~/core/live/topic'
import {
  COMMAND_SHAPES,
  type Command,
  type FacilitatorRequest,
  type LiveProblem,
  type ParticipantRequest,
} from '~/core/live/topics'
import type { Account } from '../auth/sign-ins.server'
import { hasWritten } from '../boards/contributions.server'
import { cohortList } from '../cohorts/cohort-list.server'
import type { Database } from '../db/database.server'
import { type Result, refused } from '../result'
import { prepareOpening } from '../sessions/opening.server'
import { holdPlan, letGoOfPlan } from '../sessions/plans.server'
import type { SessionProblem } from '../sessions/sessions.server'
import { newId } from '../tokens.server'
import { AnswersApart } from './answers-apart.server'
import type { LiveHub } from './hub.server'

interface Stands {
  db: Database
  hub: LiveHub
}

type Outcome = Result<{ seq: number }, LiveProblem>

/** Opens a session with its plan as it is now: from here on people can join. */
export async function openSession(
  { db, hub }: Stands,
  account: Account,
  sessionId: string,
  change = (plan: OpeningPlan) => plan,
): Promise<Result<{ seq: number }, LiveProblem | SessionProblem>> {
  await holdPlan(db, sessionId)
  let opened = false
  try {
    const plan = await prepareOpening(db, sessionId)
    if (!plan.ok) return plan
    const outcome = await hub.command(sessionId, facilitator(account), {
      type: 'open',
      plan: change(plan.value),
    })
    opened = outcome.ok
    return outcome
  } finally {
    if (!opened) await letGoOfPlan(db, sessionId)
  }
}

/** Does what a facilitator asks. Throws not-found for an unknown session. */
export async function askAsFacilitator(
  { db, hub }: Stands,
  account: Account,
  sessionId: string,
  request: FacilitatorRequest,
): Promise<Outcome> {
  return hub.command(sessionId, facilitator(account), await filled(db, request, null))
}

/** Does what a participant asks; `participantId` comes from their cookie. */
export async function askAsParticipant(
  { db, hub, answersApart }: Stands & { answersApart: AnswersApart },
  sessionId: string,
  participantId: string | null,
  request: ParticipantRequest,
): Promise<Outcome> {
  if (!participantId) return refused({ code: 'not-allowed' })
  if (request.type === 'answer-question') {
    const { questionId, answer } = request
    if (AnswersApart.takes(await hub.state(sessionId), questionId))
      return answersApart.answer(sessionId, participantId, questionId, answer)
  }
  const command = await filled(db, request, participantId)
  return hub.command(sessionId, { kind: 'participant', participantId }, command)
}

/** Two for each room that can be made, one for each person who can be put in. */
const MOST_FRESH_IDS = Math.max(2 * MOST_ROOMS, MOST_PARTICIPANTS)

/** What the server adds to a request, as its topic says: ids, and what no browser's word is taken for. */
const FILLS: {
  [Kind in keyof Fills]: (
    db: Database,
    participantId: string | null,
    request: FacilitatorRequest | ParticipantRequest,
  ) => Promise<Fills[Kind]>
} = {
  'fresh-id': async () => newId(),
  'fresh-ids': async () => Array.from({ length: MOST_FRESH_IDS }, newId),
  'cohort-list': async (db, _participantId, request) =>
    'cohortId' in request ? cohortList(db, request.cohortId) : null,
  'has-written': async (db, participantId) => participantId !== null && hasWritten(db, participantId),
}

async function filled(
  db: Database,
  request: FacilitatorRequest | ParticipantRequest,
  participantId: string | null,
): Promise<Command> {
  const command: Record<string, unknown> = { ...request }
  for (const [name, kind] of Object.entries(COMMAND_SHAPES.get(request.type)?.fills ?? {})) {
    command[name] = await FILLS[kind](db, participantId, request)
  }
  return command as Command
}

const facilitator = (account: Account) =>
  ({ kind: 'facilitator', accountId: account.id, name: account.displayName }) as const
