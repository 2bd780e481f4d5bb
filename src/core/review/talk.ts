import type { Line, LineRead } from '../live/talk/line'
import { asRead, type TalkState, talkOf } from '../live/talk/talk'
import type { TimeInRoom } from './attendance'

/** A line of a room's talk, as it is read afterwards. */
export interface LineThen {
  by: string
  text: string
  /** Milliseconds since 1970. */
  at: number
}

const inOrder = (lines: readonly Line[]) => lines.toSorted((one, other) => one.at - other.at)

/** What one heard of a room's talk: in the rounds in which one was there, until one left. Lines taken off the screens are not in it. */
export const talkHeard = ({ talk }: TalkState, roomId: string, { rounds }: TimeInRoom): LineThen[] =>
  Object.entries(rounds).flatMap(([round, leftAt]) =>
    inOrder(talk[talkOf(roomId, Number(round))] ?? [])
      .filter(({ at, gone }) => !gone && (leftAt === null || at <= leftAt))
      .map(({ by, text, at }) => ({ by, text, at })),
  )

/** What facilitators may read of a room's talk afterwards: what was said when all of them could. */
export const talkOpenToAll = (state: TalkState, roomId: string): LineRead[] =>
  inOrder(
    Object.entries(state.talk)
      .filter(([key]) => key.startsWith(talkOf(roomId, 0).slice(0, -1)))
      .flatMap(([, lines]) => lines)
      .filter(({ open }) => open),
  ).map(line => asRead(state, line))
