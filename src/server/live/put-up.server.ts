import { setImmediate } from 'node:timers/promises'
import { uniqBy } from 'lodash-es'
import { LRUCache } from 'lru-cache'
import type { PutUpNow } from '~/contracts/put-up'
import { readFully } from '~/core/boards/prompts/kinds'
import { workUp } from '~/core/live/put-up/things'
import { roomsWith } from '~/core/live/put-up/work'
import type { LiveState } from '~/core/live/topics'
import type { BoardServer } from '../boards/board-server.server'
import type { LiveHub } from './hub.server'

/** What was read is told again for so long, in milliseconds, however many projectors ask. */
const FRESH_MS = 1_500
const MOST_SESSIONS = 50

const lately = new WeakMap<BoardServer, LRUCache<string, Promise<PutUpNow>>>()

/**
 * The work that is put up in a session, as it is on disk: at most half a second behind; `anew` even when it was read lately. Throws
 * not-found for a session that is not there.
 */
export async function readPutUp(
  hub: LiveHub,
  boards: BoardServer,
  sessionId: string,
  { anew = false } = {},
): Promise<PutUpNow> {
  const state = await hub.state(sessionId)
  const work = workUp(state)
  if (!work || state.phase !== 'open') return null
  const { roomId, promptId } = work
  return readLately(boards, sessionId, state, { roomId, promptId }, anew)
}

/** One prompt of all rooms, likewise, for the wall of the facilitators' page. */
export async function readPromptOfAll(
  hub: LiveHub,
  boards: BoardServer,
  sessionId: string,
  promptId: string,
): Promise<PutUpNow> {
  return readLately(boards, sessionId, await hub.state(sessionId), { roomId: null, promptId }, false)
}

function readLately(
  boards: BoardServer,
  sessionId: string,
  state: LiveState,
  what: { roomId: string | null; promptId: string | null },
  anew: boolean,
): Promise<PutUpNow> {
  const known = lately.get(boards) ?? new LRUCache({ max: MOST_SESSIONS, ttl: FRESH_MS })
  lately.set(boards, known)
  const key = JSON.stringify([sessionId, what])
  const before = anew ? undefined : known.get(key)
  if (before) return before
  const read = readRooms(boards, roomsWith(state, what))
  known.set(key, read)
  return read
}

/** One room after the other: between them everybody else is looked after. What somebody still writes alone is not read. */
async function readRooms(boards: BoardServer, shown: ReturnType<typeof roomsWith>): Promise<PutUpNow> {
  const rooms = []
  for (const { room, board } of shown) {
    const doc = await boards.read(room.copyId, () => false)
    const answers = Object.fromEntries(board.prompts.map(prompt => [prompt.id, readFully(doc, prompt)]))
    rooms.push({ name: room.name, answers })
    doc.destroy()
    await setImmediate()
  }
  const prompts = uniqBy(
    shown.flatMap(({ board }) => board.prompts),
    'id',
  )
  return { prompts: prompts.map(({ id, text }) => ({ id, text })), rooms }
}
