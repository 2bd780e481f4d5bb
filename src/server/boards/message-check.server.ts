import { createDecoder, hasContent, readVarString, readVarUint, readVarUint8Array } from 'lib0/decoding'
import type { Awareness } from 'y-protocols/awareness'

/** Kinds of message of the board socket that a browser may send (hocuspocus protocol). */
const SYNC = 0
const AWARENESS = 1
const AUTH = 2
const QUERY_AWARENESS = 3
const SYNC_REPLY = 4
const CLOSE = 7

const ALLOWED = new Set([SYNC, AUTH, QUERY_AWARENESS, SYNC_REPLY, CLOSE])

/**
 * Whether a message may be handled. Messages that would be passed on to others as if the server had said them are
 * refused, and so is a cursor that claims to be somebody else's. Returns false for what cannot be read.
 *
 * Browsers echo the cursors they hear of, and an echo may arrive after its owner has left: what is no news is harmless
 * whatever it says, because nothing comes of it (y-protocols, `applyAwarenessUpdate`).
 */
export function isHarmless(message: Uint8Array, awareness: Awareness, participantId: string | null): boolean {
  try {
    const decoder = createDecoder(message)
    readVarString(decoder)
    const kind = readVarUint(decoder)
    if (kind !== AWARENESS) return ALLOWED.has(kind)
    return claims(readVarUint8Array(decoder)).every(
      ({ clientId, clock, userId }) =>
        userId === null ||
        userId === participantId ||
        userId === userOf(awareness, clientId) ||
        clock <= (awareness.meta.get(clientId)?.clock ?? 0),
    )
  } catch {
    return false
  }
}

/** Who each state of a presence message says it is; null for one that says nothing (y-protocols, awareness). */
function claims(update: Uint8Array): { clientId: number; clock: number; userId: string | null }[] {
  const decoder = createDecoder(update)
  const count = readVarUint(decoder)
  const list: ReturnType<typeof claims> = []
  for (let index = 0; index < count && hasContent(decoder); index++) {
    const clientId = readVarUint(decoder)
    const clock = readVarUint(decoder)
    list.push({ clientId, clock, userId: userIn(JSON.parse(readVarString(decoder))) })
  }
  return list
}

function userIn(state: unknown): string | null {
  if (typeof state !== 'object' || state === null) return null
  const { user } = state as { user?: { id?: unknown } }
  return user === undefined || user === null ? null : String(user.id)
}

const userOf = (awareness: Awareness, clientId: number) => userIn(awareness.getStates().get(clientId) ?? null)
