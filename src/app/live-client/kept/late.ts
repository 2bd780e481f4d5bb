import { toBase64 } from 'lib0/buffer'
import type { LateAnswer } from '~/contracts/late'
import { unsent } from '~/core/boards/updates/unsent'
import { numbersOf, readKept } from './kept-document'
import { forgetBoard, type KeptBoard, keptBoards } from './kept-store'

/** What became of what was written without a line: `kept` aside, or `refused` for good. */
export interface LateNews {
  kept: number
  refused: string[]
  /** Something could not be sent; it is still kept here. */
  waits: boolean
}

/**
 * Sends what was written in this browser on boards that are not theirs to write on any more, and lets go of those boards.
 * `here` is the copy they work on now, which needs no help.
 */
export async function sendLate(
  sessionId: string,
  participantId: string,
  here: string | null,
): Promise<LateNews> {
  const news: LateNews = { kept: 0, refused: [], waits: false }
  for (const [name, board] of await keptBoards(sessionId)) {
    if (board.copyId === here || board.participantId !== participantId) continue
    const answer = await sendBoard(sessionId, name, board)
    if (answer === 'waits' || (answer && !answer.ok && answer.why !== 'refused')) {
      news.waits = true
      continue
    }
    if (answer?.ok && answer.kept) news.kept += 1
    if (answer && !answer.ok) news.refused.push(answer.message)
    await forgetBoard(name)
  }
  return news
}

/** Null when there was nothing to send. */
async function sendBoard(
  sessionId: string,
  name: string,
  board: KeptBoard,
): Promise<LateAnswer | 'waits' | null> {
  const doc = await readKept(name)
  if (!doc) return null
  const update = unsent(doc, numbersOf(board))
  doc.destroy()
  if (!update) return null
  const { copyId, promptId } = board
  try {
    const response = await fetch(`/s/${sessionId}/late`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ copyId, promptId, update: toBase64(update) }),
    })
    if (response.status === 413)
      return { ok: false, why: 'refused', message: 'It was more than can be kept.' }
    return (await response.json()) as LateAnswer
  } catch {
    return 'waits'
  }
}
