import type * as Y from 'yjs'
import type { TakeOff } from '~/contracts/taken-off'
import { type Prompt, placesUnder, readAnswer, removedUnder, takeableIn } from '~/core/boards/prompts/kinds'
import { WHOLE_ANSWER } from '~/core/boards/prompts/pieces'
import { giveTo, type Kept, keptOf, takeFrom } from '~/core/boards/prompts/taking'
import { boardOf } from '~/core/live/rooms/room'
import { LONGEST_TOLD } from '~/core/live/taken-off/taken'
import type { LiveProblem, LiveState } from '~/core/live/topics'
import type { Account } from '../auth/sign-ins.server'
import type { BoardServer } from '../boards/board-server.server'
import type { LiveHub } from '../live/hub.server'
import { type Result, refused } from '../result'
import { newId } from '../tokens.server'

interface Stands {
  hub: LiveHub
  boards: BoardServer
}

/**
 * Takes a piece off a room's board and every screen. It is in the log before it is out of the document, so that whatever
 * happens between, nothing is lost.
 */
export async function takeOffPiece(
  { hub, boards }: Stands,
  by: Account,
  sessionId: string,
  { roomId, promptId, pieceId, text: said }: TakeOff,
): Promise<Result<unknown, LiveProblem>> {
  const state = await hub.state(sessionId)
  const room = state.rooms.find(({ id }) => id === roomId)
  if (!room) return refused({ code: 'no-such-room' })
  const prompt = boardOf(state, room).prompts.find(({ id }) => id === promptId)
  if (!prompt) return refused({ code: 'not-on-the-board' })
  return boards.onCopy(room.copyId, async (doc, authorOf) => {
    const piece = standing(doc, prompt, pieceId, said)
    const kept = piece && keptOf(placesUnder(doc, prompt, piece))
    if (!piece || !kept?.some(one => one !== null)) return refused({ code: 'not-on-the-board' })
    // Whoever wrote first in what several write together need not have written this.
    const authorId = pieceId === WHOLE_ANSWER ? null : authorOf(promptId, pieceId)
    const outcome = await hub.command(sessionId, facilitator(by), {
      type: 'take-off',
      takenId: newId(),
      roomId,
      promptId,
      pieceId,
      text: piece.text.slice(0, LONGEST_TOLD),
      kept: JSON.stringify(kept),
      authorId: state.participants.has(authorId ?? '') ? authorId : null,
    })
    if (outcome.ok) doc.transact(() => takeFrom(placesUnder(doc, prompt, piece)))
    return outcome
  })
}

/** Being given back just now, by their ids: two who ask at once give it once. */
const underWay = new Set<string>()

/**
 * Gives a piece back to the board it was taken off, wherever nothing else has come to its place. It is on the board before it is
 * out of the log, so that whatever happens between, nothing is lost.
 */
export async function giveBackPiece(
  { hub, boards }: Stands,
  by: Account,
  sessionId: string,
  takenId: string,
): Promise<Result<unknown, LiveProblem>> {
  const state = await hub.state(sessionId)
  const taken = state.takenOff.find(({ id }) => id === takenId)
  const prompt = taken && promptOf(state, taken)
  if (!taken || underWay.has(takenId)) return refused({ code: 'not-taken-off' })
  if (!prompt) return refused({ code: 'not-on-the-board' })
  underWay.add(takenId)
  try {
    return await boards.onCopy(taken.copyId, async doc => {
      const places = placesUnder(doc, prompt, taken)
      doc.transact(() => giveTo(places, JSON.parse(taken.kept) as Kept))
      let given = false
      try {
        const outcome = await hub.command(sessionId, facilitator(by), { type: 'give-back', takenId })
        given = outcome.ok
        return outcome
      } finally {
        if (!given) doc.transact(() => takeFrom(places))
      }
    })
  } finally {
    underWay.delete(takenId)
  }
}

const facilitator = ({ id, displayName }: Account) =>
  ({ kind: 'facilitator', accountId: id, name: displayName }) as const

/** A piece as it stands, or as somebody in the room has taken it away where it can be put back. */
function standing(doc: Y.Doc, prompt: Prompt, pieceId: string, said: string) {
  const found = takeableIn(readAnswer(doc, prompt)).find(
    piece => piece.pieceId === pieceId && (pieceId !== WHOLE_ANSWER || piece.text === said),
  )
  const removed = removedUnder(doc, prompt).find(({ id }) => id === pieceId)
  return found ?? (removed && { pieceId, text: removed.text })
}

const promptOf = (state: LiveState, { roomId, promptId }: { roomId: string; promptId: string }) => {
  const room = state.rooms.find(({ id }) => id === roomId)
  return room && boardOf(state, room).prompts.find(({ id }) => id === promptId)
}
