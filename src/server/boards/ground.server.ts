import type { Document } from '@hocuspocus/server'
import type { Board } from '~/core/boards/board'
import type { DocumentName } from '~/core/boards/document-name'
import { areHiddenCards } from '~/core/boards/hidden'
import type { Database } from '../db/database.server'
import type { LiveHub } from '../live/hub.server'
import { copyOf } from './admission.server'
import { Authorship } from './authorship.server'
import { type Contribution, readContributions } from './contributions.server'
import type { Opened } from './open-copy.server'
import type { SeenNumbers } from './seen-numbers'
import { Writers } from './writers.server'

/** All that a document which was just loaded hangs on, as the database and the session have it; undefined where there is no such board. */
export async function groundOf(
  db: Database,
  hub: LiveHub,
  seen: SeenNumbers,
  name: DocumentName,
  document: Document,
): Promise<Opened | undefined> {
  const copy = await copyOf(db, name.copyId)
  if (!copy) return undefined
  const { copyId, own } = name
  const { sessionId } = copy
  const board =
    own === null
      ? copy.board
      : { ...copy.board, prompts: copy.board.prompts.filter(({ id }) => id === own.promptId) }
  const [writers, earlier, state] = await Promise.all([
    Writers.of(db, copyId, seen.of(sessionId, copyId)),
    readContributions(db, [copyId]),
    hub.state(sessionId),
  ])
  const authorship = new Authorship(copyId, document, board, knownHere(name, copy.board, earlier))
  return { name, sessionId, board, document, authorship, writers, state, now: () => hub.timeOf(sessionId) }
}

/** Who wrote what, as far as those at a document may know: of cards that are hidden not even that there are any. */
function knownHere(
  { own }: DocumentName,
  { prompts }: Board,
  earlier: readonly Contribution[],
): Contribution[] {
  if (own !== null)
    return earlier.filter(
      ({ promptId, participantId }) => promptId === own.promptId && participantId === own.participantId,
    )
  // Those of hidden cards that are open come with them.
  const hidden = prompts.filter(areHiddenCards).map(({ id }) => id)
  return earlier.filter(({ promptId }) => !hidden.includes(promptId))
}
