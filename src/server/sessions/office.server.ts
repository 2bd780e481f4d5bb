import type { OpeningPlan } from '~/core/live/session/opening'
import type { LiveProblem } from '~/core/live/topics'
import type { Account } from '../auth/sign-ins.server'
import type { Database } from '../db/database.server'
import type { LiveHub } from '../live/hub.server'
import { askAsFacilitator, openSession } from '../live/requests.server'
import type { Result } from '../result'
import { newId } from '../tokens.server'
import { createBareSession, type SessionProblem } from './sessions.server'

/** How long somebody is thought to stay until it is known, in minutes. */
const USUAL_LENGTH = 10

/** Opens office hours with nothing prepared; gives the session. Whoever comes has a sheet for notes with the facilitator. */
export async function openOffice(
  { db, hub }: { db: Database; hub: LiveHub },
  account: Account,
  timeZone: string,
  now: number,
): Promise<{ sessionId: string; opened: Result<{ seq: number }, LiveProblem | SessionProblem> }> {
  const sessionId = await createBareSession(db, timeZone, now, 'Office hours, ')
  const withNotes = (plan: OpeningPlan): OpeningPlan => ({
    ...plan,
    board: {
      title: 'Notes',
      steps: [],
      prompts: [{ id: newId(), kind: 'sheet', text: 'Notes', settings: {} }],
    },
  })
  const opened = await openSession({ db, hub }, account, sessionId, withNotes)
  if (!opened.ok) return { sessionId, opened }
  const office = { type: 'open-office', minutes: USUAL_LENGTH } as const
  return { sessionId, opened: await askAsFacilitator({ db, hub }, account, sessionId, office) }
}
