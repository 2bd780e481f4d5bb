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

/** What a cursor says of itself, in characters: a name's worth and two places in a text. */
const LONGEST_STATE = 4_000
/** Everybody of the largest room, with the pages they left behind. */
const MOST_STATES = 500

/** What a message of a board's socket asks for. The bytes are those of the message itself, not a copy. */
export type BoardMessage =
  | { kind: 'update'; update: Uint8Array }
  /** What of the document the sender lacks. */
  | { kind: 'question' }
  | { kind: 'cursors'; cursors: Uint8Array }
  | { kind: 'other' }

/**
 * Reads what a message asks for; null for what may not be handled: what cannot be read, and messages that would be passed on
 * to others as if the server had said them.
 */
export function readMessage(message: Uint8Array): BoardMessage | null {
  try {
    const decoder = createDecoder(message)
    readVarString(decoder)
    const kind = readVarUint(decoder)
    if (kind === AWARENESS) return { kind: 'cursors', cursors: readVarUint8Array(decoder) }
    if (!ALLOWED.has(kind)) return null
    if (kind !== SYNC && kind !== SYNC_REPLY) return { kind: 'other' }
    const step = readVarUint(decoder)
    if (step === 0) return { kind: 'question' }
    return step <= 2 ? { kind: 'update', update: readVarUint8Array(decoder) } : null
  } catch {
    return null
  }
}

/**
 * What is to become of cursors somebody sends: `refuse` those that claim to be somebody else's, or that are more than cursors;
 * `drop` what would take somebody else's away.
 *
 * Browsers echo the cursors they hear of, and an echo may arrive after its owner has left: what is no news is harmless
 * whatever it says, because nothing comes of it. They also say of somebody they have not heard of for long that they are gone,
 * which with a clock that is no news takes the cursor away all the same (y-protocols, `applyAwarenessUpdate`): the server
 * finds that out by itself.
 */
export function judgeCursors(
  update: Uint8Array,
  awareness: Awareness,
  participantId: string | null,
): 'take' | 'drop' | 'refuse' {
  try {
    const list = claims(update)
    if (list.length > MOST_STATES) return 'refuse'
    let takesAway = false
    for (const { clientId, clock, userId, gone } of list) {
      const known = userOf(awareness, clientId)
      const isNews = clock > (awareness.meta.get(clientId)?.clock ?? 0)
      if (gone) takesAway ||= known !== null && known !== participantId
      else if (isNews && userId !== null && userId !== participantId && userId !== known) return 'refuse'
      // Nor may what somebody says of themselves be written over.
      else if (isNews && known !== null && known !== participantId) takesAway = true
    }
    return takesAway ? 'drop' : 'take'
  } catch {
    return 'refuse'
  }
}

/** Who each state of a presence message says it is; null for one that says nothing (y-protocols, awareness). */
function claims(
  update: Uint8Array,
): { clientId: number; clock: number; userId: string | null; gone: boolean }[] {
  const decoder = createDecoder(update)
  const count = readVarUint(decoder)
  const list: ReturnType<typeof claims> = []
  for (let index = 0; index < count && hasContent(decoder); index++) {
    const clientId = readVarUint(decoder)
    const clock = readVarUint(decoder)
    const text = readVarString(decoder)
    if (text.length > LONGEST_STATE) throw new Error('This is more than a cursor.')
    const state: unknown = JSON.parse(text)
    list.push({ clientId, clock, userId: userIn(state), gone: state === null })
  }
  return list
}

function userIn(state: unknown): string | null {
  if (typeof state !== 'object' || state === null) return null
  const { user } = state as { user?: { id?: unknown } }
  return user === undefined || user === null ? null : String(user.id)
}

const userOf = (awareness: Awareness, clientId: number) => userIn(awareness.getStates().get(clientId) ?? null)
