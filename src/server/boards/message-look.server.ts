import type { Connection } from '@hocuspocus/server'
import { judgeCursors, readMessage } from './message-check.server'
import type { OpenCopy } from './open-copy.server'
import { type ConnectionContext, refusal } from './who-asks.server'

/**
 * Looks at a message before the sync server does. What may not be handled ends the line; what comes to nothing is blanked in
 * the message, which then says nothing (an update, or a list of cursors, of zeros). Updates are taken in here, in the same
 * step in which they are looked at, and blanked too. Throws a refusal for what may not be handled.
 */
export function lookAtMessage(
  message: Uint8Array,
  connection: Connection,
  context: ConnectionContext,
  copy: OpenCopy | undefined,
): void {
  const { guard } = context
  const began = performance.now()
  const refused = judge(message, connection, context, copy)
  guard.took(performance.now() - began)
  // What was on its way when the line was ended is blanked, and comes to nothing.
  if (refused === null || guard.isClosed) return
  guard.refuse(refused)
  throw refusal()
}

/** Why a message may not be handled; null for one that may. */
function judge(
  message: Uint8Array,
  connection: Connection,
  { guard, questions, participantId = null }: ConnectionContext,
  copy: OpenCopy | undefined,
): string | null {
  const read = readMessage(message)
  switch (read?.kind) {
    case undefined:
      return 'no message of a board'
    case 'other':
      return null
    case 'question':
      return questions?.allows(1) ? null : 'too many questions'
    case 'cursors': {
      const judged = guard.isClosed
        ? 'drop'
        : judgeCursors(read.cursors, connection.document.awareness, participantId)
      if (judged !== 'take') read.cursors.fill(0)
      return judged === 'refuse' ? 'cursors that are not theirs' : null
    }
    case 'update': {
      // The sync server takes nothing from those who look on.
      const mayWrite = copy && !connection.readOnly && participantId !== null && !guard.isClosed
      const taken = mayWrite ? copy.take(read.update, connection, participantId) : 'dropped'
      read.update.fill(0)
      if (taken === 'again' && copy && questions?.allows(1)) connection.send(copy.question())
      return taken === 'refuse' ? 'no update of a board' : null
    }
  }
}
